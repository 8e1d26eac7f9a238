<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

/** What a file or delivery states about somebody's consent, and its proof. */
final readonly class ConsentInput
{
    /**
     * @param  bool|null  $marketing  they agreed (true) or declined (false); null where nothing is said
     * @param  bool  $stopped  they want no texts at all
     * @param  string|null  $wording  what they were shown or wrote
     * @param  string|null  $at  when, ISO 8601 in UTC
     */
    public function __construct(public ?bool $marketing, public bool $stopped, public ?string $wording, public ?string $at)
    {
    }
}
