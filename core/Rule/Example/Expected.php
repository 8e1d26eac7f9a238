<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Example;

use Linnet\Core\Document\Doc;
use Linnet\Core\Time\Moment;

/** A text that comes in an example: which, when, and how it begins. */
final readonly class Expected
{
    /** So much of the words is held to. */
    public const BEGINNING = 40;

    public function __construct(public string $step, public \DateTimeImmutable $at, public string $begins)
    {
    }

    public static function of(string $step, \DateTimeImmutable $at, string $words): self
    {
        return new self(
            $step,
            $at->setTimezone(new \DateTimeZone('UTC')),
            rtrim(mb_substr(strtr($words, "\n", ' '), 0, self::BEGINNING, 'UTF-8')),
        );
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('step', 'at', 'begins');
        /** @var array{string, \DateTimeImmutable, string} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('step'),
            fn (): \DateTimeImmutable => Moment::read($doc, 'at'),
            fn (): string => $doc->text('begins', 200),
        ]);

        return new self(...$read);
    }

    public function isSaidBy(self $came): bool
    {
        return str_starts_with($came->begins, $this->begins) || str_starts_with($this->begins, $came->begins);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['step' => $this->step, 'at' => $this->at->format('Y-m-d\TH:i:s\Z'), 'begins' => $this->begins];
    }
}
