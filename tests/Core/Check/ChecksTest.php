<?php

declare(strict_types=1);

namespace Tests\Core\Check;

use Linnet\Core\Check\Checks;
use Linnet\Core\Check\Finding;
use Linnet\Core\Check\Question;
use Linnet\Core\Context\EvaluationContext;
use Linnet\Core\Document\Doc;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Record\Facts;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Wording\Wording;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\WeeklyHours;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Vocabularies;
use Tests\Support\Worlds;

/** What is said of a rule before it is published. */
final class ChecksTest extends TestCase
{
    private const TEXT = "text the guest from the front desk, as a service text:\n    | Hello {{ first_name | or: \"there\" }}.";

    /** @return iterable<string, array{string, list<string>}> the rule's text, and the codes found; what blocks with a mark before it */
    public static function rules(): iterable
    {
        $booked = fn (
            string $steps,
            string $closing = 'It goes on even if they reply.',
        ): string => "When a booking comes in:\n  $steps\n$closing It starts every time.";
        yield 'nothing' => [$booked(self::TEXT), []];
        yield 'a field nothing has, in words' => [$booked("text the guest from the front desk, as a service text:\n    | Hi {{ booking.lessen | or: \"you\" }}"), ['!unknown_field']];
        yield 'a field nothing has, in a condition' => [$booked("go on only if the field \"booking.stat\" is \"x\".\n  ".self::TEXT), ['!unknown_field']];
        yield 'a line that is not there' => [$booked("text the guest from the \"attic\", as a service text:\n    | Hi"), ['!no_line']];
        yield 'shared wordings, codes and a rule that are not there' => [$booked("text the guest from the front desk, as a service text, in the wordings of \"tides\", in turn.\n  text the guest from the front desk, as a service text:\n    | {{ code: \"spring\" }}\n  start the rule \"nowhere\" for them."), ['!no_pool', '!no_codes', 'no_rule']];
        yield 'somebody who is not there' => [$booked('notify the member of staff "ghost@osierquay.example" on screen: "Boo."'), ['!no_staff']];
        yield 'a form that is not there' => ["When somebody sends in the form \"regatta\":\n  end: so.", ['!no_form']];
        yield 'a word that means stop' => ["When somebody texts stop:\n  end: so.", ['!reserved_word']];
        yield 'a word of another rule' => ["When somebody texts level to the front desk:\n  end: so.", ['!keyword_owned']];
        yield 'a question from a name' => [$booked("ask the guest from the OsierQuay, as a service text:\n    | Yes?\n    if they answer \"yes\" (yes), go on.\n    if they have not answered within 1 day, go on."), ['!line_one_way']];
        yield 'a name that would have to be answered' => [$booked("text the guest from the OsierQuay, as a service text:\n    | Hi", 'It stops as soon as they reply.'), ['line_no_reply']];
        yield 'no owner' => ["When a basket comes in:\n  text the customer from the owner's line, as a service text:\n    | Hi\nIt starts every time.", ['!no_owner']];
        yield 'nobody called' => [$booked("text the guest from the line they called, as a service text:\n    | Hi"), ['not_contacted']];
        yield 'hours that never open' => [$booked("text the guest from the front desk, as a marketing text:\n    | Hi"), ['!never_open']];
        yield 'behind an end' => [$booked("end: so.\n  ".self::TEXT), ['!behind_end']];
        yield 'behind a case that always holds' => [$booked("if always:\n    end: so.\n  otherwise:\n    end: other."), ['behind_always']];
        yield 'after its event' => ["2 hours before the start of a booking:\n  wait 3 hours, then ".self::TEXT, ['!after_its_event']];
        yield 'just before its event' => ["4 hours before the start of a booking:\n  wait 3 hours, then ".self::TEXT, []];
        yield 'longer than it lives' => [$booked('wait 3 days, then '.self::TEXT), ['waits_too_long']];
        yield 'an empty field with nothing instead' => [$booked("text the guest from the front desk, as a service text:\n    | Hello {{ first_name }}."), ['empty_field']];
        yield 'several parts' => [$booked("text the guest from the front desk, as a service text:\n    | "
            .str_repeat('Bring a towel. ', 12)), ['several_parts']];
        yield 'a character that costs' => [$booked("text the guest from the front desk, as a service text:\n    | It’s {{ first_name | or: \"you\" }}"), ['costly_character']];
        yield 'a link that hides' => [$booked("text the guest from the front desk, as a service text:\n    | See https://qy.ly/a7Xk2"), ['short_link']];
        yield 'shouting' => [$booked("text the guest from the front desk, as a service text:\n    | COME DOWN TO THE QUAY TODAY"), ['shouting']];
        yield 'said twice' => [$booked("text the guest from the front desk, as a service text:\n    | Osier Quay Boathouse: hello. Reply STOP to end."), ['name_twice', 'stop_twice']];
        yield 'the same occasion' => ["When a call comes in, if its outcome is missed:\n  text the caller from the line they called, as a service text:\n    | Hi\nIt starts every time.", ['same_occasion']];
        yield 'another outcome is another occasion' => ["When a call comes in, if its outcome is answered:\n  text the caller from the line they called, as a service text:\n    | Hi\nIt starts every time.", []];
        yield 'a ring' => ["Known as: ring\n\nWhen somebody gets the tag \"a\":\n  add the tag \"b\".", ['ring']];
    }

