<?php

declare(strict_types=1);

namespace App\Sentences;

use App\Clock\TimeFormatter;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Reason;

/** Makes a reason into the sentence a person reads. */
final class Sentence
{
    /** @param  Reason|array{code: string, with: array<string, mixed>}  $reason */
    public static function of(Reason|array $reason): string
    {
        [$code, $with] = $reason instanceof Reason ? [$reason->code, $reason->with] : [$reason['code'], $reason['with']];
        $said = array_map(self::format(...), $with);
        if (isset($said['number'])) {
            $said['number'] = Numbers::pretty($said['number']);
        }
        if (isset($said['field']) && str_starts_with($code, 'template.')) {
            // As the text shows its fields: booking.starts_at is “booking starts at”.
            $said['field'] = str_replace(['_', '.'], ' ', $said['field']);
        }
        if (is_array($with['day'] ?? null)) {
            $said['day'] = TimeFormatter::dayIn(new \DateTimeImmutable($with['day']['at']), $with['day']['zone']);
        }
        $said['nearest'] = ($with['nearest'] ?? '') === '' ? '' : " Did you mean “{$said['nearest']}”?";
        $said['andmore'] = ($with['more'] ?? 0) > 0 ? " and {$said['more']} more" : '';
        if (is_string($with['zone'] ?? null)) {
            $said['place'] = TimeFormatter::place($with['zone']);
        }
        $sentence = __("reasons.$code", $said);

        return is_string($sentence) && $sentence !== "reasons.$code"
            ? trim($sentence)
            : throw new \LogicException("No sentence for $code.");
    }

    private static function format(mixed $value): string
    {
        return match (true) {
            is_array($value) && isset($value['code'], $value['with']) => self::of($value),
            is_array($value) && isset($value['at'], $value['zone']) => TimeFormatter::momentIn(
                new \DateTimeImmutable($value['at']),
                $value['zone'],
            ),
            is_array($value) => implode(', ', array_map(strval(...), $value)),
            is_bool($value) => $value ? 'yes' : 'no',
            is_scalar($value) => (string) $value,
            default => '',
        };
    }
}
