<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Database\DistinctValues;
use App\Models\Business;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\SavedFilter;
use App\Pages\Records\Belonging;
use App\Pages\Records\RecordsPage;
use App\Rules\StartByHand;
use App\Sentences\Sentence;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Reason;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\RecordType as CoreType;

/** A rule to be started for several at once: for whom it would be, and who is left out and why. */
final readonly class StartsPage
{
    /** More at once are not begun by hand. */
    public const MOST = 500;

    public ?RecordType $type;

    /** @var array<string, string> whom it can be started for, by what is asked */
    public array $groups;

    /** @var list<array{int, int|null}> */
    public array $able;

    /** @var list<array{string, string}> who is left out, and why */
    public array $lacking;

    public bool $isTooMany;

    public function __construct(
        public Rule $rule,
        StartByHand $start,
        private Belonging $belonging,
        public string $of,
        private \DateTimeImmutable $now,
    ) {
        $type = ($rule->version?->read() ?? $rule->written())->trigger->type();
        $this->type = $type === CoreType::PERSON ? null : RecordType::query()->with('fields')->firstWhere('key', $type);
        $this->groups = $this->groups();
        $found = isset($this->groups[$of]) ? $this->found() : [];
        $this->isTooMany = count($found) > self::MOST;
        $missing = $this->isTooMany ? [] : $start->missing($rule, $found);
        $this->able = array_values(
            array_map(fn (array $one): array => [$one[0], $one[1]], array_filter($missing, fn (array $one): bool => $one[2] === [])),
        );
        $names = Person::query()
            ->with('number')
            ->whereKey(array_column(array_filter($missing, fn (array $one): bool => $one[2] !== []), 0))
            ->get()
            ->keyBy('id');
        $lacking = [];
        foreach ($missing as [$person, , $reasons]) {
            if ($reasons !== []) {
                $lacking[] = [
                    $names[$person]?->name() ?? 'somebody',
                    implode(' ', array_map(fn (Reason $reason): string => Sentence::of($reason), $reasons)),
                ];
            }
        }
        $this->lacking = $lacking;
    }

    /** @return array<string, string> */
    private function groups(): array
    {
        if ($this->type !== null) {
            return ['all' => 'All '.mb_strtolower($this->type->plural)] +
                SavedFilter::query()
                    ->where('record_type_id', $this->type->id)
                    ->orderBy('name')
                    ->get()
                    ->mapWithKeys(fn (SavedFilter $list): array => ["kept:$list->id" => "The kept list “{$list->name}”"])
                    ->all();
        }

        $whom = ['all' => 'Everybody'];
        foreach (LabelKind::cases() as $kind) {
            foreach (DistinctValues::of('labels', 'name', ['kind' => $kind->value]) as $name) {
                $whom["$kind->value:$name"] = ($kind === LabelKind::List ? 'Everybody on the list ' : 'Everybody with the tag ')."“{$name}”";
            }
        }

        return $whom;
    }

    /** @return list<array{int, int|null}> one more than are begun, at most */
    private function found(): array
    {
        [$kind, $name] = [...explode(':', $this->of, 2), ''];
        if ($this->type === null) {
            $people = DB::table('people')->when(
                $kind !== 'all',
                fn ($some) => $some->whereIn('id', DB::table('labels')->where('kind', $kind)->where('name', $name)->select('person_id')),
            );

            return array_values(
                array_map(
                    fn (mixed $id): array => [(int) $id, null],
                    $people
                        ->orderBy('id')
                        ->limit(self::MOST + 1)
                        ->pluck('id')
                        ->all(),
                ),
            );
        }
        $records =
            $kind === 'kept'
                ? (new RecordsPage(
                    $this->type, SavedFilter::query()->findOrFail((int) $name)->asked, Business::current(), $this->now,
                    $this->belonging,
                ))->query->matching()
                : Record::query()->where('record_type_id', $this->type->id);

        return array_values(
            $records
                ->toBase()
                ->whereNotNull('records.person_id')
                ->limit(self::MOST + 1)
                ->get(['records.id', 'records.person_id'])
                ->map(fn (\stdClass $record): array => [(int) $record->person_id, (int) $record->id])
                ->all(),
        );
    }
}
