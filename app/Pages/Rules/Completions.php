<?php

declare(strict_types=1);

namespace App\Pages\Rules;

use App\Clock\TimeFormatter;
use App\Sentences\Sentence;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Prose\Completion;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\Sentences;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Rule\Step\WaitForDate;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\Offset;

/** What may come next in a line, with what it would be for the sample beside it. */
final readonly class Completions
{
    private const MOST = 40;

    /** Of so many it is said what they would come to. */
    private const SAID = 6;

    /** The kinds of sentences with an example each, in the order in which they are offered to somebody who has typed nothing. */
    private const EXAMPLES = [
        'text' => 'the guest from the front desk, as a service text', 'ask' => 'a text that expects an answer', 'wait' => '2 minutes',
        'wait until' => '09:00, or 20 minutes before the start', 'go on only if' => 'they have not replied',
        'if' => 'we are open: … otherwise: …', 'set' => 'the state to cancelled', 'clear' => 'the remark', 'add' => 'the tag "member"',
        'remove' => 'the tag "member"', 'put them onto' => 'the list "newsletter"', 'take them off' => 'the list "newsletter"',
        'notify' => 'the owner on screen: "…"', 'give' => 'the staff a task, due within 1 day: "…"',
        'look their number up' => 'is it a mobile, and in use?', 'start' => 'the rule "…" for them', 'stop' => 'the rule "…" for them',
        'post to' => 'https://… a body in JSON', 'go back to' => 'text a, at most 2 times', 'end:' => 'no answer',
        'if they answer' => '"yes" (yes, y)', 'if they say something else, once' => 'words that ask again', 'or if' => 'a further case',
        'otherwise' => 'what is done in any other case', 'it counts as a success when' => 'its state is paid, within 3 days',
        'its texts wait until somebody lets them go together' => '; we are asked at 09:00',
        'each of its texts waits until somebody lets it go' => '', 'they answer' => 'YES after text a',
        'they write' => '"…" 2 hours after text a', 'they text STOP' => 'after text a', 'its state' => 'becomes cancelled after 30 minutes',
        'when' => 'a booking comes in', 'on the day before' => 'the start of a booking, at 10:00',
        'on the day after' => 'the end of a booking, at 11:00', 'on the day of' => 'the start of a booking, at 08:00',
        'on' => '16 March 2026 at 09:00, for everybody', 'at' => 'the start of a booking',
        'when nothing has happened to' => 'a basket for 1 hour while its state is open', 'when somebody' => 'texts "level"',
        'when somebody sends in' => 'the form "hire"', 'every' => '2 weeks on Monday at 09:00, from 16 March 2026, for everybody',
        'every day' => 'at 09:00, from 16 March 2026, for everybody',
        'every week' => 'on Monday at 09:00, from 16 March 2026, for everybody',
        'every month' => 'on the first Monday at 10:00, from 16 March 2026, for everybody',
        'every year' => 'in March on the 1st at 10:00, from 16 March 2026, for everybody', 'when it is started for' => 'a booking',
        'span' => 'before the start of a booking',
    ];

    /**
     * @param  string  $type  the rule is about
     * @param  string  $on  what starts it
     * @param  \Closure(): (EvaluationContext|null)  $context  of the sample, asked for where something is said of it
     */
    public function __construct(private Language $language, private string $type, private string $on, private \Closure $context)
    {
    }

    /** @return list<array{whole: string, typed: string, words: string, kind: string|null, beside: string}> */
    public function of(string $which, string $text): array
    {
        $offered = [];
        $said = 0;
        foreach (array_keys(Places::of($which)) as $kind) {
            $phrase = $this->language->line($this->type, $this->on, $kind);
            foreach (Sentences::complete($phrase, $text) as $one) {
                if (count($offered) >= self::MOST) {
                    break;
                }
                // It is the values of which something can be said.
                $read = $one->kind === null || ++$said > self::SAID ? null : Sentences::read($phrase, $one->whole);
                $offered["$one->whole $one->kind"] ??= $this->offer($one, $read instanceof ProseError ? null : $read, $text);
            }
        }

        return array_values($offered);
    }

    /**
     * @param  array<array-key, mixed>|null  $read  the sentence with it, where it is one and is said
     * @return array{whole: string, typed: string, words: string, kind: string|null, beside: string}
     */
    private function offer(Completion $one, ?array $read, string $text): array
    {
        return [
            'whole' => $one->whole,
            'typed' => mb_substr($one->whole, 0, mb_strlen($one->whole, 'UTF-8') - mb_strlen($one->words, 'UTF-8'), 'UTF-8'),
            'words' => $one->words, 'kind' => $one->kind,
            'beside' => trim($text) === ''
                    ? self::EXAMPLES[$one->words] ?? (self::EXAMPLES[$one->kind] ?? '')
                    : ($read === null
                        ? $this->hint($one)
                        : $this->beside($read)),
        ];
    }

    private function hint(Completion $one): string
    {
        return $one->words === '' && $one->kind !== null ? "write the {$one->kind}" : '';
    }

    /** @param  array<array-key, mixed>  $read */
    private function beside(array $read): string
    {
        $steps = is_array($read['steps'] ?? null) ? $read['steps'] : [];
        $last = $steps === [] ? null : $steps[count($steps) - 1];
        $condition = is_array($last) ? $last['condition'] ?? $last['if'] ?? null : null;
        $date = is_array($last) && is_array($last['until'] ?? null) && is_string($last['until']['date'] ?? null) ? $last['until'] : null;
        $context = $condition === null && $date === null ? null : ($this->context)();
        if ($context === null) {
            return '';
        }
        try {
            if ($date !== null && is_string($date['date'])) {
                $wait = new WaitForDate('', $date['date'], Offset::read(Doc::of($date['offset'] ?? [])));
                $anchor = $context->facts->at($wait->field);

                return $anchor instanceof Moment || $anchor instanceof Day
                    ? TimeFormatter::momentIn($wait->offset->moment($anchor, $context->clocks()), $context->zone)." for $context->who"
                    : 'this one has none';
            }
            if (is_array($condition)) {
                $weighed = Conditions::read(Doc::of($condition))->weigh($context);

                return ($weighed->holds() ? 'yes: ' : 'no: ').Sentence::of($weighed->reason);
            }
        } catch (Unreadable) {
            return '';
        }

        return '';
    }
}
