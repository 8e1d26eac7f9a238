<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Under;
use Linnet\Core\Prose\Slot\DaySlot;
use Linnet\Core\Prose\Slot\SpanSlot;
use Linnet\Core\Prose\Slot\TimeSlot;
use Linnet\Core\Prose\Slot\Whole;
use Linnet\Core\Prose\Vocabulary\Vocabulary;

/**
 * The sentences a rule closes with: when it stops, how often it starts, what counts as success, who lets its texts go, who is
 * told of replies, and on which days.
 */
final class Closing
{
    /** The keys of the document in the order in which they are said; each is a sentence of its own. */
    public const KEYS = ['reply', 'we_write', 'while', 'again', 'goal', 'release', 'replies', 'days'];

    /** @var array<string, Phrase> */
    private array $made = [];

    public function __construct(
        private readonly Vocabulary $words,
        private readonly Conditions $conditions,
        private readonly Fields $fields,
        private readonly People $people,
    ) {
    }

    /** Any of them, for a rule of a type and a trigger. */
    public function any(string $type, string $on): Phrase
    {
        return $this->made["$type $on"] ??= Make::any(...array_map(fn (string $key): Phrase => $this->of($key, $type, $on), self::KEYS));
    }

    public function of(string $key, string $type, string $on): Phrase
    {
        return $this->made["$key $type $on"] ??= match ($key) {
            'reply' => Make::any(
                Make::seq(
                    Make::means(['reply' => true]), 'it',
                    Make::any(Make::turn('stops as soon as they reply', 'stop'), Make::also('stops when they reply')),
                    Make::any(', and always when they say stop', Make::also('')),
                ),
                Make::seq(
                    Make::means(['reply' => false]), 'it', Make::turn('goes on even if they reply', 'stop'),
                    Make::any(', and stops only when they say stop', Make::also('')),
                ),
            ),
            'we_write' => Make::any(
                Make::seq(
                    Make::means(['we_write' => 'stop']), 'it',
                    Make::any(Make::turn('stops as soon as one of us writes to them', 'stop'), Make::also('stops when one of us writes to them')),
                ),
                Make::seq(
                    Make::means(['we_write' => 'stand_aside']), 'it',
                    Make::any(
                        Make::turn('stands aside as soon as one of us writes to them', 'stop'),
                        Make::also('stands aside when one of us writes to them'),
                    ),
                ),
            ),
            'while' => Make::seq('it goes on only as long as', new Under('while', $this->conditions->of($type))),
            'again' => Make::any(
                Make::seq('it starts', new Under('again', $this->again($type, $on))),
                Make::seq(
                    'it',
                    new Under(
                        'again',
                        Make::seq(
                            Make::means(['policy' => 'not_within']),
                            Make::any(
                                Make::turn('does not start again for the same person within', 'again'),
                                Make::also('starts not again for the same person within'),
                            ),
                            Make::slot('days', new Whole(1, 3650, 'day', 'days')),
                        ),
                    ),
                ),
            ),
            'goal' => Make::seq(
                'it counts as a success when',
                new Under(
                    'goal',
                    Make::seq(
                        new Under('condition', $this->conditions->of($type)), ', within', Make::slot('within', new SpanSlot),
                        Make::maybe(', worth', Make::lazy(fn (): Phrase => $this->worth($type))),
                    ),
                ),
            ),
            'release' => Make::any(
                Make::seq(
                    new Under(
                        'release',
                        Make::seq(
                            Make::means(['texts' => 'in_one_batch']),
                            Make::turn('its texts wait until somebody lets them go together', 'release'), '; we are asked at',
                            Make::slot('ask_at', new TimeSlot),
                        ),
                    ),
                ),
                Make::seq(
                    new Under(
                        'release',
                        Make::seq(
                            Make::means(['texts' => 'one_by_one']),
                            Make::turn('each of its texts waits until somebody lets it go', 'release'),
                        ),
                    ),
                ),
            ),
            'replies' => Make::seq(
                Make::any('replies are told to', Make::also('replies go to')),
                new Under('replies', $this->people->staff($type, numbers: false)),
            ),
            default => Make::seq(
                'it starts',
                new Under(
                    'days',
                    Make::any(
                        Make::seq('from', Make::slot('first', new DaySlot), 'until', Make::slot('last', new DaySlot), 'only'),
                        Make::seq('from', Make::slot('first', new DaySlot), 'only'),
                        Make::seq('until', Make::slot('last', new DaySlot), 'only'),
                    ),
                ),
            ),
        };
    }

    private function again(string $type, string $on): Phrase
    {
        $policy = fn (string $policy, string $words, string ...$also): Phrase => Make::seq(
            Make::means(['policy' => $policy]),
            Make::any(Make::turn($words, 'again'), ...array_map(fn (string $one): Phrase => Make::also($one), $also)),
        );
        $noun = $this->words->type($type)->noun;

        return Make::any(
            $policy('once_per_record', "once for each $noun", "once per $noun"),
            $on === 'date_reached'
                ? $policy('once_per_occasion', 'once for each date', 'once for each occasion', 'once per date')
                : $policy('once_per_occasion', 'once for each occasion', 'once for each date', 'once per occasion'),
            $policy('once_per_person', 'once ever for each person', 'once ever per person'),
            $policy('every_time', 'every time', 'every time it comes about'),
        );
    }

    /** The field that says what a success was worth; of any type, for a goal may be another record. */
    private function worth(string $type): Phrase
    {
        $others = [];
        foreach ($this->words->records() as $other) {
            if ($other->key !== $type) {
                $others[] = Make::seq('the', Make::lazy(fn (): Phrase => $this->fields->bare($other->key, 'value')), "of the $other->noun");
            }
        }

        return Make::any($this->fields->any($type, 'value'), ...$others);
    }
}
