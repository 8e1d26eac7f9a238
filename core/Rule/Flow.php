<?php

declare(strict_types=1);

namespace Linnet\Core\Rule;

use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Step\Nested;
use Linnet\Core\Rule\Step\Repeat;
use Linnet\Core\Rule\Step\Step;
use Linnet\Core\Rule\Step\Texting;

/** Which step follows which, steps within steps included. */
final readonly class Flow
{
    /**
     * @param  array<string, Step>  $steps  by id, in the order in which they stand
     * @param  array<string, string|null>  $next  the id of the step that follows; null after the last
     */
    private function __construct(public array $steps, private array $next)
    {
    }

    /**
     * @param  list<Step>  $steps
     *
     * @throws Unreadable where two steps share a name, or one goes back to a step that does not stand before it
     */
    public static function of(array $steps, string $path): self
    {
        $all = $next = $problems = [];
        self::walk($steps, null, $path, $all, $next, $problems);
        $places = array_flip(array_keys($all));
        foreach ($all as $id => $step) {
            if ($step instanceof Repeat && (! isset($all[$step->to]) || $places[$step->to] >= $places[$id])) {
                $problems[] = new Problem($path, new Reason('document.not_before', ['id' => $step->id, 'to' => $step->to]));
            }
        }

        return $problems === [] ? new self($all, $next) : throw new Unreadable($problems);
    }

    /** @return list<Texting> the steps that text somebody, in the order in which they stand */
    public function texts(): array
    {
        return array_values(array_filter($this->steps, fn (Step $step): bool => $step instanceof Texting));
    }

    /** @return list<Texting> those of them that text the person it is about */
    public function textsToThePerson(): array
    {
        return array_values(array_filter($this->texts(), fn (Texting $step): bool => $step->outgoing()->to->isPerson()));
    }

    public function step(string $id): ?Step
    {
        return $this->steps[$id] ?? null;
    }

    /** The step after another; null after the last. A step that is gone counts as the last. */
    public function after(string $id): ?Step
    {
        return $this->steps[$this->next[$id] ?? ''] ?? null;
    }

    /**
     * @param  list<Step>  $steps
     * @param  array<string, Step>  $all
     * @param  array<string, string|null>  $next
     * @param  list<Problem>  $problems
     */
    private static function walk(array $steps, ?string $then, string $path, array &$all, array &$next, array &$problems): void
    {
        foreach ($steps as $i => $step) {
            if (isset($all[$step->id()])) {
                $problems[] = new Problem("{$path}[$i].id", new Reason('document.step_twice', ['id' => $step->id()]));
            }
            $all[$step->id()] = $step;
            $next[$step->id()] = isset($steps[$i + 1]) ? $steps[$i + 1]->id() : $then;
            foreach ($step instanceof Nested ? $step->inside() : [] as $inside) {
                self::walk($inside, $next[$step->id()], "{$path}[$i]", $all, $next, $problems);
            }
        }
    }
}
