<?php

declare(strict_types=1);

namespace App\Rules;

use App\Database\DistinctValues;
use App\Models\Audience;
use App\Models\Business;
use App\Models\Form;
use App\Models\Line;
use App\Models\Pool;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Staff;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Rehearsal\WorldPerson;
use Linnet\Core\Rule\Audience as CoreAudience;

/** The names that the sentences of rules may use. */
final class Vocabularies
{
    /** The language of rules over our own things. */
    public static function language(): Language
    {
        return new Language(self::ours());
    }

    /** What the business calls its own things, as they are now. */
    public static function ours(): Vocabulary
    {
        return new Vocabulary(
            types: Vocabulary::types(
                RecordType::query()->with('fields')->orderBy('id')->get()->map(fn (RecordType $type) => $type->read()),
            ),
            lines: Line::query()->orderBy('id')->pluck('name', 'key')->all(),
            staff: Staff::query()->orderBy('name')->pluck('name', 'email')->all(),
            rules: Rule::query()->whereNotNull('key')->orderBy('name')->pluck('name', 'key')->all(),
            forms: Form::query()->orderBy('id')->pluck('name', 'key')->all(),
            pools: Pool::query()->orderBy('name')->pluck('name', 'name')->all(),
            tags: DistinctValues::of('labels', 'name', ['kind' => LabelKind::Tag->value]),
            lists: DistinctValues::of('labels', 'name', ['kind' => LabelKind::List->value]),
            currency: Business::current()->currency(),
            audiences: Audience::query()->orderBy('name')->pluck('of', 'name')->all(),
            linePools: Line::query()->whereNotNull('pool')->orderBy('pool')->pluck('pool', 'pool')->all(),
        );
    }

    public static function of(World $world): Vocabulary
    {
        $of = fn (string $which): array => array_values(
            array_unique(array_merge(...array_map(fn (WorldPerson $person): array => $person->{$which}, $world->people), ...[[]])),
        );
        $pools = array_map(strval(...), array_keys($world->configuration->pools));

        return new Vocabulary(
            types: Vocabulary::types($world->configuration->types),
            lines: array_column($world->configuration->lines, 'name', 'key'),
            staff: array_column($world->configuration->staff, 'name', 'email'),
            rules: array_column(array_filter($world->rules, fn ($rule): bool => $rule->key !== null), 'name', 'key'),
            pools: array_combine($pools, $pools),
            tags: $of('tags'),
            lists: $of('lists'),
            currency: $world->configuration->business->tariff->currency,
            audiences: array_map(fn (CoreAudience $one): string => $one->of, $world->configuration->audiences),
            linePools: array_filter(array_column($world->configuration->lines, 'pool', 'pool')),
        );
    }
}
