<?php

declare(strict_types=1);

namespace App\Engine;

use App\Engine\Store\DatabaseBusinessReader;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Message;
use Linnet\Core\Context\Subject;
use Linnet\Core\Engine\Cause;
use Linnet\Core\Engine\DomainEvent;
use Linnet\Core\Record\Change as Core;
use Linnet\Core\Record\Change\AskedBy;
use Linnet\Core\Record\Change\LabelKind;
use Linnet\Core\Record\Change\ReportedStatus;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Record;

/** Reads a stored change as the engine takes it. */
final readonly class DomainEventReader
{
    public function __construct(private DatabaseBusinessReader $reader)
    {
    }

    public function of(Change $change): ?DomainEvent
    {
        $record = $change->record_id === null ? null : $this->reader->record($change->record_id);
        $message = $change->message_id === null ? null : Message::query()->find($change->message_id);
        $with = $change->with ?? [];
        $line = match (true) {
            $message !== null => $this->reader->lineKey($message->line_id),
            $record !== null => Line::broughtBy($record, $this->reader->lines())?->key,
            default => null,
        };
        $said = match ($change->kind) {
            ChangeKind::RecordAdded => $record === null ? null : new Core\RecordAdded($record->type->key),
            ChangeKind::RecordChanged => $record === null
                ? null
                : Core\RecordChanged::of($record->type, $change->from ?? [], $change->to ?? []),
            ChangeKind::PersonAdded => new Core\PersonAdded,
            ChangeKind::PersonChanged => new Core\PersonChanged($change->from ?? [], $change->to ?? []),
            ChangeKind::TextReceived => new Core\TextReceived(
                isset($with['rule_id']) ? (string) $with['rule_id'] : null, (string) $line, (string) $message?->body,
                (string) ($with['remark'] ?? ''),
            ),
            ChangeKind::LabelChanged => new Core\LabelChanged(
                LabelKind::from((string) $with['label']),
                (string) $with['name'],
                (bool) $with['added'],
            ),
            ChangeKind::FormSent => new Core\FormSent((string) $with['form']),
            ChangeKind::StatusReported => new Core\StatusReported(
                ReportedStatus::from((string) $with['fate']),
                isset($with['rule']) ? (string) $with['rule'] : null,
            ),
            ChangeKind::Asked => new Core\Asked((string) $with['rule_id'], AskedBy::from((string) $with['by'])),
        };

        return $said === null
            ? null
            : new DomainEvent(
                (string) $change->id, $said, $this->subject($change->person_id, $record), $change->at->toDateTimeImmutable(), $line,
                $message?->number, new Cause($change->cause ?? []),
            );
    }

    public function subject(?int $personId, ?Record $record): Subject
    {
        return $record === null
            ? new Subject($personId)
            : new Subject($record->personId ?? $personId, $record->id, $record->startsAt($this->reader->business()->zone));
    }
}
