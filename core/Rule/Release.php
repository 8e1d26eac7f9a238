<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\TimeOfDay;

/** Whether a rule's texts leave by themselves. */
final readonly class Release
{
    /** @param  TimeOfDay|null  $askAt  for a batch: when the staff are asked to let it go, by the business's clock */
    private function __construct(public ReleaseKind $kind, public ?TimeOfDay $askAt = null)
    {
    }

    public static function automatic(): self
    {
        return new self(ReleaseKind::Automatic);
    }

    public static function read(Doc $doc): self
    {
        $kind = $doc->choice('texts', ReleaseKind::class);
        $doc->allow(...($kind === ReleaseKind::InOneBatch ? ['texts', 'ask_at'] : ['texts']));

        return new self($kind, $kind === ReleaseKind::InOneBatch ? TimeOfDay::read($doc, 'ask_at') : null);
    }

    /** When the staff were last asked, in a zone: for anything but a batch they are asked at any time. */
    public function askedLast(\DateTimeImmutable $now, \DateTimeZone $zone): \DateTimeImmutable
    {
        if ($this->askAt === null) {
            return $now;
        }
        $today = $now->setTimezone($zone)->setTime(0, 0)->setTime(intdiv($this->askAt->minutes, 60), $this->askAt->minutes % 60);

        return $today > $now ? $today->modify('-1 day') : $today;
    }

    /** @return array<string, string> */
    public function toDocument(): array
    {
        return ['texts' => $this->kind->value] + ($this->askAt === null ? [] : ['ask_at' => (string) $this->askAt]);
    }
}
