<?php

declare(strict_types=1);

namespace App\Api;

use App\Models\Change;
use App\Models\ExternalId;
use App\Models\Field;
use App\Models\Message;
use App\Models\Number;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Run;
use Linnet\Core\Record\FieldKind;

/** Things as the API gives them. Times are ISO 8601 in UTC. */
final class Shapes
{
    /** @return array<string, mixed> */
    public static function person(Person $person): array
    {
        $labels = fn (string $kind): array => $person->labels->where('kind', $kind)->pluck('name')->values()->all();

        return [
            'id' => $person->id, 'first_name' => $person->first_name, 'last_name' => $person->last_name, 'email' => $person->email,
            'time_zone' => $person->zone, 'locale' => $person->locale,
            'numbers' => $person->numbers
                ->sortByDesc('rank')
                ->values()
                ->map(fn (Number $number): array => ['number' => $number->e164, 'kind' => $number->kind->value, 'alive' => $number->alive])
                ->all(),
            'external_ids' => $person->externalIds
                ->map(fn (ExternalId $id): array => ['scope' => $id->scope, 'id' => $id->external_id])
                ->all(),
            'tags' => $labels('tag'),
            'lists' => $labels('list'),
            'fields' => (object) $person->fields,
            'added_at' => self::time($person->added_at),
        ];
    }

    /** @return array<string, mixed> */
    public static function type(RecordType $type): array
    {
        return [
            'type' => $type->key, 'name' => $type->name, 'plural' => $type->plural, 'person_field' => $type->person_field,
            'title_field' => $type->title_field, 'start_field' => $type->start_field, 'end_field' => $type->end_field,
            'stage_field' => $type->stage_field,
            'fields' => $type->fields
                ->map(
                    fn (Field $field): array => ['key' => $field->key, 'name' => $field->name, 'kind' => $field->kind->value] +
                        ($field->kind === FieldKind::Choice ? ['options' => $field->options] : []) +
                        ($field->kind === FieldKind::Record ? ['of' => $field->of] : []),
                )
                ->values()
                ->all(),
        ];
    }

    /** @return array<string, mixed> */
    public static function record(Record $record): array
    {
        return [
            'id' => $record->id, 'type' => $record->type->key, 'external_id' => $record->external_id, 'person_id' => $record->person_id,
            'fields' => (object) $record->values, 'added_at' => self::time($record->added_at),
            'changed_at' => self::time($record->changed_at),
        ];
    }

    /** @return array<string, mixed> */
    public static function change(Change $change): array
    {
        return [
            'id' => $change->id, 'kind' => $change->kind->value, 'record_id' => $change->record_id, 'person_id' => $change->person_id,
            'from' => $change->from === null ? null : (object) $change->from, 'to' => $change->to === null ? null : (object) $change->to,
            'way' => $change->way->value, 'via' => $change->via, 'at' => self::time($change->at),
        ];
    }

    /** @return array<string, mixed> */
    public static function text(Message $text): array
    {
        return [
            'id' => $text->id,
            'direction' => $text->isInbound() ? 'in' : 'out',
            'origin' => $text->origin->value,
            'state' => $text->state->value,
            'person_id' => $text->person_id,
            'number' => $text->number,
            'line' => $text->line->number,
            'body' => $text->body,
            'rule_id' => $text->rule_id,
            'run_id' => $text->run_id,
            'parts' => $text->parts,
            'price' => $text->currency === null
                ? null
                : ['amount' => sprintf('%.6F', $text->price_micros / 1e6), 'currency' => $text->currency],
            'reason' => $text->reason === null ? null : \App\Sentences\Sentence::of($text->reason),
            'wanted_at' => self::time($text->wanted_at), 'left_at' => self::time($text->left_at),
            'status_at' => self::time($text->status_at),
            // By its former name, for one release.
            'fate_at' => self::time($text->status_at),
        ];
    }

    /** @return array<string, mixed> */
    public static function rule(Rule $rule): array
    {
        return [
            'id' => $rule->id, 'name' => $rule->name, 'power' => $rule->power->value, 'version' => $rule->version?->number,
            'document' => $rule->version?->document,
        ];
    }

    /** @return array<string, mixed> */
    public static function run(Run $run): array
    {
        return [
            'id' => $run->id, 'rule_id' => $run->rule_id, 'version' => $run->version->number, 'person_id' => $run->person_id,
            'record_id' => $run->record_id, 'live' => $run->live, 'outcome' => $run->outcome, 'step' => $run->state['step'] ?? null,
            'began_at' => self::time($run->began_at), 'ended_at' => self::time($run->ended_at),
        ];
    }

    private static function time(?\DateTimeInterface $at): ?string
    {
        return $at?->format('Y-m-d\TH:i:s\Z');
    }
}
