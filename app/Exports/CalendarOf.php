<?php

declare(strict_types=1);

namespace App\Exports;

use App\Models\Business;
use App\Models\Calendar;
use App\Models\Record;
use App\Records\FieldColumn;
use App\Records\Shown;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\PlainName;
use Sabre\VObject\Component\VCalendar;

/** Records as a calendar (RFC 5545): a month back, a year ahead; the person's number is left out, since an address can leak. */
final class CalendarOf
{
    private const MOST = 5000;

    public static function records(Calendar $calendar, \DateTimeImmutable $now): string
    {
        $type = $calendar->type;
        $business = Business::current();
        $start = $type->field($type->start_field);
        $written = new VCalendar(['PRODID' => '-//Linnet//EN', 'X-WR-CALNAME' => $calendar->name, 'METHOD' => 'PUBLISH']);
        if ($start === null) {
            return $written->serialize();
        }
        $format = $start->kind === FieldKind::Date ? 'Y-m-d' : 'Y-m-d\TH:i:s\Z';
        $sql = FieldColumn::sql($start);
        $records = Record::query()
            ->whereRaw(FieldColumn::ofType($type->id))
            ->whereRaw("$sql >= ? and $sql < ?", [$now->modify('-31 days')->format($format), $now->modify('+366 days')->format($format)])
            ->orderByRaw($sql)
            ->with('person.number')
            ->limit(self::MOST)
            ->get();
        $shown = new Shown($type, $records->map(fn (Record $record): array => $record->values), $business->zone, $business->currency());
        foreach ($records as $record) {
            $record->setRelation('type', $type);
            $begins = new \DateTimeImmutable((string) $record->values[$start->key], new \DateTimeZone('UTC'));
            $ends = $type->end_field === null ? null : $record->values[$type->end_field] ?? null;
            $stage = $type->stage_field === null ? '' : (string) ($record->values[$type->stage_field] ?? '');
            $event = $written->createComponent('VEVENT', [
                'UID' => "record-$record->id@$business->install", 'DTSTAMP' => $record->changed_at, 'LAST-MODIFIED' => $record->changed_at,
                'SUMMARY' => implode(', ', array_filter([self::called($record), self::name($record)])),
                'DESCRIPTION' => implode(
                    "\n",
                    array_filter(
                        $type->fields
                            ->filter(
                                fn ($field): bool => ! in_array(
                                    $field->kind,
                                    [FieldKind::LongText, FieldKind::Phone, FieldKind::Email, FieldKind::Person],
                                    true,
                                ),
                            )
                            ->map(
                                fn ($field): string => ($said = $shown->key($field->key, $record->values[$field->key] ?? null)) === ''
                                    ? ''
                                    : "$field->name: $said",
                            )
                            ->all(),
                    ),
                ),
                'STATUS' => preg_match('/cancel/i', $stage) === 1 ? 'CANCELLED' : 'CONFIRMED',
            ]);
            $written->add($event);
            if ($start->kind === FieldKind::Date) {
                $event->add('DTSTART', $begins->format('Ymd'), ['VALUE' => 'DATE']);
            } else {
                $event->add('DTSTART', $begins);
                $event->add('DTEND', is_string($ends) ? new \DateTimeImmutable($ends) : $begins->modify('+1 hour'));
            }
        }

        return $written->serialize();
    }

    /** What the record is called, where that is no number or address of somebody. */
    private static function called(Record $record): string
    {
        $kind = $record->type->field($record->type->title_field)?->kind;
        $called = $record->called();

        return in_array($kind, [FieldKind::Phone, FieldKind::Email, FieldKind::Person], true) || PlainName::isNumber($called)
            ? $record->type->name
            : $called;
    }

    private static function name(Record $record): string
    {
        $name = trim("{$record->person?->first_name} {$record->person?->last_name}");

        return PlainName::isNumber($name) ? '' : $name;
    }
}
