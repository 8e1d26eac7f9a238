<?php

declare(strict_types=1);

namespace Tests\Core\Prose;

use Linnet\Core\Prose\Completion;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Prose\Part;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Prose\Sentences;
use Linnet\Core\Prose\Token;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Vocabularies;

/** Sentences as people write them, and half of them. */
final class ReadingTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function beginnings(): iterable
    {
        yield 'another word for comes in' => ['If a booking is added', 'when a booking comes in'];
        yield 'the name on screen of a field' => ['When the Starts of a booking changes', 'when the start of a booking changes'];
        yield 'digits and half words' => ['2h before the start of a booking', '2 hours before the start of a booking'];
        yield 'a number in words' => [
            'three working days before the due date of an invoice at 9.30',
            '3 working days before the due date of an invoice, at 09:30',
        ];
        yield 'a clock with two halves' => [
            'on the day before the start of a booking, at 6pm where they are',
            'on the day before the start of a booking, at 18:00 where they are',
        ];
        yield 'drawn together' => [
            "When a call comes in, if they haven't agreed to offers and we're closed",
            'when a call comes in, if they have not agreed to offers and we are closed',
        ];
        yield 'or without either' => [
            'When a call comes in, if we are closed or they have replied',
            'when a call comes in, if either we are closed or they have replied',
        ];
        yield 'money without its sign' => [
            'When a deal comes in, if its value is over 1000',
            'when a deal comes in, if its value is more than £1,000',
        ];
        yield 'a date in another order' => ['On March 16, 2026 at 9am, for everyone', 'on 16 March 2026 at 09:00, for everybody'];
        yield 'the birthday of a person' => [
            'On the joining day of a person, every year, at noon where they are',
            "on somebody's joining day, every year, at 12:00 where they are",
        ];
        yield 'within without its side' => [
            'When somebody gets the tag "member", if they have a booking whose start is within 60 days',
            'when somebody gets the tag "member", if they have a booking whose start is within the next 60 days',
        ];
    }

    #[DataProvider('beginnings')]
    public function testABeginningIsReadAsItIsMeant(string $written, string $settled): void
    {
        $this->settles(Vocabularies::language()->beginning(), $written, $settled);
    }

    /** @return iterable<string, array{string, string}> */
    public static function steps(): iterable
    {
        yield 'send for text, and another word for the person' => [
            'Send them from the front desk, as a service text',
            'text the guest from the front desk, as a service text',
        ];
        yield 'half an hour' => ['wait half an hour', 'wait 30 minutes'];
        yield 'an hour' => ['Pause for an hour', 'wait 1 hour'];
        yield 'a wait that leads on' => [
            "wait 1 day, and then go on only if they haven't replied",
            'wait 1 day, then go on only if they have not replied',
        ];
        yield 'the only instructor there is' => [
            'tell the instructor by e-mail: "Look."',
            'notify the booking\'s instructor by mail: "Look."',
        ];
        yield 'the article of a line' => [
            'ask the customer from workshop, as service text',
            'ask the guest from the workshop, as a service text',
        ];
        yield 'changes without commas' => [
            'set state to cancelled and add the tag "late" and put them on the list "x"',
            'set the state to cancelled, add the tag "late", and put them onto the list "x"',
        ];
        yield 'curly quotes' => ['end: “all well.”', 'end: "all well."'];
    }

    #[DataProvider('steps')]
    public function testAStepIsReadAsItIsMeant(string $written, string $settled): void
    {
        $this->settles(Vocabularies::language()->steps('booking'), $written, $settled);
    }

    /** "Sends" is another word for "texts": a form half said is no keyword. */
    public function testAFormHalfSaidIsNotAKeyword(): void
    {
        $beginning = Vocabularies::language()->beginning();

        self::assertInstanceOf(ProseError::class, Sentences::read($beginning, 'when somebody sends in'));
        self::assertSame(
            ['when somebody sends in the form'],
            array_map(fn (Completion $one): string => $one->whole, Sentences::complete($beginning, 'when somebody sends in ')),
        );
        $quoted = Sentences::read($beginning, 'when somebody texts "in"');
        self::assertIsArray($quoted);
        self::assertSame(['in'], $quoted['trigger']['words'] ?? null);
    }

    public function testConditionsMayStandOnLinesOfTheirOwn(): void
    {
        $read = (new RuleReader(Vocabularies::language()))->read(
            "When a call comes in, if one of these:\n    we are closed\n    all of these:\n      its outcome is missed\n      they have not replied:\n  end: so.\nIt stops as soon as they reply. It starts every time.",
        );
        self::assertSame([], $read->errors);
        self::assertSame(
            [
                'any' => [
                    ['hours' => 'closed'],
                    ['all' => [['field' => 'call.outcome', 'test' => 'is', 'value' => 'missed'], ['replied' => false]]],
                ],
            ],
            $read->rule?->conditions->toDocument(),
        );
    }

    /** However far one has come with a sentence that Linnet would write, what comes next in it is offered. */
    public function testHalfASentenceIsOfferedItsOtherHalf(): void
    {
        $language = Vocabularies::language();
        $tried = 0;
        foreach (glob(dirname(__DIR__, 3).'/demo/rules/*.json') ?: [] as $file) {
            $rule = Rule::fromJson((string) file_get_contents($file));
            $type = $rule->trigger->type();
            foreach ((new RuleWriter($language))->lines($rule) as $line) {
                $phrase = match ($line->kind) {
                    LineKind::Beginning => $language->beginning(),
                    LineKind::Steps => $language->steps($type),
                    LineKind::Closing => $language->closing($type, $rule->trigger->toDocument()['on'] ?? ''),
                    LineKind::Answer => $language->inside($type, 'answer'),
                    LineKind::Wording => $language->inside($type, 'wording'),
                    LineKind::Branch => $language->inside($type, 'case'),
                };
                $sentence = Part::join($line->parts);
                if ($sentence === 'go on' || str_ends_with($sentence, ', go on')) {
                    continue;
                }
                foreach (Token::all($sentence) as $i => $token) {
                    $tried++;
                    $this->goesOn($phrase, $sentence, substr($sentence, 0, $token->start));
                    if (preg_match('/^\p{L}{4,}$/Du', $token->text) === 1) {
                        $this->goesOn($phrase, $sentence, mb_strcut($sentence, 0, $token->start + 2, 'UTF-8'));
                    }
                }
            }
        }
        self::assertGreaterThan(1500, $tried);
    }

    public function testTheFirstListIsTheKindsOfSentences(): void
    {
        $completions = Sentences::complete(Vocabularies::language()->steps('booking'), '');
        $words = array_map(fn (Completion $one): string => $one->words, $completions);
        foreach (
            [
                'text', 'ask', 'wait', 'wait until', 'go on only if', 'if', 'set', 'add', 'notify', 'give', 'look their number up', 'start',
                'stop', 'post to', 'go back to', 'end:',
            ] as $kind
        ) {
            self::assertContains($kind, $words);
        }
    }

    private function goesOn(Phrase $phrase, string $sentence, string $begun): void
    {
        $offered = Sentences::complete($phrase, $begun);
        $right = array_filter(
            $offered,
            fn (Completion $one): bool => str_starts_with(Token::fold($sentence), Token::fold($one->whole)) ||
                in_array(
                    $one->kind,
                    [
                        'span', 'number', 'money', 'time', 'date', 'words', 'keyword', 'number', 'mail address', 'web address', 'outcome',
                        'picture', 'label', 'step', 'tag', 'list', 'rule',
                    ],
                    true,
                ),
        );
        self::assertNotSame(
            [],
            $right,
            "“{$begun}” of “{$sentence}” is offered: ".implode(' | ', array_map(fn (Completion $one): string => $one->whole, $offered)),
        );
    }

    private function settles(Phrase $phrase, string $written, string $settled): void
    {
        $read = Sentences::read($phrase, $written);
        self::assertNotInstanceOf(ProseError::class, $read, json_encode($read) ?: '');
        self::assertSame($settled, Part::join(Sentences::write($phrase, $read)));
    }
}
