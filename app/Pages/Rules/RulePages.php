<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Rule;
use App\Rules\Checking;
use App\Rules\Reach;
use App\Rules\Samples;
use App\Rules\SampleWorld;
use App\Rules\Vocabularies;
use Illuminate\Http\Request;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Prose\Grammar\Triggers;
use Linnet\Core\Text\Template\Template;
use Psr\Clock\ClockInterface;

final readonly class RulePages
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects, private SampleWorld $worlds)
    {
    }

    /**
     * @param  int|null  $sample  id of the record or person it is rehearsed on; null for one that suits it
     * @param  list<string>  $suppose  what would happen to them, in sentences
     * @param  string  $sought  what the samples offered are called
     */
    public function of(Rule $rule, ?int $sample, array $suppose = [], string $sought = ''): RulePage
    {
        return new RulePage($rule, Business::current(), $this->unit(), $this->worlds, $sample, $suppose, $sought);
    }

    /** The rule as a request asks to see it. */
    public function asked(Rule $rule, Request $request): RulePage
    {
        $suppose = array_values(array_filter((array) $request->query('if', []), is_string(...)));

        return $this->of(
            $rule, $request->integer('sample') ?: null, array_map(fn (string $one): string => mb_substr($one, 0, 300, 'UTF-8'), $suppose),
            is_string($request->query('find')) ? $request->query('find') : '',
        );
    }

    /** What is said beside the rule. */
    public function checks(Rule $rule): ChecksPage
    {
        $unit = $this->unit();
        $reach = new Reach($unit, $rule->written());

        return new ChecksPage($rule, Vocabularies::language(), Checking::question($rule->written(), $unit, $rule, $reach), $reach->many());
    }

    /** How long some words of it are for all whom it reaches today; or for all there are, where they are too many to ask of each. */
    public function boundsSaid(Rule $rule, Template $words, string $step): string
    {
        $unit = $this->unit();
        $written = $rule->written();
        $first = $written->flow->texts()[0] ?? null;
        $reach = new Reach($unit, $written);
        if (! $reach->isTooMany()) {
            $question = Checking::question($written, $unit, $rule, $reach, Reach::MOST);
            $bounds = (new Spread($question))->bounds($words, $first?->id() === $step);

            return $bounds === null ? '' : Spread::says($bounds);
        }
        $bounds = (new SpreadOfAll($unit, $written->trigger->type()))->bounds($words, $first?->id() === $step);

        return $bounds === null ? '' : Spread::says($bounds, 'there are, too many to ask of each whether it reaches it');
    }

    /** @param  int|null  $sample whose values stand beside what is offered; null for none */
    public function completions(Rule $rule, ?int $sample): Completions
    {
        $trigger = ($rule->draft ?? $rule->version->document ?? [])['trigger'] ?? [];
        $trigger = is_array($trigger) ? $trigger : [];
        $type = Triggers::typeOf($trigger);

        return new Completions(Vocabularies::language(), $type, is_string($trigger['on'] ?? null) ? $trigger['on'] : '', function () use (
            $rule,
            $sample,
            $type,
        ): ?EvaluationContext {
            $unit = $this->unit();
            $one = $sample === null ? null : (new Samples($type, $unit->reader->business()->zone, $unit->now))->find($sample);

            return $one === null ? null : $this->worlds->contextOf($unit, $rule->written(), $one);
        });
    }

    private function unit(): UnitOfWork
    {
        return UnitOfWork::reading($this->clock->now(), $this->sideEffects);
    }
}
