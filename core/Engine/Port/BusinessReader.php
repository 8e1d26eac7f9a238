<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Port;

use Linnet\Core\Context\Reply;
use Linnet\Core\Engine\Published;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Record\Business;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Named;
use Linnet\Core\Record\Person;
use Linnet\Core\Record\Record;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Text\Wording\Wording;

/** What is known: the business, its people and records, and what was said. */
interface BusinessReader
{
    public function now(): \DateTimeImmutable;

    public function business(): Business;

    public function policy(): Policy;

    public function person(int $id): ?Person;

    public function record(int $id): ?Record;

    public function type(string $key): ?RecordType;

    /**
     * A person's records of a type, the newest first.
     *
     * @return list<Record>
     */
    public function recordsOf(int $personId, string $type): array;

    public function staff(int $id): ?Staff;

    public function staffByEmail(string $email): ?Staff;

    /** What another person or record is called, by its id. */
    public function nameOf(FieldKind $kind, int $id): Named|string|null;

    public function line(string $key): ?Line;

    /** @return list<Line> in their order */
    public function lines(): array;

    /**
     * What the ledger says of a number.
     *
     * @return array{optedOut: bool, optedIn: bool, mayHaveOptedOut: bool}
     */
    public function consent(string $number): array;

    public function lastReplyAt(int $personId): ?\DateTimeImmutable;

    /**
     * When something last happened about a person: they became known, they or one of their records were changed, they wrote, were tagged,
     * sent a form in.
     */
    public function lastChangeAt(int $personId): \DateTimeImmutable;

    /**
     * Texts put to a run's question since the last that was dealt with, the oldest first.
     *
     * @return list<Reply>
     */
    public function replies(int $runId, int $after): array;

    /**
     * When a person last had a text of each rule, by the rule's id.
     *
     * @return array<string, \DateTimeImmutable>
     */
    public function lastTexts(int $personId): array;

    /** @return list<Wording> */
    public function pool(string $name): array;

    public function audience(string $name): ?Audience;

    /** @return list<Published> the rules that are on */
    public function rules(): array;

    public function ruleByKey(string $key): ?Published;
}
