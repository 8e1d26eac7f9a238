<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;
use Linnet\Core\Time\Span;
use Linnet\Core\Time\Unit;

/** A length of time: 20 minutes, 3 working days, half an hour. */
final readonly class SpanSlot implements Slot
{
    private const SHORT = [
        'min' => Unit::Minutes, 'mins' => Unit::Minutes, 'm' => Unit::Minutes, 'h' => Unit::Hours, 'hr' => Unit::Hours,
        'hrs' => Unit::Hours, 'd' => Unit::Days, 'w' => Unit::Weeks, 'wk' => Unit::Weeks,
    ];

    public function kind(): string
    {
        return 'span';
    }

    /** A span as it is said: "1 day", "3 working days". */
    public static function format(Span $span): string
    {
        $unit = str_replace('_', ' ', $span->unit->value);

        return Numerals::write($span->amount).' '.($span->amount === 1 ? rtrim($unit, 's') : $unit);
    }

    public function write(mixed $value): ?string
    {
        $unit = is_array($value) && is_string($value['unit'] ?? null) ? Unit::tryFrom($value['unit']) : null;
        $span =
            $unit !== null && is_array($value) && is_int($value['amount'] ?? null) && count($value) === 2
                ? Span::of($value['amount'], $unit)
                : null;

        return $span === null ? null : self::format($span);
    }

    public function read(Reading $in, int $at): iterable
    {
        $token = fn (int $i): string => $in->tokens[$at + $i]->folded ?? '';
        if ($token(0) === 'half' && $token(1) === 'an' && $token(2) === 'hour') {
            yield [['amount' => 30, 'unit' => Unit::Minutes->value], $at + 3];
        }
        $amount = Numerals::whole($token(0));
        [$unit, $words] = $amount === null ? [null, 0] : self::unit($token(1), $token(2));
        if ($amount !== null && $unit !== null && Span::of($amount, $unit) !== null) {
            yield [['amount' => $amount, 'unit' => $unit->value], $at + 1 + $words];
        }
    }

    public function suggest(string $written): array
    {
        $begun = mb_strtolower(trim($written), 'UTF-8');
        $amount = preg_match('/^([\d,]+|[a-z]+)(?: |$)/D', $begun, $part) === 1 ? Numerals::whole($part[1]) : null;
        if ($amount === null) {
            return array_values(
                array_filter(
                    ['1 minute', '20 minutes', '1 hour', '2 hours', '1 day', '3 working days', '2 weeks'],
                    fn (string $one): bool => str_starts_with($one, $begun),
                ),
            );
        }
        $all = array_filter(array_map(fn (Unit $unit): ?Span => Span::of($amount, $unit), Unit::cases()));
        $rest = ltrim(substr($begun, strlen($part[1] ?? '')));

        return array_values(
            array_filter(
                array_map(self::format(...), $all),
                fn (string $one): bool => str_starts_with(substr($one, strpos($one, ' ') + 1), $rest),
            ),
        );
    }

    /** @return array{Unit|null, int} the unit, and in how many words it is written */
    private static function unit(string $first, string $second): array
    {
        foreach (Unit::cases() as $unit) {
            $words = explode('_', $unit->value);
            $last = array_pop($words);
            $written = $words === [] ? $first : ($words[0] === $first ? $second : '');
            if ($written === $last || $written === rtrim($last, 's')) {
                return [$unit, count($words) + 1];
            }
        }

        return [self::SHORT[$first] ?? null, 1];
    }
}
