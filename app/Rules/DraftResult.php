<?php

declare(strict_types=1);

namespace App\Rules;

use App\Models\RuleEdit;
use Linnet\Core\Prose\ProseError;

/** What became of a change to a draft. */
final readonly class DraftResult
{
    /**
     * @param  list<ProseError>  $errors  why it could not be made
     * @param  list<string>  $notes  what others changed meanwhile, at other places
     * @param  list<RuleEdit>  $others  who changed the same place meanwhile
     */
    private function __construct(public array $errors, public array $notes, public array $others, public bool $isClash = false)
    {
    }

    /** @param  list<string>  $notes */
    public static function done(array $notes): self
    {
        return new self([], $notes, []);
    }

    /** @param  list<ProseError>  $errors */
    public static function wrong(array $errors): self
    {
        return new self($errors, [], []);
    }

    /** @param  list<RuleEdit>  $others */
    public static function conflict(array $others): self
    {
        return new self([], [], $others, true);
    }

    public function isDone(): bool
    {
        return $this->errors === [] && ! $this->isClash;
    }
}
