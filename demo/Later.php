<?php

declare(strict_types=1);

namespace Demo;

/** What people will do of themselves, by when; acts of one moment in the order they were thought of. */
final class Later
{
    /** @var \SplMinHeap<array{int, int}> moments, each with the number of its act */
    private \SplMinHeap $moments;

    /** @var array<int, \Closure(): void> */
    private array $acts = [];

    private int $counted = 0;

    public function __construct()
    {
        $this->moments = new \SplMinHeap;
    }

    /** @param  \Closure(): void  $act */
    public function at(int $moment, \Closure $act): void
    {
        $this->acts[++$this->counted] = $act;
        $this->moments->insert([$moment, $this->counted]);
    }

    /** When the next is due; null where nothing is. */
    public function due(): ?int
    {
        return $this->moments->isEmpty() ? null : $this->moments->top()[0];
    }

    /** Does all that is due, what comes of it too. */
    public function actUntil(int $moment): void
    {
        while (($due = $this->due()) !== null && $due <= $moment) {
            [, $which] = $this->moments->extract();
            $act = $this->acts[$which];
            unset($this->acts[$which]);
            $act();
        }
    }
}
