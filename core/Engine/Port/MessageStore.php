<?php

declare(strict_types=1);

namespace Linnet\Core\Engine\Port;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Run;
use Linnet\Core\Text\Wording\Used;

/** The texts that go out, and what the gate counts. */
interface MessageStore
{
    /** @param  string  $name step/round */
    public function of(Run $run, string $name): ?OutText;

    public function save(OutText $text): void;

    /** When to put it before the gate again; null where somebody has to act first. */
    public function hold(OutText $text, ?\DateTimeImmutable $until): void;

    /** @param  bool  $isLimited  some may be sent so often and no more: nobody else chooses meanwhile */
    public function used(string $wordings, ?int $personId, bool $isLimited): Used;

    /** Counts one more, or one less, use of a wording. */
    public function count(string $wordings, string $wording, ?int $personId, int $by): void;

    /** Whether this person has had an automatic text from this line. */
    public function hasOpened(int $personId, string $line): bool;

    /**
     * When these words last went to this person, since a moment.
     *
     * @param  string  $words  as they stood before Linnet's own additions
     */
    public function sameSentAt(int $personId, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable;

    /**
     * Since when another text with the same words to this person has been held until a moment, wanted no later than this one; null for
     * none.
     */
    public function sameHeldSince(OutText $text, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable;

    /** @return list<\DateTimeImmutable> when a person had their last automatic texts, the newest first */
    public function recent(int $personId, int $many): array;

    /** What automatic texts have cost since a moment, in millionths. */
    public function spentSince(\DateTimeImmutable $since): int;

    /**
     * When the k-th last text left a line, or will, in seconds since 1970.
     *
     * @param  list<int>  $ks
     * @return array{array<int, int>, int} by k, and how many there have been
     */
    public function reservedSlots(string $line, array $ks): array;

    public function reserveSlot(string $line, \DateTimeImmutable $at): void;

    /**
     * The line last used with a person.
     *
     * @param  list<string>  $among  keys of the lines that count; all if empty
     */
    public function lastLine(int $personId, array $among): ?string;

    /** A person's code of a list: the one they have, else an unused one; null where all are used. */
    public function code(string $list, int $personId): ?string;
}
