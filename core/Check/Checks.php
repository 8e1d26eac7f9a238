<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

/** All of them, in the order in which they are said. */
final class Checks
{
    /** @return list<Finding> what blocks first */
    public static function findings(Question $of): array
    {
        $findings = [];
        foreach (self::all() as $check) {
            foreach ($check->findings($of) as $finding) {
                $findings[] = $finding;
            }
        }
        usort($findings, fn (Finding $a, Finding $b): int => $b->blocks <=> $a->blocks);

        return $findings;
    }

    /** @return list<Check> */
    public static function all(): array
    {
        return [
            new UnknownField, new UnknownName, new KeywordOwned, new LineCannot, new WindowNeverOpen, new UnreachableStep,
            new AfterItsEvent, new WaitsTooLong, new EmptyField, new SeveralParts, new CostlyCharacter, new FilteredWords,
            new SaidTwice, new SameOccasion, new Ring, new BrokenExample,
        ];
    }
}
