<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;

/** A time of day on a clock with 24 hours; read as people write it: 9am, 9:30, 09.30, noon. */
final readonly class TimeSlot implements Slot
{
    public function kind(): string
    {
        return 'time';
    }

    public function write(mixed $value): ?string
    {
        return is_string($value) && preg_match('/^([01]\d|2[0-3]):[0-5]\d$/D', $value) === 1 ? $value : null;
    }

    public function read(Reading $in, int $at): iterable
    {
        $written = $in->tokens[$at]->folded ?? '';
        $named = ['noon' => '12:00', 'midday' => '12:00', 'midnight' => '00:00'][$written] ?? null;
        if ($named !== null) {
            yield [$named, $at + 1];
        }
        if (preg_match('/^(\d{1,2})(?:[:.](\d\d))?$/D', $written, $part) !== 1) {
            return;
        }
        [$hour, $minute] = [(int) $part[1], (int) ($part[2] ?? 0)];
        $half = $in->tokens[$at + 1]->folded ?? '';
        if (in_array($half, ['am', 'pm'], true) && $hour >= 1 && $hour <= 12 && $minute < 60) {
            yield [sprintf('%02d:%02d', $hour % 12 + ($half === 'pm' ? 12 : 0), $minute), $at + 2];
        } elseif (isset($part[2]) && $hour < 24 && $minute < 60) {
            yield [sprintf('%02d:%02d', $hour, $minute), $at + 1];
        }
    }

    public function suggest(string $written): array
    {
        $begun = trim($written);
        if (preg_match('/^(\d{1,2})$/D', $begun) === 1 && (int) $begun < 24) {
            return [sprintf('%02d:00', $begun), sprintf('%02d:30', $begun)];
        }

        return array_values(array_filter(['09:00', '10:00', '12:00', '17:30'], fn (string $one): bool => str_starts_with($one, $begun)));
    }
}
