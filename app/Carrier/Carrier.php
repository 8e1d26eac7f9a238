<?php

declare(strict_types=1);

namespace App\Carrier;

use App\Models\Message;

/** Whoever brings texts to telephones. */
interface Carrier
{
    /**
     * Each goes under a key of its own, so that handing the same text over again is the same as once.
     *
     * @param  list<Message>  $messages  with their lines loaded, each with its key
     * @return array<int, Answer> by message id
     */
    public function handOver(array $messages): array;
}
