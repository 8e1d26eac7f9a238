<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Slot\Slot;

/** One sentence while it is read: every phrase is tried once at each place, and what could have stood there is kept. */
final class Reading
{
    /** @var list<Token> */
    public readonly array $tokens;

    /** @var \WeakMap<Phrase, array<string, list<Found>>> by place */
    private \WeakMap $tried;

    /** @var array<int, array<string, string>> fixed words by the place at which they were looked for */
    private array $words = [];

    /** @var array<int, array<int, Slot>> */
    private array $slots = [];

    private int $quiet = 0;

    public function __construct(public readonly string $text)
    {
        $this->tokens = Token::all($text);
        $this->tried = new \WeakMap;
    }

    /** @return list<Found> */
    public function at(Phrase $phrase, int $at): array
    {
        $key = $at.($this->quiet > 0 ? ' quiet' : '');
        $tried = $this->tried[$phrase] ?? [];
        if (! isset($tried[$key])) {
            // A phrase that begins with itself finds nothing there.
            $this->tried[$phrase] = [$key => []] + $tried;
            $found = self::distinct($phrase->read($this, $at));
            $this->tried[$phrase] = [$key => $found] + ($this->tried[$phrase] ?? []);

            return $found;
        }

        return $tried[$key];
    }

    /**
     * Reads without keeping what could have stood there: for what is understood and not offered.
     *
     * @return list<Found>
     */
    public function quietly(Phrase $phrase, int $at): array
    {
        $this->quiet++;
        $found = $this->at($phrase, $at);
        $this->quiet--;

        return $found;
    }

    public function expectWords(int $at, string $words): void
    {
        if ($this->quiet === 0) {
            $this->words[$at][$words] = $words;
        }
    }

    public function expect(int $at, Slot $slot): void
    {
        if ($this->quiet === 0) {
            $this->slots[$at][spl_object_id($slot)] = $slot;
        }
    }

    /** The furthest token at which anything was looked for. */
    public function furthest(): int
    {
        return max([0, ...array_keys($this->words), ...array_keys($this->slots)]);
    }

    /** @return array<int, list<string>> by place */
    public function words(): array
    {
        return array_map(array_values(...), $this->words);
    }

    /** @return array<int, list<Slot>> by place */
    public function slots(): array
    {
        return array_map(array_values(...), $this->slots);
    }

    /** Where a token begins, in bytes; the end of the text behind the last. */
    public function start(int $at): int
    {
        return isset($this->tokens[$at]) ? $this->tokens[$at]->start : strlen($this->text);
    }

    /** What is written from a token on. */
    public function rest(int $at): string
    {
        return substr($this->text, $this->start($at));
    }

    /**
     * @param  iterable<Found>  $found
     * @return list<Found>
     */
    private static function distinct(iterable $found): array
    {
        $distinct = [];
        foreach ($found as $one) {
            $distinct[$one->end.' '.serialize($one->value)] = $one;
        }

        return array_values($distinct);
    }
}
