<?php

declare(strict_types=1);

namespace App\Engine\Store;

use Linnet\Core\Engine\OutText;

/** The texts that left within a transaction and are not written yet: the store of texts adds them, the reader knows of them. */
final class JustLeft
{
    /** @var array<int, list<OutText>> by person */
    public array $texts = [];

    public function __construct(private readonly \DateTimeImmutable $now)
    {
    }

    /** @return array<string, \DateTimeImmutable> when a person had texts, by rule */
    public function to(int $personId): array
    {
        $left = [];
        foreach ($this->texts[$personId] ?? [] as $text) {
            $left[$text->run->ruleId ?? ''] = $text->settledAt ?? $this->now;
        }

        return $left;
    }
}
