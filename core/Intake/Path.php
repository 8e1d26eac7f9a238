<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/**
 * A way to a value inside a delivery: names parted by dots, [0] for one item of a list, [] for each. A dot or bracket that belongs
 * to a name has a backslash before it.
 */
final readonly class Path
{
    /** @param  list<string|int|null>  $steps null: each item */
    private function __construct(public array $steps, private string $written)
    {
    }

    public static function parse(string $written): ?self
    {
        $steps = [];
        $rest = trim($written);
        while ($rest !== '') {
            if (preg_match('/^\[(\d{0,6})\](\.(?=.)|(?=\[)|$)/', $rest, $found) === 1) {
                $steps[] = $found[1] === '' ? null : (int) $found[1];
            } elseif (preg_match('/^((?:[^.\[\]\\\\]|\\\\.)+)(\.(?=.)|(?=\[)|$)/us', $rest, $found) === 1) {
                $steps[] = (string) preg_replace('/\\\\(.)/us', '$1', $found[1]);
            } else {
                return null;
            }
            $rest = substr($rest, strlen($found[0]));
        }

        return $steps === [] || count($steps) > 32 ? null : new self($steps, trim($written));
    }

    /** @param  non-empty-list<string|int|null>  $steps */
    public static function of(array $steps): self
    {
        $written = '';
        foreach ($steps as $step) {
            $written .= is_string($step)
                ? ($written === '' ? '' : '.').preg_replace('/[.\[\]\\\\]/', '\\\\$0', $step)
                : "[$step]";
        }

        return new self($steps, $written);
    }

    /** Whether it can lead to several values. */
    public function isMany(): bool
    {
        return in_array(null, $this->steps, true);
    }

    /** Whether something stands there, if only null. */
    public function exists(mixed $tree): bool
    {
        return self::walk($this->steps, $tree) !== [];
    }

    /** The value, a list of values where it leads to each of several, or null. */
    public function find(mixed $tree): mixed
    {
        $found = self::walk($this->steps, $tree);

        return $this->isMany() ? $found : ($found[0] ?? null);
    }

    public function __toString(): string
    {
        return $this->written;
    }

    /**
     * @param  list<string|int|null>  $steps
     * @return list<mixed>
     */
    private static function walk(array $steps, mixed $tree): array
    {
        foreach ($steps as $i => $step) {
            if (! is_array($tree)) {
                return [];
            }
            if ($step === null) {
                $rest = array_slice($steps, $i + 1);

                return array_merge(
                    ...array_map(fn (mixed $item): array => self::walk($rest, $item), array_is_list($tree) ? $tree : []),
                    ...[[]],
                );
            }
            if (! array_key_exists($step, $tree)) {
                return [];
            }
            $tree = $tree[$step];
        }

        return [$tree];
    }
}
