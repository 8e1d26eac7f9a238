<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rehearsal\RehearsedText;

/**
 * What one person would get from two rules that begin with the same, one below the other along one axis. All lengths in units of the
 * drawing.
 */
final readonly class Overlap
{
    public const WIDTH = 290;

    public const LANE = 52;

    private const LEFT = 8;

    private const RIGHT = 240;

    /** @var list<array{name: string, starts: bool, texts: list<array{x: float, when: string}>}> */
    public array $lanes;

    /** @param  array<string, Rehearsed|null>  $rehearsed  by the name of the rule; null where it would not start for them */
    public function __construct(array $rehearsed, public string $who, string $zone)
    {
        $times = [];
        foreach ($rehearsed as $one) {
            foreach (self::left($one) as $text) {
                $times[] = $text->leavesAt?->getTimestamp() ?? 0;
            }
        }
        $from = $times === [] ? 0 : min($times);
        $long = $times === [] ? 1 : max(1, max($times) - $from);
        $lanes = [];
        foreach ($rehearsed as $name => $one) {
            $lanes[] = ['name' => $name, 'starts' => $one !== null, 'texts' => array_map(fn (RehearsedText $text): array => [
                'x' => round(self::LEFT + (self::RIGHT - self::LEFT) * ((($text->leavesAt?->getTimestamp() ?? $from) - $from) / $long), 1),
                'when' => $text->leavesAt?->setTimezone(new \DateTimeZone($zone))->format('D j M H:i') ?? '',
            ], self::left($one))];
        }
        $this->lanes = $lanes;
    }

    public function height(): int
    {
        return self::LANE * count($this->lanes);
    }

    /** @return list<RehearsedText> */
    private static function left(?Rehearsed $rehearsed): array
    {
        return array_values(array_filter($rehearsed->texts ?? [], fn (RehearsedText $text): bool => $text->leavesAt !== null));
    }
}
