<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Recursive;
use Linnet\Core\Prose\Phrase\Several;
use Linnet\Core\Prose\Phrase\Under;
use Linnet\Core\Prose\Slot\DaySlot;
use Linnet\Core\Prose\Slot\Ending;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Slot\Sign;
use Linnet\Core\Prose\Slot\SpanSlot;
use Linnet\Core\Prose\Slot\TimeSlot;
use Linnet\Core\Prose\Slot\Whole;
use Linnet\Core\Prose\Vocabulary\Vocabulary;

/** What a rule does, a sentence a step, in a rule about a type. */
final class Steps
{
    /** Where a step goes back to: a text by its letter, or a step by its number. */
    public const TARGET = '#to';

    /** That the words stand in the block below. */
    public const BODY = '#body';

    /** @var array<string, Phrase> */
    private array $made = [];

    public function __construct(
        private readonly Vocabulary $words,
        private readonly Conditions $conditions,
        private readonly Fields $fields,
        private readonly Texts $texts,
        private readonly People $people,
        private readonly Changes $changes,
    ) {
    }

    /** A sentence: one step, or several of which each leads to the next, under "steps". */
    public function sentence(string $type): Phrase
    {
        return $this->made["sentence $type"] ??= new Recursive(function () use ($type): Phrase {
            $then = Make::seq(', then');

            return new Several('steps', $this->step($type), Make::any($then, Make::also(Make::free(','), 'and then')), $then);
        });
    }

    public function step(string $type): Phrase
    {
        return $this->made["step $type"] ??= Make::any(
            Make::seq(
                Make::means(['do' => 'text']), Make::free('at once,'), Make::turn('text', 'step'),
                Make::lazy(fn (): Phrase => ($this->made["texts $type"] ??= $this->texts->of($type))),
            ),
            Make::seq(
                Make::means(['do' => 'ask']), Make::free('at once,'), Make::turn('ask', 'step'),
                Make::lazy(fn (): Phrase => ($this->made["texts $type"] ??= $this->texts->of($type))),
            ),
            Make::seq(
                Make::means(['do' => 'wait']),
                Make::any(
                    Make::seq(Make::turn('wait', 'step'), Make::free('for'), Make::slot('for', new SpanSlot)),
                    Make::seq(Make::turn('wait until', 'step'), Make::lazy(fn (): Phrase => $this->until($type))),
                ),
            ),
            Make::seq(
                Make::means(['do' => 'go_on_only_if']),
                Make::turn('go on only if', 'step'),
                new Under('condition', $this->conditions->of($type)),
            ),
            Make::seq(Make::means(['do' => 'branch']), Make::turn('if', 'step'), new Under('if', $this->conditions->of($type))),
            Make::seq(Make::means(['do' => 'change']), Make::lazy(fn (): Phrase => $this->changes->of($type))),
            Make::seq(
                Make::means(['do' => 'tell_staff']), Make::turn('notify', 'step'),
                Make::lazy(fn (): Phrase => new Under('to', $this->people->staff($type))), $this->channel(), $this->quoted(),
            ),
            Make::seq(
                Make::means(['do' => 'task']), Make::turn('give', 'step'),
                Make::lazy(fn (): Phrase => Make::any(new Under('for', $this->people->anybody($type)), Make::turn('the staff', 'who'))),
                'a task', Make::maybe(', due within', Make::slot('due', new SpanSlot)), $this->quoted(),
            ),
            Make::seq(
                Make::means(['do' => 'look_up_number']), Make::turn('look their number up', 'step'), ', unless that was done in the last',
                Make::slot('remember_days', new Whole(1, 365, 'day', 'days', true)),
            ),
            ...array_map(
                fn (string $do): Phrase => Make::seq(
                    Make::means(['do' => "{$do}_rule"]), Make::turn($do, 'step'), 'the rule',
                    Make::slot('rule', OneOf::names('rule', $this->words->rules, quotes: true)), Make::any('for them', Make::also('')),
                ),
                ['start', 'stop'],
            ),
            ...[
                Make::seq(Make::means(['do' => 'call_out']), Make::turn('post to', 'step'), Make::slot('address', Sign::webAddress())),
                Make::seq(
                    Make::means(['do' => 'repeat']), Make::turn('go back to', 'step'), Make::slot(self::TARGET, new Target), ', at most',
                    $this->times(), Make::maybe(', every', Make::slot('every', new SpanSlot)),
                    Make::maybe(', until', new Under('until', $this->conditions->of($type))),
                ),
                Make::seq(Make::means(['do' => 'end']), Make::turn('end:', 'step'), Make::slot('outcome', new Ending('outcome'))),
            ],
        );
    }

