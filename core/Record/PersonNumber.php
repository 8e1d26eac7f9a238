<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Number\NumberKind;

/** One of a person's numbers. */
final readonly class PersonNumber
{
    /**
     * @param  string  $country  ISO 3166-1 alpha-2
     * @param  non-empty-list<string>  $zones  every IANA zone it may be in
     * @param  bool|null  $alive  null where nobody has asked
     * @param  int  $rank  the highest is the preferred one
     * @param  \DateTimeImmutable|null  $lookedUpAt  when it was last asked about
     */
    public function __construct(
        public string $e164,
        public string $country,
        public NumberKind $kind,
        public array $zones,
        public ?bool $alive = null,
        public int $rank = 0,
        public ?\DateTimeImmutable $lookedUpAt = null,
    ) {
    }

    public function takesTexts(): bool
    {
        return $this->kind->takesTexts() && $this->alive !== false;
    }
}
