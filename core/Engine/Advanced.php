<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

use Linnet\Core\Engine\Effect\Effect;
use Linnet\Core\Reason;

/** What a look at a run came to. */
final readonly class Advanced
{
    /**
     * @param  list<Effect>  $effects
     * @param  \DateTimeImmutable|null  $wake  when to look again; null where only a reply, a change or a text's fate can move it
     * @param  list<Reason>  $trace  what was decided, in order
     * @param  bool  $again  the effects change what is known: look again once they are done
     */
    public function __construct(
        public RunState $state,
        public array $effects,
        public ?\DateTimeImmutable $wake,
        public array $trace,
        public bool $again = false,
    ) {
    }
}
