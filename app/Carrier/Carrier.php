<?php

declare(strict_types=1);

namespace App\Carrier;

/** Whoever brings texts to telephones. */
interface Carrier
{
    /**
     * Whether it takes a text once, however often it is handed over under its key. Where it knows no keys, a text whose hand-over was cut
     * off is not handed over again by itself.
     */
    public function takesKeys(): bool;

    /**
     * @param  list<Handover>  $texts
     * @return array<string, Answer> by their keys
     */
    public function handOver(array $texts): array;

    /** What it is told of a text, as it goes over the wire, with every secret masked. */
    public function describe(Handover $text): string;
}
