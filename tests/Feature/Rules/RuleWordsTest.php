<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Role;
use App\Models\Rule;
use Tests\Feature\TestCase;

/** The words of a text while they are written. */
final class RuleWordsTest extends TestCase
{
    private Rule $rule;

    protected function setUp(): void
    {
        parent::setUp();
        $this->rule = Rule::query()->where('name', 'like', 'Front desk%')->firstOrFail();
        $this->actingAs($this->staff(Role::Administrator));
        $this->missedCall(self::WEN);
        $this->work();
    }

    public function testThePreviewShowsTheWordsBeingTypedOrWhatIsWrongWithThem(): void
    {
        $preview = fn (string $text) => $this->post(route('rules.words', $this->rule), ['step' => 'first', 'text' => $text])->assertOk();

        $preview('Hi {{ first_name }} “now”')->assertSee('Hi Wen “now”')->assertSee('make it cost more')->assertSee('data-costly="“”"', false);
        $preview('Hi {{ first_name | uper }}')->assertSee('Did you mean “upper”?');
        $preview('Hi {{ nickname }}')->assertSee('There is no value for “nickname”');
        $this->post(route('rules.words', $this->rule), ['step' => 'second', 'text' => 'Hello {{ call.started_at | as: "time" }}'])->assertSee('Hello 09:59');
    }

    public function testWhatIsFilledInIsSaidAsOneReadsIt(): void
    {
        $answer = (string) $this->post(route('rules.words', $this->rule), ['step' => 'first', 'text' => 'Hi {{ first_name | or: "there }}" }}, {{call.started_at|as:"time"}} {{ link: call.whence }} {{ pick: "a" / "b" }} {{ broken | }}'])->assertOk()->getContent();
        preg_match('/data-tokens="([^"]*)"/', $answer, $found);

        self::assertSame([
            '{{ first_name | or: "there }}" }}' => 'first name · or “there }}”', '{{call.started_at|as:"time"}}' => 'start · time', '{{ link: call.whence }}' => 'short link to call whence', '{{ pick: "a" / "b" }}' => 'one of a / b',
        ], json_decode(html_entity_decode($found[1] ?? ''), true));
        $offered = array_column($this->getJson(route('rules.words.fields', $this->rule))->assertOk()->json(), 'beside', 'whole');
        self::assertSame(['Wen', 'missed', 'Osier Quay Boathouse'], [$offered['{{ first_name }}'] ?? null, $offered['{{ call.outcome }}'] ?? null, $offered['{{ business.name }}'] ?? null]);
    }

    public function testATagIsChangedInPlaceWithWhatItComesTo(): void
    {
        $choices = fn (array $said): string => html_entity_decode((string) $this->get(route('rules.words.token', [$this->rule, ...$said]))->assertOk()->getContent(), ENT_QUOTES);

        $of = $choices(['token' => '{{ call.started_at }}']);
        self::assertStringContainsString('For Wen this says <b>2 March at 09:59</b>', $of);
        self::assertStringContainsString('weekday time <span class="soft">Monday 09:59</span>', $of);
        self::assertStringNotContainsString('value="money"', $of);
        self::assertStringContainsString('data-whole="{{ call.started_at | as: "time" | or: "soon" }}"', $choices(['token' => '{{ call.started_at }}', 'path' => 'call.started_at', 'as' => 'time', 'missing' => 'words', 'fallback' => 'soon']));
        self::assertStringContainsString('data-whole="{{ first_name | upper | limit: 9 | or: "" }}"', $choices(['token' => '{{ last_name }}', 'path' => 'first_name', 'letters' => 'upper', 'limit' => 9, 'missing' => 'nothing']));
        self::assertStringContainsString('data-whole="{{ pick: "a" / "b c" }}"', $choices(['token' => '{{ pick: "x" }}', 'choices' => " a\n\nb c\n"]));
        self::assertStringContainsString('It is empty for Wen, who would get no text for that', $choices(['token' => '{{ email }}']));
        $this->get(route('rules.words.token', [$this->rule, 'token' => 'no tag']))->assertNotFound();
    }

    public function testHowLongItIsForAllWhomItReachesIsCounted(): void
    {
        $this->missedCall('+447700900308');
        $this->work();
        $bounds = fn (string $text): string => (string) $this->post(route('rules.words.bounds', $this->rule), ['step' => 'first', 'text' => $text])->assertOk()->getContent();

        // The first text says who it is from, and how to stop it.
        self::assertSame('for the 2 it reaches today: 53 to 55 characters, half of them up to 53, one part', $bounds('{{ first_name | or: "there" }}'));
        self::assertSame('', $bounds('{{ first_name'));
        self::assertStringContainsString('two parts', $bounds(str_repeat('ł', 50)));
        $this->get(route('rules.checks', $this->rule))->assertOk()->assertSee('hx-swap-oob="true">for the 2 it reaches today', false);
    }
}
