<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\ExternalId;
use App\Models\Number;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Staff;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Staff as Colleague;

/** Looks up what a field refers to in words: "#12" is Linnet's own number for it; anything else is a name it goes by. */
final class References
{
    /** @var array<string, int|null> */
    private array $known = [];

    /** @var array<string, int>|null staff ids by name and email in small letters */
    private ?array $staff = null;

    public function __construct(private readonly string $country, private readonly string $scope)
    {
    }

    /** @throws Refused if nobody and nothing goes by that name */
    public function find(Field $field, string $said): int
    {
        $key = "{$field->kind->value}/$field->of/$said";
        if (! array_key_exists($key, $this->known)) {
            $this->known[$key] = match ($field->kind) {
                FieldKind::Staff => $this->staff($said),
                FieldKind::Person => $this->person($said),
                default => $this->record($said, $field->of ?? ''),
            };
        }

        return $this->known[$key] ?? throw Refused::value("unknown_{$field->kind->value}", $field->name, $said);
    }

    private function staff(string $said): ?int
    {
        if ($this->staff === null) {
            $this->staff = [];
            foreach (Staff::query()->get(['id', 'name', 'email']) as $staff) {
                $this->staff += array_fill_keys(Colleague::names($staff->id, $staff->name, $staff->email), $staff->id);
            }
        }

        return $this->staff[mb_strtolower($said, 'UTF-8')] ?? null;
    }

    private function person(string $said): ?int
    {
        if (preg_match('/^#(\d{1,15})$/', $said, $own) === 1) {
            return Person::query()->find((int) $own[1])?->id;
        }
        $id = ExternalId::query()->where('scope', $this->scope)->where('external_id', $said)->first()?->person_id;
        if ($id === null) {
            try {
                $id = Number::query()->where('e164', Numbers::read($said, $this->country)->e164)->first()?->person_id;
            } catch (NotANumber) {
                $id = Person::query()->where('email', mb_strtolower($said, 'UTF-8'))->orderBy('id')->first()?->id;
            }
        }

        return $id;
    }

    private function record(string $said, string $type): ?int
    {
        $of = Record::query()->where('record_type_id', RecordType::query()->where('key', $type)->value('id'));

        return (preg_match('/^#(\d{1,15})$/', $said, $own) === 1
            ? $of->whereKey((int) $own[1])
            : $of->where('external_id', $said)
        )->first()?->id;
    }
}
