<?php

declare(strict_types=1);

namespace App\Forms;

use App\Intake\ChangeOrigin;
use App\Intake\RecordWriter;
use App\Models\FormSend;
use App\Models\Person;
use Linnet\Core\Intake\PersonInput;

/**
 * What a form says about somebody who is known already. Anybody can type another's number: it is kept beside them. Once the number
 * confirms the form by text, what was empty is filled in; what would replace something is for one of us to take.
 */
final readonly class SaidOfThemselves
{
    public function __construct(private RecordWriter $writer)
    {
    }

    /** @return array<string, scalar>|null what is kept beside them, the business's own fields under "fields."; null where nothing is */
    public static function of(Filled $filled): ?array
    {
        $said = array_filter(['first_name' => $filled->name] + $filled->own, fn (?string $value): bool => $value !== null);
        foreach ($filled->fields as $key => $value) {
            $value === null || $said["fields.$key"] = $value;
        }

        return $said === [] ? null : $said;
    }

    /**
     * It is written to them.
     *
     * @param  bool  $fillsOnly  what they have already stays, and waits to be taken
     */
    public function take(FormSend $send, ChangeOrigin $origin, \DateTimeImmutable $now, bool $fillsOnly = false): void
    {
        if ($send->said === null || $send->taken_at !== null) {
            return;
        }
        $person = Person::query()->findOrFail($send->person_id);
        $isNew = fn (string $key): bool => ! $fillsOnly || self::has($person, $key) === null;
        $said = array_filter($send->said, $isNew, ARRAY_FILTER_USE_KEY);
        $own = $fields = [];
        foreach ($said as $key => $value) {
            if (str_starts_with($key, 'fields.')) {
                $fields[substr($key, 7)] = $value;
            } elseif ($key !== 'email') {
                $own[$key] = (string) $value;
            }
        }
        $email = $said['email'] ?? null;
        $this->writer->editPerson(
            $person,
            new PersonInput(email: $email === null ? null : (string) $email, own: $own, fields: $fields),
            $origin,
        );
        count($said) === count($send->said) && $send->update(['taken_at' => $now]);
    }

    /** The number has said yes: the last they sent by that form is theirs. */
    public function confirmed(int $form, int $person, string $called, \DateTimeImmutable $now): void
    {
        $last = FormSend::query()->where('form_id', $form)->where('person_id', $person)->whereNotNull('said')->orderByDesc('id')->first();
        $last === null || $this->take($last, ChangeOrigin::form($called), $now, fillsOnly: true);
    }

    private static function has(Person $person, string $key): mixed
    {
        return str_starts_with($key, 'fields.') ? $person->fields[substr($key, 7)] ?? null : $person->getAttribute($key);
    }
}
