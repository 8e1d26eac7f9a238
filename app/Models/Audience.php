<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Audience as Core;

/**
 * Everybody, or everything of a type, for whom a condition holds.
 *
 * @property int $id
 * @property string $name what rules call it
 * @property string $folded
 * @property string $of the key of a record type, or "person"
 * @property array<string, mixed> $condition
 * @property CarbonImmutable $at
 */
final class Audience extends Model
{
    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['condition' => 'array', 'at' => 'immutable_datetime'];
    }

    public function read(): Core
    {
        return Core::read(Doc::of(['of' => $this->of, 'condition' => $this->condition]));
    }

    public function isOfPeople(): bool
    {
        return $this->of === CoreType::PERSON;
    }

    /** @return list<Rule> those whose words name it, on or not */
    public function usedBy(): array
    {
        return array_values(Rule::query()->with('version')->where('power', '!=', 'retired')->orderBy('name')->get()->filter(
            fn (Rule $rule): bool => array_filter(
                [$rule->draft, $rule->version?->document],
                fn (?array $document): bool => $document !== null && self::isNamedIn($document, $this->name),
            ) !== [],
        )->all());
    }

    /** @param  array<array-key, mixed>  $document */
    private static function isNamedIn(array $document, string $name): bool
    {
        foreach ($document as $key => $part) {
            if (($key === 'audience' && $part === $name) || (is_array($part) && self::isNamedIn($part, $name))) {
                return true;
            }
        }

        return false;
    }
}
