<?php

declare(strict_types=1);

namespace App\Intake;

use App\Database\Insert;
use App\Models\Conflicts;
use App\Models\ExternalId;
use App\Models\Number;
use App\Models\Person;
use App\People\Fingerprints;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Intake\KnownPeople;
use Linnet\Core\Intake\PersonInput;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\PhoneNumber;
use Linnet\Core\Record\PlainName;

/**
 * Finds or makes the people that a batch speaks of: by their external id, then their number, then their email. Loaded for all of
 * them at once; who is made is found again later in the same batch.
 */
final class People
{
    /** @var array<string, int> person ids */
    private array $byExternalId = [];

    /** @var array<string, int> */
    private array $byNumber = [];

    /** @var array<string, int> */
    private array $byEmail = [];

    /** @var array<int, Person> */
    private array $people = [];

    /** @var list<array<string, mixed>> numbers to write */
    private array $newNumbers = [];

    private string $scope;

    private ?Insert $insert = null;

    /** @param  array<int, PersonInput>  $said */
    public function __construct(
        private readonly Conflicts $conflicts,
        private readonly ChangeOrigin $origin,
        private readonly \DateTimeImmutable $now,
        array $said,
    ) {
        $this->scope = $origin->versions === '' ? 'file' : $origin->versions;
        $externalIds = $numbers = $emails = [];
        foreach ($said as $one) {
            $externalIds[] = $one->externalId;
            $numbers[] = $one->number?->e164;
            $emails[] = $one->email;
        }
        $wanted = fn (array $values): array => array_values(
            array_unique(array_filter($values, fn (?string $value): bool => $value !== null)),
        );
        if (($externalIds = $wanted($externalIds)) !== []) {
            $this->byExternalId = ExternalId::query()
                ->where('scope', $this->scope)
                ->whereIn('external_id', $externalIds)
                ->toBase()
                ->pluck('person_id', 'external_id')
                ->all();
        }
        if (($numbers = $wanted($numbers)) !== []) {
            $this->byNumber = Number::query()->whereIn('e164', $numbers)->toBase()->pluck('person_id', 'e164')->all();
        }
        if (($emails = $wanted($emails)) !== []) {
            $this->byEmail = Person::query()->whereIn('email', $emails)->toBase()->orderByDesc('id')->pluck('id', 'email')->all();
        }
        $ids = array_unique([...array_values($this->byExternalId), ...array_values($this->byNumber), ...array_values($this->byEmail)]);
        if ($ids !== []) {
            $this->people = Person::query()->whereKey($ids)->with('number')->get()->keyBy('id')->all();
        }
    }

    /**
     * @param  KnownPeople  $known  what is done with somebody who is known already
     * @return array{Person, bool, array<string, array{mixed, mixed}>}|null the person, whether they are new, and what was altered of
     *                                                                      them (before and after); null where nobody is spoken of
     *
     * @throws Refused where what they are known by leads to two people, and the account's rule refuses that
     */
    public function upsert(PersonInput $said, KnownPeople $known): ?array
    {
        if (! $said->isSomebody()) {
            return null;
        }
        $id = $this->find($said);
        if ($id === null) {
            return [$this->create($said), true, []];
        }
        $person = $this->people[$id];
        $altered = $known === KnownPeople::Leave ? [] : $this->alter($person, $said, $known === KnownPeople::Overwrite);
        $this->name($person->id, $said->externalId);

        return [$person, false, $altered];
    }

    /**
     * @return array<string, array{mixed, mixed}> what was altered: before and after
     *
     * @throws Refused where the number belongs to somebody else
     */
    public function edit(Person $person, PersonInput $said): array
    {
        $number = $said->number->e164 ?? '';
        $owner = $this->byNumber[$number] ?? null;
        if ($owner !== null && $owner !== $person->id) {
            throw Refused::because('number_taken', ['number' => $number, 'who' => $this->people[$owner]->name()]);
        }
        $altered = $this->alter($person, $said, true);
        $this->name($person->id, $said->externalId);

        return $altered;
    }

    /** Writes what was put off. */
    public function flush(): void
    {
        foreach (array_chunk($this->newNumbers, 500) as $chunk) {
            DB::table('numbers')->insert($chunk);
            Fingerprints::recall(array_column($chunk, 'person_id', 'e164'), $this->now);
        }
        $this->newNumbers = [];
    }

