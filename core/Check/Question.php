<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Engine\Composed;
use Linnet\Core\Gate\Policy;
use Linnet\Core\Record\Business;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Example\Expected;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Text\Words\ReservedWords;

/** A rule, and everything it is checked against. */
final readonly class Question
{
    /** @var \ArrayObject<string, list<Length|null>> */
    private \ArrayObject $measured;

    /**
     * @param  array<string, RecordType>  $types  by key
     * @param  list<Line>  $lines
     * @param  list<string>  $staff  emails
     * @param  list<Rule>  $others  the rules that are on besides it
     * @param  list<string>  $forms  keys
     * @param  array<string, list<Wording>>  $pools  by key
     * @param  list<string>  $codes  the lists there are
     * @param  array<string, Audience>  $audiences  by name
     * @param  list<array{EvaluationContext, Receiver}>  $reached  those it would begin for
     * @param  list<array{Example, list<Expected>}>  $examples  the rule's own, each with the texts that come in it now
     */
    public function __construct(
        public Rule $rule,
        public Business $business,
        public Policy $policy,
        public ReservedWords $words,
        public array $types,
        public array $lines,
        public array $staff = [],
        public array $others = [],
        public array $forms = [],
        public array $pools = [],
        public array $codes = [],
        public array $audiences = [],
        public array $reached = [],
        public array $examples = [],
    ) {
        /** @var \ArrayObject<string, list<Length|null>> $none */
        $none = new \ArrayObject;
        $this->measured = $none;
    }

    /**
     * The words that a step may say to the person: its own wordings and the closing one, or a pool's.
     *
     * @return list<Template>
     */
    public function wordsOf(Texting $step): array
    {
        $wordings = $step->outgoing()->wordings;
        $all = [
            ...$wordings->own,
            ...$wordings->pool === null ? [] : $this->pools[$wordings->pool] ?? [],
            ...($wordings->closing === null ? [] : [$wordings->closing]),
        ];

        return array_map(fn (Wording $one): Template => $one->text, $all);
    }

    /**
     * How long some words are for each it reaches.
     *
     * @param  bool  $first  they say who they are from
     * @return list<Length|null> null where a value is missing
     */
    public function lengths(Template $words, bool $first): array
    {
        return $this->measured["$first/$words->source"] ??= array_map(function (array $one, int $n) use ($words, $first): ?Length {
            try {
                return Composed::of($words, $one[0]->facts, $one[1], $this->business, $one[0]->now, $first, "check $n")->length;
            } catch (TemplateError) {
                return null;
            }
        }, $this->reached, array_keys($this->reached));
    }

    public function line(string $key): ?Line
    {
        foreach ($this->lines as $line) {
            if ($line->key === $key) {
                return $line;
            }
        }

        return null;
    }
}
