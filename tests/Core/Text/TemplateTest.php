<?php

declare(strict_types=1);

namespace Tests\Core\Text;

use Linnet\Core\Record\Facts;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Renderer;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TemplateTest extends TestCase
{
    private const FACTS = [
        'first_name' => 'Ana', 'last_name' => '', 'blank' => " \u{200B}", 'places' => 3, 'going' => true,
        'booking' => [
            'starts_at' => ['at' => '2026-03-14T10:00:00Z', 'zone' => 'Europe/London'],
            'asked_at' => '2026-03-12T23:30:00Z', 'day' => '2026-12-25', 'kit' => ['towel', 'shoes'],
        ],
        'deal' => ['value' => ['amount' => '1234.50', 'currency' => 'GBP'], 'guess' => 12.5],
    ];

    #[DataProvider('filledIn')]
    public function testFillsIn(string $template, string $expected, string $locale = 'en_GB', string $now = '2026-03-13T12:00:00Z'): void
    {
        self::assertSame($expected, self::render($template, $locale, $now));
    }

    /** @return iterable<string, array<string>> */
    public static function filledIn(): iterable
    {
        yield 'words alone' => ['No fields } here {', 'No fields } here {'];
        yield 'a field' => ['Hi {{ first_name }}', 'Hi Ana'];
        yield 'no spaces asked' => ['Hi {{first_name}}', 'Hi Ana'];
        yield 'a fallback not needed' => ['{{ first_name | or: "there" }}', 'Ana'];
        yield 'a fallback for a missing value' => ['{{ nickname | or: "there" }}', 'there'];
        yield 'a fallback for an empty value' => ['{{ last_name | or: "there" }}', 'there'];
        yield 'a value of spaces only is missing' => ['{{ blank | or: "there" }}', 'there'];
        yield 'nothing is a fallback when asked for' => ['Hi{{ nickname | or: "" }}!', 'Hi!'];
        yield 'a fallback is not formatted' => ['{{ nickname | or: "soon" | as: "date" }}', 'soon'];
        yield 'a fallback goes through what follows' => ['{{ nickname | or: "there" | upper }}', 'THERE'];
        yield 'quotes inside quotes' => ['{{ nickname | or: "the \"boss\"" }}', 'the "boss"'];
        yield 'typographic quotes' => ['{{ nickname | or: “there” }}', 'there'];
        yield 'upper, lower, title' => [
            '{{ first_name | upper }} {{ first_name | lower }} {{ first_name | lower | title }}',
            'ANA ana Ana',
        ];
        yield 'limit' => ['{{ first_name | limit: 2 }}', 'An'];
        yield 'numbers and yes or no' => ['{{ places }} {{ going }}', '3 yes'];
        yield 'a list' => ['{{ booking.kit }}', 'towel, shoes'];
        yield 'literal brackets' => ['{{ "{{" }} x }}', '{{ x }}'];
        yield 'a date at a place in the place’s zone' => ['{{ booking.starts_at | as: "weekday time" }}', 'Saturday 10:00'];
        yield 'any other date in the receiver’s' => ['{{ booking.asked_at | as: "date time" }}', '12 March at 19:30'];
        yield 'time' => ['{{ booking.starts_at | as: "time" }}', '10:00'];
        yield 'time in the States, with a plain space' => ['{{ booking.starts_at | as: "time" }}', '10:00 AM', 'en_US'];
        yield 'dates' => [
            '{{ booking.day | as: "date" }}; {{ booking.day | as: "short date" }}; {{ booking.day | as: "long date" }}; {{ booking.day | as: "weekday" }}',
            '25 December; 25 Dec; Friday, 25 December 2026; Friday',
        ];
        yield 'an ICU pattern' => ['{{ booking.starts_at | as: "d/M/yy" }}', '14/3/26'];
        yield 'money' => ['{{ deal.value | as: "money" }} {{ deal.guess | as: "money" }}', '£1,234.50 £12.50'];
        yield 'money in French, with plain spaces' => ['{{ deal.value | as: "money" }}', '1 234,50 £GB', 'fr_FR'];
        yield 'numbers' => ['{{ deal.value | as: "number" }} {{ deal.guess | as: "0.00" }}', '1,234.5 12.50'];
        yield 'tomorrow' => ['{{ booking.starts_at | as: "relative day" }}', 'tomorrow'];
        yield 'today' => ['{{ booking.starts_at | as: "relative day" }}', 'today', 'en_GB', '2026-03-14T12:00:00Z'];
        yield 'still tomorrow for the receiver, whose evening it is' => [
            '{{ booking.starts_at | as: "relative day" }}', 'tomorrow', 'en_GB', '2026-03-14T02:00:00Z',
        ];
        yield 'yesterday' => ['{{ booking.starts_at | as: "relative day" }}', 'yesterday', 'en_GB', '2026-03-15T12:00:00Z'];
        yield 'within the week, the weekday' => [
            '{{ booking.starts_at | as: "relative day" }}', 'on Saturday', 'en_GB', '2026-03-09T12:00:00Z',
        ];
        yield 'a week ahead, the date' => ['{{ booking.starts_at | as: "relative day" }}', 'on 14 March', 'en_GB', '2026-03-07T12:00:00Z'];
        yield 'far ahead, with the year' => [
            '{{ booking.day | as: "relative day" }}', 'on 25 December 2026', 'en_GB', '2025-03-07T12:00:00Z',
        ];
        yield 'in other tongues' => ['{{ booking.starts_at | as: "relative day" }}', 'morgen', 'de_DE'];
    }

    /** @param  array<string, string>  $with */
    #[DataProvider('mistakes')]
    public function testSaysWhatIsWrongAndWhere(string $template, int $at, string $code, array $with = []): void
    {
        try {
            self::fail(self::render($template));
        } catch (TemplateError $e) {
            self::assertSame([$at, "template.$code"], [$e->at, $e->reason()->code]);
            self::assertSame($with, array_intersect_key($e->reason()->with, $with));
        }
    }

    /** @return iterable<string, array<mixed>> */
    public static function mistakes(): iterable
    {
        yield 'a missing value never becomes nothing' => ['Hi {{ nickname }}', 6, 'missing', ['field' => 'nickname']];
        yield 'nor does an empty one' => ['é {{ last_name }}', 5, 'missing'];
        yield 'nor a group of fields' => ['{{ booking }}', 3, 'missing'];
        yield 'never closed' => ['Hé {{ first_name', 3, 'unclosed'];
        yield 'nothing inside' => ['ü{{ }}', 4, 'empty'];
        yield 'no name' => ['{{ 1st }}', 3, 'not_a_field'];
        yield 'an unknown tag' => ['{{ pik: "a" }}', 3, 'unknown_tag', ['name' => 'pik']];
        yield 'a mistyped modifier' => ['{{ first_name | uper }}', 16, 'unknown_modifier', ['nearest' => 'upper']];
        yield 'no modifier' => ['{{ first_name | }}', 16, 'modifier_expected'];
        yield 'a modifier without its value' => ['{{ first_name | or }}', 19, 'argument_expected'];
        yield 'an unquoted fallback' => ['{{ first_name | or: there }}', 20, 'quote_expected'];
        yield 'an open quote' => ['{{ first_name | or: "there }}', 20, 'unclosed_quote'];
        yield 'a limit of nothing' => ['{{ first_name | limit: 0 }}', 23, 'number_expected'];
        yield 'a mistyped format' => ['{{ booking.day | as: "wekday" }}', 21, 'unknown_format', ['nearest' => 'weekday']];
        yield 'no pattern either' => ['{{ booking.day | as: "ööö ###"}}', 17, 'not_a_number'];
        yield 'a date asked of a name' => ['{{ first_name | as: "date" }}', 16, 'not_a_date', ['value' => 'Ana']];
        yield 'a time asked of a day' => ['{{ booking.day | as: "time" }}', 17, 'no_time'];
        yield 'something after the value' => ['{{ first_name last }}', 14, 'close_expected'];
    }

    public function testAlternativesFollowTheSeed(): void
    {
        $template = Template::parse('{{ pick: "Hi" / "Hello" / "Hey" }} and {{ pick: "a" / "b" }}');
        $render = fn (string $seed): string => (new Renderer(
            Facts::of([]), new \DateTimeImmutable('2026-03-13'), 'UTC', 'en_GB', seed: $seed,
        ))->render($template);
        $seen = array_unique(array_map(fn (int $i): string => $render("run $i"), range(1, 60)));

        self::assertSame($render('run 7'), $render('run 7'));
        self::assertCount(6, $seen);
    }

    public function testNoFormatOfAnyLocaleForcesUcs2OnAnEnglishText(): void
    {
        foreach (['en_GB', 'en_US', 'en_AU', 'en_CA', 'fr_FR', 'nl_NL'] as $locale) {
            $text = self::render(
                '{{ booking.starts_at | as: "time" }} {{ deal.value | as: "number" }} {{ booking.starts_at | as: "weekday time" }}',
                $locale,
            );
            self::assertSame([], Length::of($text)->culprits, "$locale: $text");
        }
    }

    public function testRandomTextNeverBreaksTheReader(): void
    {
        mt_srand(11);
        $pieces = ['{{', '}}', ' ', '|', 'or', ':', '"', 'first_name', '.', 'as', 'pick', '/', 'é', '\\', "\n", '“', '7', 'limit'];
        for ($i = 0; $i < 3000; $i++) {
            $text = implode('', array_map(fn (): string => $pieces[mt_rand(0, count($pieces) - 1)], range(1, mt_rand(1, 14))));
            try {
                $nodes = Template::parse($text)->nodes;
                // What was read is written so that it reads the same.
                $written = implode('', array_map(fn (Node $node): string => $node->written(), $nodes));
                self::assertSame(
                    $written,
                    implode('', array_map(fn (Node $node): string => $node->written(), Template::parse($written)->nodes)),
                    $text,
                );
                self::render($text);
            } catch (TemplateError $e) {
                self::assertLessThanOrEqual(mb_strlen($text, 'UTF-8'), $e->at);
            }
        }
        $this->addToAssertionCount(1);
    }

    public function testTagsAreWrittenAsTheyAreRead(): void
    {
        foreach (
            [
                '{{ first_name }}', '{{ a.b | as: "weekday time" | upper | limit: 12 | or: "say \\"so\\" \\“now\\”" }}',
                '{{ pick: "Hi" / "a/b }}" }}', '{{ link: basket.url }}', '{{ code: "welcome" }}', '{{ "{{" }}',
            ] as $tag
        ) {
            self::assertSame([$tag], array_map(fn (Node $node): string => $node->written(), Template::parse($tag)->nodes));
        }
    }

    private static function render(string $template, string $locale = 'en_GB', string $now = '2026-03-13T12:00:00Z'): string
    {
        return (new Renderer(Facts::fromJson(self::FACTS), new \DateTimeImmutable($now), 'America/Toronto', $locale))->render(
            Template::parse($template),
        );
    }
}
