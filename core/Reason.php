<?php

declare(strict_types=1);

namespace Linnet\Core;

/**
 * Why something is so: a code and the values of that moment. The sentence is made where it is shown.
 *
 * A value is text, a number, a yes/no, a list of texts, a moment as {at: ISO 8601, zone: name}, or another reason.
 *
 * @phpstan-type ReasonValue scalar|list<string>|array{at: string, zone: string}|array{code: string, with: array<string, mixed>}
 */
final readonly class Reason
{
    /** @param  array<string, ReasonValue>  $with */
    public function __construct(public string $code, public array $with = [])
    {
    }

    /**
     * @return array{at: string, zone: string}
     */
    public static function moment(\DateTimeImmutable $at, string $zone): array
    {
        return ['at' => $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d\TH:i:s\Z'), 'zone' => $zone];
    }

    /** @param  array<string, ReasonValue>  $more */
    public function with(array $more): self
    {
        return new self($this->code, [...$this->with, ...$more]);
    }

    /** @return array{code: string, with: array<string, ReasonValue>} */
    public function toArray(): array
    {
        return ['code' => $this->code, 'with' => $this->with];
    }
}