    /** @param  list<string>  $codes */
    #[DataProvider('rules')]
    public function testWhatIsFound(string $text, array $codes): void
    {
        $findings = Checks::findings($this->question($text));

        self::assertSame(
            $codes,
            array_map(fn (Finding $one): string => ($one->blocks ? '!' : '').substr($one->reason->code, 6), $findings),
            json_encode($findings) ?: '',
        );
    }

    public function testWhatOneClickMends(): void
    {
        $plain = Checks::findings(
            $this->question(
                "When a booking comes in:\n  text the guest from the front desk, as a service text:\n    | It’s “you” {{ first_name | or: \"O’Neil\" }}…",
            ),
        )[0]->mend;
        self::assertSame('It\'s "you" {{ first_name | or: "O’Neil" }}...', $plain?->words);
        $instead = Checks::findings(
            $this->question(
                "When a booking comes in:\n  text the guest from the front desk, as a service text:\n    | Hello {{ first_name | upper }}.",
            ),
        )[0]->mend;
        self::assertSame('Hello {{ first_name | or: "there" | upper }}.', $instead?->words);
    }

    private function question(string $text): Question
    {
        $language = Vocabularies::language();
        $rule = (new RuleReader($language))->read($text);
        self::assertSame([], $rule->errors, json_encode($rule->errors) ?: '');
        $worlds = Worlds::boathouse();
        $set = $worlds
            ->policy([
                'decent_hours' => [
                    'service' => WeeklyHours::daily('08:00', '20:30')->toDocument(),
                    'marketing' => ['week' => array_fill_keys(WeeklyHours::DAYS, [])],
                ],
            ])
            ->build()
            ->configuration;
        $others = array_map(fn (string $other): Rule => (new RuleReader($language))->read($other)->rule ?? self::fail($other), [
            "When somebody texts level:\n  end: so.",
            "When a call comes in, if its outcome is missed:\n  text the caller from the line they called, as a service text:\n    | Sorry.",
            "When somebody gets the tag \"b\":\n  add the tag \"a\".",
        ]);
        $name = new Line(9, 'news', 'OsierQuay', null);
        $closed = WeeklyHours::read(Doc::of(['week' => array_fill_keys(WeeklyHours::DAYS, [])]));
        $now = new \DateTimeImmutable('2026-03-02T10:00:00Z');
        $reached = array_map(
            fn (?string $first): array => [
                new EvaluationContext(
                    $now,
                    Facts::of(
                        array_filter(['first_name' => $first]) + [
                            'booking' => ['lesson' => 'Tour', 'starts_at' => new Moment($now->modify('+2 days'), null)],
                        ],
                    ),
                    $first ?? 'Somebody',
                    'Europe/London',
                    'Europe/London',
                    $closed,
                ),
                new Receiver(
                    who: $first ?? 'Somebody', number: '+447700900301', country: 'GB', kind: NumberKind::Mobile, alive: null,
                    zone: 'Europe/London', zones: ['Europe/London'], locale: 'en_GB',
                ),
            ],
            ['Ann', 'Bo', null],
        );

        return new Question(
            $rule->rule ?? self::fail(), $set->business, $set->policy, $set->words, $set->types, [...$set->lines, $name],
            array_column($set->staff, 'email'), $others, ['hire'], ['water-level' => [new Wording('w', Template::parse('Low.'))]],
            ['welcome'], reached: $reached,
        );
    }
}
