<?php

declare(strict_types=1);

namespace App\View\Rules;

use App\Engine\Live\Desk;
use App\Engine\Live\LiveDeeds;
use App\Models\Business;
use App\Models\Rule;
use App\Rules\Checking;
use App\Rules\Vocabularies;
use Illuminate\Http\Request;
use Linnet\Core\Engine\Situation;
use Linnet\Core\Prose\Grammar\Triggers;
use Linnet\Core\Text\Template\Template;
use Psr\Clock\ClockInterface;

final readonly class RulePages
{
    public function __construct(private ClockInterface $clock, private LiveDeeds $deeds, private SampleWorld $worlds)
    {
    }

    /**
     * @param  int|null  $sample  id of the record or person it is rehearsed on; null for one that suits it
     * @param  list<string>  $suppose  what would happen to them, in sentences
     * @param  string  $sought  what the samples offered are called
     */
    public function of(Rule $rule, ?int $sample, array $suppose = [], string $sought = ''): RulePage
    {
        return new RulePage($rule, Business::ours(), $this->desk(), $this->worlds, $sample, $suppose, $sought);
    }

    /** The rule as a request asks to see it. */
    public function asked(Rule $rule, Request $request): RulePage
    {
        $suppose = array_values(array_filter((array) $request->query('if', []), is_string(...)));

        return $this->of($rule, $request->integer('sample') ?: null, array_map(fn (string $one): string => mb_substr($one, 0, 300, 'UTF-8'), $suppose), is_string($request->query('find')) ? $request->query('find') : '');
    }

    /** What is said beside the rule. */
    public function checks(Rule $rule): ChecksPage
    {
        return new ChecksPage($rule, Vocabularies::language(), Checking::question($rule->written(), $this->desk(), $rule));
    }

    /** How long some words of it are for all whom it reaches today; or for all there are, where they are too many to ask of each. */
    public function boundsSaid(Rule $rule, Template $words, string $step): string
    {
        $desk = $this->desk();
        $written = $rule->written();
        $first = $written->flow->texts()[0] ?? null;
        $reach = new Reach($desk, $written);
        if (! $reach->isTooMany()) {
            $bounds = (new Spread(Checking::question($written, $desk, $rule)))->bounds($words, $first?->id() === $step);

            return $bounds === null ? '' : Spread::says($bounds);
        }
        $bounds = (new SpreadOfAll($desk, $written->trigger->type()))->bounds($words, $first?->id() === $step);

        return $bounds === null ? '' : Spread::says($bounds, 'there are, too many to ask of each whether it reaches it');
    }

    /** @param  int|null  $sample whose values stand beside what is offered; null for none */
    public function completions(Rule $rule, ?int $sample): Completions
    {
        $trigger = ($rule->draft ?? $rule->version->document ?? [])['trigger'] ?? [];
        $trigger = is_array($trigger) ? $trigger : [];
        $type = Triggers::typeOf($trigger);

        return new Completions(Vocabularies::language(), $type, is_string($trigger['on'] ?? null) ? $trigger['on'] : '', function () use ($rule, $sample, $type): ?Situation {
            $desk = $this->desk();
            $one = $sample === null ? null : (new Samples($type, $desk->known->business()->zone, $desk->now))->find($sample);

            return $one === null ? null : $this->worlds->situation($desk, $rule->written(), $one);
        });
    }

    private function desk(): Desk
    {
        return Desk::reading($this->clock->now(), $this->deeds);
    }
}
