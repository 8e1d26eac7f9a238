<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Several;
use Linnet\Core\Prose\Phrase\Under;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Slot\SpanSlot;
use Linnet\Core\Prose\Slot\Whole;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Text\Wording\Turns;

/** What a text step says of its text before the words: to whom, from what, what kind, and how its wordings take turns. */
final class Texts
{
    /** How many wordings stand in the block below; where there is one with nothing to say of it, it is missing. */
    public const WORDINGS = '#wordings';

    public function __construct(private readonly Vocabulary $words, private readonly People $people)
    {
    }

    /** Behind "text" or "ask". */
    public function of(string $type): Phrase
    {
        return Make::seq(
            Make::any(
                new Under('to', $this->people->staff($type, addresses: false)), new Under('to', $this->people->beside($type)),
                $this->people->person($type),
            ),
            $this->numbers($type),
            Make::any(
                Make::seq('from', new Under('from', $this->sender($type))),
                Make::seq(Make::also('by', new Under('from', $this->sender($type)))),
            ),
            ', as a',
            Make::any(
                Make::seq(Make::means(['kind' => 'service']), Make::turn('service text', 'kind')),
                Make::seq(Make::means(['kind' => 'marketing']), Make::turn('marketing text', 'kind')),
            ),
            Make::maybe(', with the picture', Make::slot('picture', new Quoted('picture'))),
            Make::maybe(
                Make::any(
                    Make::seq(
                        ',', Make::turn('only while', 'if late'), new Under('if_late', Make::slot('only_with', new SpanSlot)), 'are left',
                    ),
                    Make::seq(Make::means(['if_late' => 'skip']), ',', Make::turn('unless it is late', 'if late')),
                ),
            ),
            $this->turns(),
        );
    }

    private function numbers(string $type): Phrase
    {
        $else = Make::seq(', else on');
        $number = Make::any(
            Make::slot(
                Several::SELF,
                OneOf::words('which number', [
                    $this->people->contacted($type, 'the number') => 'contacted', 'their mobile' => 'mobile',
                    'their newest number' => 'newest', 'their preferred number' => 'preferred',
                ]),
            ),
            Make::also(
                Make::slot(
                    Several::SELF,
                    OneOf::words('which number', [
                        'the number that called' => 'contacted', 'the number that texted' => 'contacted',
                        'the number they called from' => 'contacted', 'the number they texted from' => 'contacted',
                    ]),
                ),
            ),
        );

        return Make::maybe(', on', new Several('numbers', $number, $else, $else, 1, 4), ',');
    }

    private function sender(string $type): Phrase
    {
        $line = fn (string $key): Phrase => Make::slot($key, OneOf::names('line', $this->words->lines, 'the'));
        $kind = fn (string $kind, string $words): Phrase => Make::seq(Make::means(['line' => $kind]), Make::turn($words, 'line'));

        return Make::any(
            $kind('contacted', $this->people->contacted($type, 'the line')),
            Make::seq(
                Make::means(['line' => 'contacted']),
                Make::any(Make::also('the line they called'), Make::also('the line they texted')),
            ),
            $kind('last_used', 'the line last used'),
            $kind('owner', "the owner's line"),
            Make::seq(Make::means(['line' => 'fixed']), $line('key')),
            Make::seq(
                Make::means(['line' => 'pool']), Make::turn('one of', 'line'),
                new Several('keys', $line(Several::SELF), Make::any(',', Make::also('and')), Make::seq('and')),
                ', always the same for them',
            ),
            Make::seq(
                Make::means(['line' => 'line_pool']), Make::turn('one of the lines of', 'line'),
                Make::slot('called', OneOf::names('pool of lines', $this->words->linePools, quotes: true)), ', always the same for them',
            ),
        );
    }

    private function turns(): Phrase
    {
        $how = Make::any(...array_map(fn (Turns $turns): Phrase => Make::seq(
            $turns === Turns::First ? Make::seq('') : Make::means(['turns' => $turns->value]), Make::turn(self::said($turns), 'turns'),
        ), Turns::cases()), ...[Make::seq(Make::means(['turns' => 'by_weight']), Make::also('by chance'))]);

        return Make::any(
            Make::seq(', in', Make::slot(self::WORDINGS, new Whole(1, 100, 'wording', 'wordings')), ',', $how),
            Make::seq(', in the wordings of', Make::slot('pool', OneOf::names('pool', $this->words->pools, quotes: true)), ',', $how),
            Make::seq(''),
        );
    }

    private static function said(Turns $turns): string
    {
        return match ($turns) {
            Turns::First => 'always the first',
            Turns::InTurn => 'in turn',
            Turns::ByWeight => 'by weight',
            Turns::NoRepeat => 'never the same twice',
            Turns::ByRound => 'the next each time round',
        };
    }
}
