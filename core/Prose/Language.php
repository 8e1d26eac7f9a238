<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Prose\Grammar\Changes;
use Linnet\Core\Prose\Grammar\Closing;
use Linnet\Core\Prose\Grammar\Conditions;
use Linnet\Core\Prose\Grammar\Fields;
use Linnet\Core\Prose\Grammar\Make;
use Linnet\Core\Prose\Grammar\People;
use Linnet\Core\Prose\Grammar\Steps;
use Linnet\Core\Prose\Grammar\Suppositions;
use Linnet\Core\Prose\Grammar\Texts;
use Linnet\Core\Prose\Grammar\Triggers;
use Linnet\Core\Prose\Grammar\Types;
use Linnet\Core\Prose\Grammar\Values;
use Linnet\Core\Prose\Phrase\Dependent;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Under;
use Linnet\Core\Prose\Vocabulary\Vocabulary;

/** The sentences of rules, over one vocabulary. */
final class Language
{
    private readonly Conditions $conditions;

    private readonly Triggers $triggers;

    private readonly Steps $steps;

    private readonly Closing $closing;

    private readonly Suppositions $suppositions;

    private ?Phrase $beginning = null;

    /** @var array<string, Phrase> */
    private array $made = [];

    public function __construct(public readonly Vocabulary $words)
    {
        $types = new Types($words);
        $fields = new Fields($words);
        $values = new Values($words);
        $people = new People($words, $fields);
        $this->conditions = new Conditions($words, $fields, $values, $types);
        $this->triggers = new Triggers($words, $types, $fields, $values, $this->conditions);
        $this->steps = new Steps(
            $words, $this->conditions, $fields, new Texts($words, $people), $people, new Changes($words, $fields, $values),
        );
        $this->closing = new Closing($words, $this->conditions, $fields, $people);
        $this->suppositions = new Suppositions($words, $fields, $values);
    }

    /** The first sentence of a rule: "trigger" and "conditions". */
    public function beginning(): Phrase
    {
        return $this->beginning ??= new Dependent(new Under('trigger', $this->triggers->all()), function (array $known): Phrase {
            $trigger = is_array($known['trigger'] ?? null) ? $known['trigger'] : [];
            $type = Triggers::typeOf($trigger);
            // "And" goes on with a condition of the trigger's own, where it has one.
            $hasOwn = in_array($trigger['on'] ?? '', ['gone_quiet', 'calendar'], true);

            return $this->made["only if $type $hasOwn"] ??= Make::any(
                Make::means(['conditions' => ['all' => []]]),
                Make::seq(', if', new Under('conditions', $this->conditions->of($type))),
                ...($hasOwn ? [] : [Make::also(', and', new Under('conditions', $this->conditions->of($type)))]),
            );
        });
    }

    /** A sentence of steps in a rule about a type: "steps". */
    public function steps(string $type): Phrase
    {
        return $this->steps->sentence($type);
    }

    /**
     * A line of a kind: "steps", "branch" (steps, or a further case), "answer", "wording", "closing", "beginning", "what if" or
     * "audience".
     */
    public function line(string $type, string $on, string $which): Phrase
    {
        return $this->made["line $type $on $which"] ??= match ($which) {
            'beginning' => $this->beginning(),
            'steps' => $this->steps($type),
            'branch' => Make::any($this->inside($type, 'case'), $this->steps($type)),
            'closing' => $this->closing($type, $on),
            'what if' => $this->suppositions->of($type),
            'audience' => $this->triggers->members(),
            default => $this->inside($type, $which),
        };
    }

    /** What may open a block within a step: "wording", "answer" or "case". */
    public function inside(string $type, string $which): Phrase
    {
        return $this->steps->inside($type, $which);
    }

    /** Any of the sentences a rule closes with. */
    public function closing(string $type, string $on): Phrase
    {
        return $this->closing->any($type, $on);
    }

    public function condition(string $type): Phrase
    {
        return $this->conditions->of($type);
    }
}