    private function find(PersonInput $said): ?int
    {
        $found = array_filter([
            'external_id' => $said->externalId === null ? null : $this->byExternalId[$said->externalId] ?? null,
            'number' => $said->number === null ? null : $this->byNumber[$said->number->e164] ?? null,
            'email' => $said->email === null ? null : $this->byEmail[$said->email] ?? null,
        ], fn (?int $id): bool => $id !== null);
        if ($this->conflicts === Conflicts::Refuse && count(array_unique($found)) > 1) {
            [$one, $other] = array_slice(array_values(array_unique($found)), 0, 2);
            throw Refused::because('two_people', ['one' => $this->people[$one]->name(), 'other' => $this->people[$other]->name()]);
        }

        return array_values($found)[0] ?? null;
    }

    private function create(PersonInput $said): Person
    {
        $columns = [
            ...array_fill_keys(['first_name', 'last_name', 'zone', 'locale'], null),
            ...array_filter(self::own($said), fn (string $value): bool => $value !== ''),
            'email' => $said->email,
            'fields' => json_encode((object) array_filter($said->fields, fn (mixed $value): bool => $value !== null), JSON_THROW_ON_ERROR),
            'added_at' => $this->now->format('Y-m-d H:i:s'), 'import_id' => $this->origin->importId,
        ];
        $this->insert ??= new Insert('people', array_keys($columns));
        $id = $this->insert->row($columns);
        $person = (new Person)->newFromBuilder(['id' => $id] + $columns);
        $this->people[$id] = $person;
        if ($said->number !== null) {
            $this->number($person->id, $said->number, 0);
        }
        if ($said->email !== null) {
            $this->byEmail[$said->email] ??= $person->id;
        }
        $this->name($person->id, $said->externalId);

        return $person;
    }

    /** @return array<string, string> what is said of them; a number is nobody's name */
    private static function own(PersonInput $said): array
    {
        return array_filter(
            $said->own,
            fn (string $value, string $key): bool => ! in_array($key, ['first_name', 'last_name'], true) || ! PlainName::isNumber($value),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return array<string, array{mixed, mixed}> before and after, by field */
    private function alter(Person $person, PersonInput $said, bool $overwrite): array
    {
        $altered = [];
        foreach (self::own($said) + ($said->email === null ? [] : ['email' => $said->email]) as $key => $value) {
            $before = $person->getAttribute($key);
            // Emptied on purpose, by hand.
            $value = $value === '' ? null : $value;
            if ($before !== $value && ($overwrite || $before === null || $before === '')) {
                $person->setAttribute($key, $value);
                $altered[$key] = [$before, $value];
            }
        }
        $fields = $person->fields;
        foreach ($said->fields as $key => $value) {
            $before = $fields[$key] ?? null;
            if ($before !== $value && ($overwrite || $before === null)) {
                $fields[$key] = $value;
                $altered[$key] = [$before, $value];
            }
        }
        if ($altered !== []) {
            $person->fields = array_filter($fields, fn (mixed $value): bool => $value !== null);
            $person->save();
        }
        if ($said->number !== null && ! isset($this->byNumber[$said->number->e164])) {
            // A number that is new for somebody known is the one to use where their system is to be believed.
            $this->number(
                $person->id,
                $said->number,
                $overwrite ? 1 + (int) Number::query()->where('person_id', $person->id)->max('rank') : 0,
            );
            $altered['number'] = [null, $said->number->e164];
        }

        return $altered;
    }

    private function number(int $personId, PhoneNumber $number, int $rank): void
    {
        if (isset($this->byNumber[$number->e164])) {
            return;
        }
        $this->byNumber[$number->e164] = $personId;
        $this->newNumbers[] = [
            'person_id' => $personId, 'e164' => $number->e164, 'country' => $number->country, 'kind' => $number->kind->value,
            'zones' => json_encode($number->zones, JSON_THROW_ON_ERROR), 'rank' => $rank,
        ];
    }

    private function name(int $personId, ?string $externalId): void
    {
        if ($externalId !== null && ! isset($this->byExternalId[$externalId])) {
            $this->byExternalId[$externalId] = $personId;
            DB::table('external_ids')->insert(['person_id' => $personId, 'scope' => $this->scope, 'external_id' => $externalId]);
        }
    }
}
