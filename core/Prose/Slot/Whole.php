<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Slot;

use Linnet\Core\Prose\Reading;

/** A whole number, and what is counted by it: 7 days. */
final readonly class Whole implements Slot
{
    /**
     * @param  string  $one  what is counted, in the singular; nothing if empty
     * @param  string  $many  in the plural
     * @param  bool  $leavesOneOut  "the last day" rather than "the last 1 day"
     */
    public function __construct(
        private int $least,
        private int $most,
        private string $one = '',
        private string $many = '',
        private bool $leavesOneOut = false,
    ) {
    }

    public function kind(): string
    {
        return 'number';
    }

    public function write(mixed $value): ?string
    {
        return is_int($value)
            ? ($this->leavesOneOut && $value === 1 ? $this->one : null) ??
                    trim(Numerals::write($value).' '.($value === 1 ? $this->one : $this->many))
            : null;
    }

    public function read(Reading $in, int $at): iterable
    {
        $number = isset($in->tokens[$at]) ? Numerals::whole($in->tokens[$at]->folded) : null;
        if ($this->leavesOneOut && ($in->tokens[$at]->folded ?? '') === $this->one) {
            yield [1, $at + 1];
        }
        $counted = $in->tokens[$at + 1]->folded ?? '';
        if (
            $number !== null &&
            $number >= $this->least &&
            $number <= $this->most &&
            ($this->one === '' || $counted === $this->one || $counted === $this->many)
        ) {
            yield [$number, $at + ($this->one === '' ? 1 : 2)];
        }
    }

    public function suggest(string $written): array
    {
        $begun = trim($written);
        $typed = preg_match('/^([\d,]+|[a-z]+)(?: |$)/D', $begun, $part) === 1 ? Numerals::whole($part[1]) : null;
        $numbers = array_filter(
            $typed === null ? [1, 2, 3, 7, 30] : [$typed],
            fn (int $one): bool => $one >= $this->least && $one <= $this->most,
        );

        return array_values(
            array_filter(
                array_map(fn (int $one): string => (string) $this->write($one), $numbers),
                fn (string $one): bool => $typed !== null || str_starts_with($one, $begun),
            ),
        );
    }
}
