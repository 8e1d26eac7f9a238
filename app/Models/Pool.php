<?php

declare(strict_types=1);

namespace App\Models;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Wording\Wordings;

/**
 * Wordings that several rules share, by the name rules write.
 *
 * @property int $id
 * @property string $name
 * @property list<array{id: string, text: string, weight?: int, most?: int}> $wordings
 */
final class Pool extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['wordings' => 'array'];
    }

    /** @return list<Wording> none where there is no pool of that name */
    public static function named(string $name): array
    {
        return self::query()->firstWhere('name', $name)?->read() ?? [];
    }

    /** @return list<Wording> */
    public function read(): array
    {
        return Wordings::list(Doc::of(['wordings' => $this->wordings]), 'wordings');
    }
}