    /** What may stand in the block of a question, of a text with wordings, and behind a case. */
    public function inside(string $type, string $which): Phrase
    {
        return $this->made["$which $type"] ??= match ($which) {
            'wording' => Make::any(
                Make::seq(
                    Make::means(['block' => 'wording']),
                    Make::any('wording', Make::seq('wording', Make::slot('number', new Whole(1, 100)))),
                    Make::maybe(', at most', Make::slot('most', new Whole(1, 100_000_000, 'time', 'times'))),
                    Make::maybe(', weight', Make::slot('weight', new Whole(0, 1000))),
                ),
                Make::seq(
                    Make::means(['block' => 'closing']), 'and at the end',
                    Make::maybe(', at most', Make::slot('most', new Whole(1, 100_000_000, 'time', 'times'))),
                    Make::maybe(', weight', Make::slot('weight', new Whole(0, 1000))),
                ),
            ),
            'answer' => Make::any(
                Make::seq(
                    Make::means(['block' => 'answer']), 'if they answer', Make::slot('label', new Quoted('label')), '(', $this->listened(),
                    ')', $this->goOn(),
                ),
                Make::seq(Make::means(['block' => 'unclear']), 'if they say something else, once'),
                Make::seq(
                    Make::means(['block' => 'no_answer']), 'if they have not answered within', Make::slot('within', new SpanSlot),
                    $this->goOn(),
                ),
            ),
            default => Make::any(
                Make::seq(Make::means(['block' => 'case']), 'or if', new Under('if', $this->conditions->of($type)), $this->goOn()),
                Make::seq(Make::means(['block' => 'otherwise']), 'otherwise'),
            ),
        };
    }

    private function goOn(): Phrase
    {
        return Make::maybe(Make::also(', go on'));
    }

    private function listened(): Phrase
    {
        $word = Make::any(Make::slot(Several::SELF, Sign::keyword()));
        $comma = Make::seq(',');

        return Make::seq(
            new Several('words', $word, Make::any($comma, Make::also('or')), $comma),
            Make::maybe(
                Make::any(
                    Make::seq(Make::means(['match' => 'first']), '; as the first word'),
                    Make::seq(Make::means(['match' => 'anywhere']), '; anywhere in it'),
                ),
            ),
            Make::maybe(Make::means(['forgive_typos' => true]), '; typing errors forgiven'),
        );
    }

    /** Under "until". */
    private function until(string $type): Phrase
    {
        $or = Make::seq('or');
        $clock = Make::any(
            Make::seq(Make::turn('where they are', 'clock'), Make::means(['clock' => 'theirs'])),
            Make::means(['clock' => 'ours']),
        );
        $day = Make::seq(Make::slot('day', new DaySlot), 'at', Make::slot('time', new TimeSlot), $clock);
        $time = Make::seq(
            Make::slot('time', new TimeSlot),
            $clock,
            Make::maybe(
                ', on a',
                new Several(
                    'weekdays', Make::slot(Several::SELF, OneOf::words('weekday', Values::WEEKDAYS)), Make::any(',', Make::also('or')), $or,
                    1, 7,
                ),
            ),
        );
        $condition = new Under('condition', $this->conditions->of($type));
        $reply = Make::seq(Make::means(['reply' => true]), Make::turn('they reply', 'until'));
        $for = Make::seq(
            Make::any(Make::seq($reply, 'or', $condition), $reply, $condition),
            ', at most',
            Make::slot('at_most', new SpanSlot),
        );

        return new Under(
            'until',
            Make::any(
                $time,
                $day,
                Offsets::of(['date'], $this->fields->dates($type, 'date'), $this->fields->dates($type, 'date', true), Make::seq(''), false),
                $for,
            ),
        );
    }

    private function channel(): Phrase
    {
        $by = fn (string $by, string $words): Phrase => Make::seq(Make::means(['by' => $by]), Make::turn($words, 'channel'));

        return Make::any($by('notice', 'on screen'), $by('text', 'by text'), $by('email', 'by mail'));
    }

    /** Words in quotes, or in the block below where they hold quotes of their own. */
    private function quoted(): Phrase
    {
        return Make::any(Make::seq(':', Make::slot('words', new Quoted)), Make::means([self::BODY => true]));
    }

    private function times(): Phrase
    {
        return Make::any(
            Make::seq(Make::means(['times' => 1]), Make::turn('once', 'number')),
            Make::slot('times', new Whole(1, 100, 'time', 'times')),
        );
    }
}
