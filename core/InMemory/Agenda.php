<?php

declare(strict_types=1);

namespace Linnet\Core\InMemory;

/** Moments to look again, found in the order in which they come; of two at the same moment, the one noted first. */
final class Agenda
{
    /** @var array<string, array{int, int}> due moment in seconds since 1970, and number, by key */
    private array $due = [];

    /** @var \SplMinHeap<array{int, int, string}> */
    private \SplMinHeap $heap;

    private int $numbers = 0;

    public function __construct()
    {
        $this->heap = new \SplMinHeap;
    }

    public function schedule(string $key, \DateTimeImmutable $due): void
    {
        $number = $this->due[$key][1] ?? ++$this->numbers;
        $this->due[$key] = [$due->getTimestamp(), $number];
        $this->heap->insert([$due->getTimestamp(), $number, $key]);
    }

    public function clear(string $key): void
    {
        unset($this->due[$key]);
    }

    /** When something is due, in seconds since 1970; null where it is not noted. */
    public function dueAt(string $key): ?int
    {
        return $this->due[$key][0] ?? null;
    }

    /** When something is due next, in seconds since 1970. */
    public function next(): ?int
    {
        while (! $this->heap->isEmpty()) {
            [$due, $number, $key] = $this->heap->top();
            if (($this->due[$key] ?? null) === [$due, $number]) {
                return $due;
            }
            $this->heap->extract();
        }

        return null;
    }

    /**
     * What is due, the earliest first, taken off the agenda.
     *
     * @return list<array{string, \DateTimeImmutable}> key and moment
     */
    public function popDue(\DateTimeImmutable $now, int $most): array
    {
        $taken = [];
        while (count($taken) < $most && ($due = $this->next()) !== null && $due <= $now->getTimestamp()) {
            $key = $this->heap->extract()[2];
            $taken[] = [$key, $now->setTimestamp($due)];
            unset($this->due[$key]);
        }

        return $taken;
    }
}
