<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Counts\MessageCounts;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Line;
use App\Models\Rule;
use App\Models\RuleEdit;
use App\Pages\Words\Tokens;
use App\Pages\Words\WordsFor;
use App\Rules\Drafts;
use App\Rules\Sample;
use App\Rules\Samples;
use App\Rules\SampleWorld;
use App\Rules\Vocabularies;
use App\Rules\WhatIf;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Engine\Composed;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\Business as Sender;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rehearsal\Rehearsed;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule as Core;
use Linnet\Core\Rule\Condition\Weighed;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Text\FirstTextAdditions;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** What exactly will happen? A rule as it is written, and as it would go for one real record or person. */
final class RulePage implements WordsFor
{
    /** Stands for the words between what is added before and after them (a private-use character). */
    private const PLACE = "\u{E000}";

    /** So many of the newest records or people are tried for one that suits it. */
    private const TRIED = 12;

    public readonly Core\Rule $written;

    public readonly Writing $writing;

    /** What would be undone, and done again. */
    public readonly ?RuleEdit $canUndo;

    public readonly ?RuleEdit $canRedo;

    public readonly WhatIf $whatIf;

    /** @var list<Sample> */
    public readonly array $samples;

    public readonly ?Sample $sample;

    public readonly ?Receiver $receiver;

    public readonly ?Rehearsed $rehearsed;

    public readonly ?TimeLine $timeLine;

    /** Why it would not start for the sample; null where it would. */
    public readonly ?Weighed $notStarted;

    /** What is known of the sample. */
    public readonly ?EvaluationContext $context;

    /** @var array{live: int, held: int}|null asked once for a page */
    private ?array $underWay = null;

    /**
     * @param  list<string>  $suppose  what would happen to the sample, in sentences
     * @param  string  $sought  what the samples offered are called
     */
    public function __construct(
        public readonly Rule $rule,
        public readonly Business $business,
        private readonly UnitOfWork $unit,
        private readonly SampleWorld $worlds,
        ?int $sampleId,
        array $suppose = [],
        public readonly string $sought = '',
    ) {
        $this->written = $rule->written();
        $this->canUndo = Drafts::last($rule);
        $this->canRedo = Drafts::next($rule);
        $this->writing = new Writing(Vocabularies::language(), $this->written);
        $this->whatIf = WhatIf::of($this->writing->language, $this->written, $suppose, $business->zone);
        $samples = new Samples($this->written->trigger->type(), $business->zone, $unit->now);
        // The newest are listed once somebody looks for another.
        $this->samples = $sought === '' ? [] : $samples->named($sought);
        $this->sample = ($sampleId === null ? null : $samples->find($sampleId)) ?? $this->suited($samples->newest(self::TRIED));
        if ($this->sample === null) {
            $this->receiver = $this->rehearsed = $this->timeLine = $this->notStarted = $this->context = null;

            return;
        }
        $person = $this->unit->reader->person($this->sample->person->id) ?? throw new \LogicException('chosen from those there are');
        $this->receiver = $this->unit->contexts->receiver($person);
        $this->context = $this->situationOf($this->sample);
        $weighed = $this->written->conditions->weigh($this->context);
        $this->notStarted = $weighed->holds() ? null : $weighed;
        $this->rehearsed = $this->with($this->written);
        $this->timeLine = $this->rehearsed === null ? null : new TimeLine(
            $this->rehearsed, $business->gatePolicy()->serviceHours, $this->receiver->zone, $this->sample->noun, $this->written,
        );
    }

    /** How a text step went in the rehearsal; null if it was not come to. */
    public function textOf(string $step): ?RehearsedText
    {
        return self::of($this->rehearsed, $step);
    }

    /** The same, of the rule as somebody is writing it. */
    public function textWith(Core\Rule $rule, string $step): ?RehearsedText
    {
        return self::of($this->with($rule), $step);
    }

    /** Words as they would read for the sample if it came to them; null where something is missing. */
    public function elsewise(string $words): ?Composed
    {
        try {
            return $this->compose(Template::parse($words));
        } catch (TemplateError) {
            return null;
        }
    }

    /** @throws TemplateError where something is missing */
    public function compose(Template $words): ?Composed
    {
        return $this->context === null || $this->receiver === null
            ? null
            : Composed::of($words, $this->context->facts, $this->receiver, $this->sender(), $this->context->now, false, 'sample');
    }

    public function sender(): Sender
    {
        return $this->unit->reader->business();
    }

    public function lineOf(RehearsedText $text): ?Line
    {
        $key = $text->line;

        return $key === null ? null : once(fn (): ?Line => Line::query()->firstWhere('key', $key));
    }

    /** The text that says who it is from. */
    public function firstText(): ?Texting
    {
        return $this->written->flow->texts()[0] ?? null;
    }

    public function vocabulary(): Vocabulary
    {
        return $this->writing->language->words;
    }

    public function types(): array
    {
        return array_values(array_diff([$this->writing->type()], [RecordType::PERSON]));
    }

    public function hasLinks(): bool
    {
        return true;
    }

    public function who(): ?string
    {
        return $this->receiver?->who;
    }

