<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

use Linnet\Core\Context\Reply;
use Linnet\Core\Engine\Port\BusinessReader;
use Linnet\Core\Engine\Published;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Business;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Named;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\Audience;

final readonly class InMemoryBusinessReader implements BusinessReader
{
    public function __construct(private Sheet $sheet)
    {
    }

    public function now(): \DateTimeImmutable
    {
        return $this->sheet->now;
    }

    public function business(): Business
    {
        return $this->sheet->configuration->business;
    }

    public function policy(): Policy
    {
        return $this->sheet->configuration->policy;
    }

    public function person(int $id): ?Person
    {
        return $this->sheet->people[$id] ?? $this->sheet->beside[$id] ?? null;
    }

    public function record(int $id): ?Record
    {
        return $this->sheet->records[$id] ?? null;
    }

    public function type(string $key): ?RecordType
    {
        return $this->sheet->configuration->types[$key] ?? null;
    }

    public function recordsOf(int $personId, string $type): array
    {
        $records = array_map(fn (int $id): Record => $this->sheet->records[$id], $this->sheet->recordsOf[$personId] ?? []);

        return array_reverse(array_values(array_filter($records, fn (Record $record): bool => $record->type->key === $type)));
    }

    public function staff(int $id): ?Staff
    {
        return array_column($this->sheet->configuration->staff, null, 'id')[$id] ?? null;
    }

    public function staffByEmail(string $email): ?Staff
    {
        return array_column($this->sheet->configuration->staff, null, 'email')[$email] ?? null;
    }

    public function nameOf(FieldKind $kind, int $id): Named|string|null
    {
        $own = $kind === FieldKind::Person ? $this->person($id)->own ?? [] : [];

        return $this->sheet->names["$kind->value:$id"] ?? match (true) {
            $kind === FieldKind::Person => Named::of($own['first_name'] ?? null, $own['last_name'] ?? null),
            default => $this->record($id) === null ? null : "record $id",
        };
    }

    public function line(string $key): ?Line
    {
        return $this->sheet->lines[$key] ?? null;
    }

    public function lines(): array
    {
        return array_values($this->sheet->lines);
    }

    public function consent(string $number): array
    {
        return $this->sheet->consent[$number] ?? ['optedOut' => false, 'optedIn' => false, 'mayHaveOptedOut' => false];
    }

    public function lastReplyAt(int $personId): ?\DateTimeImmutable
    {
        return $this->sheet->lastReplyAt[$personId] ?? null;
    }

    public function lastChangeAt(int $personId): \DateTimeImmutable
    {
        return $this->sheet->lastChangeAt[$personId] ?? $this->sheet->begins;
    }

    public function replies(int $runId, int $after): array
    {
        return array_values(array_filter($this->sheet->put[$runId] ?? [], fn (Reply $heard): bool => $heard->id > $after));
    }

    public function lastTexts(int $personId): array
    {
        return $this->sheet->lastTexts[$personId] ?? [];
    }

    public function audience(string $name): ?Audience
    {
        return $this->sheet->configuration->audiences[$name] ?? null;
    }

    public function pool(string $name): array
    {
        return $this->sheet->configuration->pools[$name] ?? [];
    }

    public function rules(): array
    {
        return array_values(array_map(
            fn (InMemoryRule $rule): Published => new Published($rule->id, $rule->rule),
            array_filter($this->sheet->rules, fn (InMemoryRule $rule): bool => $rule->power === ActivationState::On),
        ));
    }

    public function ruleByKey(string $key): ?Published
    {
        foreach ($this->rules() as $published) {
            if ($published->rule->key === $key) {
                return $published;
            }
        }

        return null;
    }
}
