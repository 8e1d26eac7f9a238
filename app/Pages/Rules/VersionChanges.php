<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Models\RuleVersion;
use Linnet\Core\Prose\Edit\Difference;
use Linnet\Core\Prose\RuleWriter;

/** What a version changed, in words. */
final class VersionChanges
{
    /** So many lines around a change are shown. */
    private const AROUND = 1;

    /**
     * @param  list<RuleVersion>  $versions  the newest first
     * @return array<int, list<array{string, string}>> by number: "-", "+" or "" and the line, "…" for lines left out
     */
    public static function all(RuleWriter $writer, array $versions): array
    {
        $texts = array_map(fn (RuleVersion $version): array => explode("\n", rtrim($writer->text($version->read()), "\n")), $versions);
        $said = [];
        foreach ($versions as $i => $version) {
            $said[$version->number] = isset($texts[$i + 1]) ? self::cut(Difference::lines($texts[$i + 1], $texts[$i])) : [];
        }

        return $said;
    }

    /**
     * @param  list<array{string, string}>  $lines
     * @return list<array{string, string}>
     */
    private static function cut(array $lines): array
    {
        $cut = [];
        foreach ($lines as $i => $line) {
            $near = array_filter(
                array_slice($lines, max(0, $i - self::AROUND), 2 * self::AROUND + 1),
                fn (array $one): bool => $one[0] !== '',
            );
            if ($near !== []) {
                $cut[] = $line;
            } elseif ($cut !== [] && $cut[count($cut) - 1] !== ['', '…']) {
                $cut[] = ['', '…'];
            }
        }

        return $cut;
    }
}
