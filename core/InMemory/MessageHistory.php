<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

/** What the gate and the choice of wordings count: texts that left, and what came of them. */
final class MessageHistory
{
    /** @var array<string, array<string, int>> by what they are counted under, and wording */
    public array $times = [];

    /** @var array<string, array<string, int>> the same, with the person */
    public array $byPerson = [];

    /**
     * @var array<int, array<string, array<string, array{left: \DateTimeImmutable|null, wanted: \DateTimeImmutable, held: bool}>>> what was
     * said, by person, fingerprint of the words, and text
     */
    public array $said = [];

    /** @var array<int, list<\DateTimeImmutable>> when they had their last automatic texts, by person, the newest first */
    public array $recent = [];

    /** @var list<array{\DateTimeImmutable, int}> when how much was spent, in millionths, the earliest first */
    public array $spent = [];

    /** @var array<int, int> what was spent since a moment that was asked about */
    public array $sums = [];

    /** @var array<string, list<int>> the last slots of each line, in seconds since 1970, in their order */
    public array $departed = [];

    /** @var array<string, int> how many slots of a line came before those that are known one by one */
    public array $departedBefore = [];

    /** @var array<int, array<string, \DateTimeImmutable>> when each line was last used, by person */
    public array $lines = [];

    /** @var array<string, string> codes given, by list and person */
    public array $codes = [];

    /** @var array<string, int> how many codes of a list are given */
    public array $given = [];
}
