<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** How the last texts of a line fared with the carrier. */
final readonly class Health
{
    /**
     * @param  int  $attempts  the last texts whose fate is known, at most as many as the policy looks at
     * @param  int  $failed  those of them that carriers hold against a sender: dead or invalid number, refused as unwanted
     */
    public function __construct(public int $attempts = 0, public int $failed = 0)
    {
    }

    public function percent(): float
    {
        return $this->attempts === 0 ? 0.0 : $this->failed * 100 / $this->attempts;
    }
}
