<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\Day;
use App\Clock\TimeFormatter;
use App\Counts\MessageCounts;
use App\Engine\Store\UnitOfWork;
use App\Rules\ExampleWorld;
use App\Rules\Reach;
use App\Rules\Samples;
use App\Sentences\Sentence;
use Linnet\Core\Check\BrokenExample;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule\Example\Example;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\TextKind;

/** What somebody agrees to when they publish: one plain paragraph, of nothing but what is known. */
final readonly class Agreement
{
    /** So many are rehearsed one by one while somebody waits. */
    private const REHEARSED = 200;

    public function __construct(private RulePage $page, private UnitOfWork $unit)
    {
    }

    /** @return list<string> its sentences */
    public function sentences(): array
    {
        $reach = new Reach($this->unit, $this->page->written);

        return array_values(
            array_filter([
                Writing::inOneSentence($this->page->writing->language, $this->page->written),
                ...$this->broken(),
                $reach->sentence(),
                $this->cost($reach),
                $this->first(),
                $this->soFar(),
                $this->isMarketing()
                    ? 'It may be used only for people who have agreed to offers; to others it is not sent.'
                    : 'It may not be used for offers to people who have not agreed to them.',
            ]),
        );
    }

    /** @return list<string> which of its examples would go otherwise than expected */
    private function broken(): array
    {
        $examples = new ExampleWorld($this->unit);
        $differs = array_map(
            fn (Example $one): ?array => BrokenExample::differs($one, $examples->run($this->page->written, $one)->came()),
            $this->page->written->examples,
        );

        return array_map(fn (array $one): string => Sentence::of($one[0]), array_values(array_filter($differs)));
    }

    /** What all of those would be sent, each rehearsed. */
    private function cost(Reach $reach): string
    {
        $ids = $this->page->firstText() === null ? [] : $reach->ids() ?? [];
        if ($ids === [] || count($ids) > self::REHEARSED) {
            return $ids === [] ? '' : 'These are too many to rehearse each, so what they would cost together is not said.';
        }
        $texts = $price = 0;
        $page = $this->page;
        $samples = (new Samples($page->written->trigger->type(), $page->business->zone, $this->unit->now))->all($ids);
        foreach ($page->rehearsedFor($samples) as $rehearsed) {
            foreach ($rehearsed->texts as $text) {
                $texts += (int) ($text->leavesAt !== null);
                $price += $text->leavesAt === null ? 0 : $text->composed->price ?? 0;
            }
        }

        return sprintf(
            'With no answers, together they would get %s, for %s.',
            TimeFormatter::count($texts, 'text', 'texts'),
            TimeFormatter::price($price, $page->business->currency()),
        );
    }

    private function first(): string
    {
        $text = $this->page->rehearsed->texts[0] ?? null;
        if ($text === null || $this->page->receiver === null) {
            return '';
        }
        $at = $text->leavesAt ?? $text->wantedAt;
        $texts = array_filter($this->page->rehearsed->texts ?? [], fn (RehearsedText $one): bool => $one->leavesAt !== null);
        $price = array_sum(array_map(fn (RehearsedText $one): int => $one->composed->price ?? 0, $texts));

        return "For {$this->page->receiver->who}, the first text would leave ".
            TimeFormatter::momentIn($at, $this->page->receiver->zone).
            ($text->composed === null ? ', if what is missing in it were known.' : ': “'.$text->composed->body.'”').
            ($texts === []
                ? ''
                : ' With no answer from them, it would send '.
                    TimeFormatter::count(count($texts), 'text', 'texts').
                    ' for '.
                    TimeFormatter::price($price, $this->page->business->currency()).
                    '.');
    }

    /** What it sent until now: counted, where there is anything to count. */
    private function soFar(): string
    {
        $since = Day::firstOf(7 * Reach::WEEKS, $this->unit->now, $this->page->business->zone);
        $sent = MessageCounts::byRule($since)->get($this->page->rule->id);
        $texts = (int) ($sent->texts ?? 0);

        return $texts === 0
            ? ''
            : sprintf(
                'In the last four weeks it sent %s, for %s.',
                TimeFormatter::count($texts, 'text', 'texts'),
                TimeFormatter::price((int) ($sent->price ?? 0), $this->page->business->currency()),
            );
    }

    private function isMarketing(): bool
    {
        return array_filter(
            $this->page->written->flow->textsToThePerson(),
            fn (Texting $step): bool => $step->outgoing()->kind === TextKind::Marketing,
        ) !== [];
    }
}
