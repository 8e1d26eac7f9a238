<?php

declare(strict_types=1);

namespace App\Models;

use Linnet\Core\Document\Doc;
use Linnet\Core\Intake\Mapping;

/**
 * @property int $id
 * @property string $key
 * @property string $name
 * @property string $secret_hash SHA-256 of the secret, which is shown once
 * @property array<string, mixed> $mapping
 */
final class Source extends Model
{
    protected $hidden = ['secret_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['mapping' => 'array'];
    }

    public function knows(string $secret): bool
    {
        return hash_equals($this->secret_hash, hash('sha256', $secret));
    }

    public function readMapping(): Mapping
    {
        return Mapping::read(Doc::of($this->mapping));
    }
}
