<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Trigger;

use Linnet\Core\Text\Words\Keywords;

/** The words a rule listens for, and where. */
final readonly class Listens
{
    /**
     * @param  list<string>  $lines  keys of the lines it listens on; all of them if empty
     * @param  bool  $onlyWhenNoQuestion  it keeps still while a rule waits for this person's answer
     */
    public function __construct(public Keywords $keywords, public array $lines, public bool $onlyWhenNoQuestion)
    {
    }

    public function on(string $line): bool
    {
        return $this->lines === [] || in_array($line, $this->lines, true);
    }

    /** @return list<string> words another listens for too, on a line of both */
    public function shared(self $other): array
    {
        return $this->lines === [] || $other->lines === [] || array_intersect($this->lines, $other->lines) !== []
            ? $this->keywords->shared($other->keywords)
            : [];
    }
}
