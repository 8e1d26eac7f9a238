<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Number\NumberKind;

/** How things stand with the person a run is about. */
final readonly class Standing
{
    /**
     * @param  list<string>  $tags
     * @param  list<string>  $lists
     * @param  bool  $optedIn  to marketing texts
     * @param  NumberKind|null  $number  null where they have none
     * @param  bool|null  $alive  null where nobody has asked
     * @param  \DateTimeImmutable|null  $lookedUpAt  when the number was last asked about
     */
    public function __construct(
        public array $tags = [],
        public array $lists = [],
        public bool $optedIn = false,
        public ?NumberKind $number = null,
        public ?bool $alive = null,
        public ?\DateTimeImmutable $lookedUpAt = null,
    ) {
    }
}
