<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Example\Expected;

/** An example that would go otherwise than it is expected to. */
final class BrokenExample implements Check
{
    public function findings(Question $of): iterable
    {
        foreach ($of->examples as [$example, $came]) {
            $reason = self::differs($example, $came);
            if ($reason !== null) {
                yield new Finding($reason[0], false, $of->rule->flow->step($reason[1]) === null ? null : $reason[1]);
            }
        }
    }

    /**
     * What is different first.
     *
     * @param  list<Expected>  $came
     * @return array{Reason, string}|null the step it is about with it; null where nothing is
     */
    public static function differs(Example $example, array $came): ?array
    {
        foreach ($example->expects as $i => $expected) {
            $now = $came[$i] ?? null;
            $different = match (true) {
                $now === null || ($now->step !== $expected->step && count($came) < count($example->expects)) => self::describe(
                    'less',
                    $example,
                    $expected,
                ),
                $now->step !== $expected->step => self::describe('more', $example, $now),
                $now->at->getTimestamp() !== $expected->at->getTimestamp() => self::describe('moved', $example, $now, [
                    'was' => Reason::moment($expected->at, $example->zone),
                ]),
                ! $expected->isSaidBy($now) => self::describe('reads', $example, $now, ['was' => $expected->begins]),
                default => null,
            };
            if ($different !== null) {
                return $different;
            }
        }
        $more = $came[count($example->expects)] ?? null;

        return $more === null ? null : self::describe('more', $example, $more);
    }

    /**
     * @param  array<string, string|array{at: string, zone: string}>  $more
     * @return array{Reason, string}
     */
    private static function describe(string $code, Example $example, Expected $one, array $more = []): array
    {
        return [
            new Reason(
                "check.example_$code",
                ['name' => $example->name, 'words' => $one->begins, 'at' => Reason::moment($one->at, $example->zone)] + $more,
            ),
            $one->step,
        ];
    }
}