    public function result(Node $node): string
    {
        if ($this->context === null || $this->receiver === null) {
            return '';
        }
        $sender = $this->sender();
        try {
            return (new Renderer(
                $this->context->facts, $this->context->now, $this->receiver->zone, $this->receiver->locale, $sender->tariff->currency,
                'sample', $sender->links(),
            ))->render(Template::parse($node->written()));
        } catch (TemplateError) {
            return '';
        }
    }

    /** What is filled into its texts, as one reads it. */
    public function tokens(): Tokens
    {
        return new Tokens($this->writing->language->words, $this->writing->type());
    }

    /**
     * What Linnet adds before and after the words, being the first automatic text on its line to the sample's person.
     *
     * @return array{string, string}
     */
    public function addedTo(Texting $step): array
    {
        $text = $this->textOf($step->id());
        $sender = $this->sender();
        [$before, $after] = [...explode(self::PLACE, FirstTextAdditions::around(self::PLACE, $sender->name, $sender->stopLine), 2), ''];

        return $text?->composed !== null &&
            str_starts_with($text->composed->body, $before) &&
            str_ends_with($text->composed->body, trim($after))
            ? [$before, $after]
            : ['', ''];
    }

    /** @return list<string> what somebody agrees to when they publish it */
    public function agreement(): array
    {
        return (new Agreement($this, $this->unit))->sentences();
    }

    /** @return array<string, mixed> what an address needs to show the same: the rule, the sample, and what is supposed */
    public function query(): array
    {
        return ['rule' => $this->rule, 'sample' => $this->sample?->id] +
            ($this->whatIf->sentences === [] ? [] : ['if' => $this->whatIf->sentences]);
    }

    /** The edit that is seen here: whoever changes something says so. */
    public function base(): int
    {
        return (int) $this->rule->edit_id;
    }

    /** Words with their merge fields; as they stand where they cannot be read. */
    public function template(string $words): Template|string
    {
        try {
            return Template::parse($words);
        } catch (TemplateError) {
            return $words;
        }
    }

    private static function of(?Rehearsed $rehearsed, string $step): ?RehearsedText
    {
        foreach ($rehearsed->texts ?? [] as $text) {
            if ($text->step === $step) {
                return $text;
            }
        }

        return null;
    }

    /**
     * The rule as it is written, for each of several samples, with nothing supposed.
     *
     * @param  list<Sample>  $samples
     * @return list<Rehearsed>
     */
    public function rehearsedFor(array $samples): array
    {
        $this->worlds->preload(array_map(fn (Sample $sample): int => $sample->person->id, $samples));

        return array_map(
            fn (Sample $sample): Rehearsed => $this->rehearsed !== null &&
                $sample->id === $this->sample?->id &&
                $this->whatIf->suppositions === []
                    ? $this->rehearsed
                    : $this->worlds->rehearse($this->unit, $this->business, $this->written, $sample),
            $samples,
        );
    }

    private function with(Core\Rule $rule): ?Rehearsed
    {
        return $this->sample === null
            ? null
            : $this->worlds->rehearse($this->unit, $this->business, $rule, $this->sample, $this->whatIf->suppositions);
    }

    /** What the sample would get from it and from another rule that is on. */
    public function overlapWith(Rule $other): ?Overlap
    {
        $theirs = $other->version?->read();

        return $this->sample === null ||
            $this->receiver === null ||
            $this->rehearsed === null ||
            $theirs === null ||
            $theirs->trigger->type() !== $this->written->trigger->type()
            ? null
            : new Overlap(
                [
                    $this->written->name => $this->rehearsed,
                    $theirs->name => $theirs->conditions->weigh($this->worlds->contextOf($this->unit, $theirs, $this->sample))->holds()
                        ? $this->worlds->rehearse($this->unit, $this->business, $theirs, $this->sample)
                        : null,
                ],
                $this->receiver->who,
                $this->receiver->zone,
            );
    }

    public function further(): FurtherStep
    {
        return new FurtherStep($this->rule, $this->written, $this->business, $this->unit, $this->worlds);
    }

    /** @return array{live: int, held: int} what is under way */
    public function underWay(): array
    {
        return $this->underWay ??= [
            'live' => $this->rule->runs()->where('live', true)->count(),
            'held' => MessageCounts::kept($this->rule->id),
        ];
    }

    private function situationOf(Sample $sample): EvaluationContext
    {
        return once(fn (): EvaluationContext => $this->worlds->contextOf($this->unit, $this->written, $sample));
    }

    /** What its trigger asks of a record or person holds. */
    private function suits(EvaluationContext $context): bool
    {
        return $this->written->trigger->condition()?->weigh($context)->holds() ?? true;
    }

    /**
     * The newest the rule would start for, else the newest.
     *
     * @param  list<Sample>  $samples
     */
    private function suited(array $samples): ?Sample
    {
        foreach ($samples as $sample) {
            $context = $this->situationOf($sample);
            if ($this->written->conditions->weigh($context)->holds() && $this->suits($context)) {
                return $sample;
            }
        }

        return $samples[0] ?? null;
    }
}
