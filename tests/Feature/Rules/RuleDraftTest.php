<?php

declare(strict_types=1);

namespace Tests\Feature\Rules;

use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

final class RuleDraftTest extends TestCase
{
    private Rule $rule;

    protected function setUp(): void
    {
        parent::setUp();
        $this->rule = Rule::query()->where('name', 'like', 'Front desk%')->firstOrFail();
        $this->actingAs($this->staff(Role::Administrator));
    }

    /** @param  array<string, string>  $edit */
    #[DataProvider('edits')]
    public function testAWordChangedInPlaceChangesTheDocument(array $edit, string $path, mixed $expected): void
    {
        $this->patch(route('rules.draft.update', $this->rule), $edit)->assertSessionHasNoErrors()->assertRedirect();

        self::assertSame($expected, data_get($this->rule->refresh()->draft, $path));
        self::assertSame(1, RuleVersion::query()->where('rule_id', $this->rule->id)->count());
    }

    /** @return iterable<string, array{array<string, string>, string, mixed}> */
    public static function edits(): iterable
    {
        yield 'the name' => [['part' => 'name', 'value' => 'Front desk, again'], 'name', 'Front desk, again'];
        yield 'a wait' => [['part' => 'wait', 'step' => 'breathe', 'amount' => '3', 'value' => 'hours'], 'steps.0.for', ['amount' => 3, 'unit' => 'hours']];
        yield 'the words' => [['part' => 'wording', 'step' => 'first', 'text' => 'Hi {{ first_name | or: "you" }}'], 'steps.1.wordings.0.text', 'Hi {{ first_name | or: "you" }}'];
        yield 'the line it leaves from' => [['part' => 'from', 'step' => 'first', 'value' => 'workshop'], 'steps.1.from', ['line' => 'fixed', 'key' => 'workshop']];
        yield 'the kind' => [['part' => 'kind', 'step' => 'first', 'value' => 'marketing'], 'steps.1.kind', 'marketing'];
        yield 'at any time' => [['part' => 'hours', 'value' => 'any'], 'conditions.all.2', null];
        yield 'while closed' => [['part' => 'hours', 'value' => 'closed'], 'conditions.all.2', ['hours' => 'closed']];
        yield 'any line' => [['part' => 'line', 'value' => ''], 'conditions.all.1', ['hours' => 'open']];
        yield 'another line' => [['part' => 'line', 'value' => 'workshop'], 'conditions.all.1.value', 'workshop'];
        yield 'after a reply' => [['part' => 'reply', 'value' => 'no'], 'stop_early.reply', false];
        yield 'how often' => [['part' => 'again', 'value' => 'not_within', 'days' => '7'], 'again', ['policy' => 'not_within', 'days' => 7]];
    }

    /** @param  array<string, string>  $edit */
    #[DataProvider('mistakes')]
    public function testAMistakeStandsAtItsWordAndNothingIsLost(array $edit, string $place, string $says): void
    {
        $this->patch(route('rules.draft.update', $this->rule), $edit)->assertSessionHasErrors($place);
        self::assertNull($this->rule->refresh()->draft);

        $this->patch(route('rules.draft.update', $this->rule), $edit, ['HX-Request' => 'true'])->assertStatus(422)
            ->assertSee($says)->assertSee($edit['text'] ?? $says);
    }

    /** @return iterable<string, array{array<string, string>, string, string}> */
    public static function mistakes(): iterable
    {
        yield 'a wait of words' => [['part' => 'wait', 'step' => 'breathe', 'amount' => 'two', 'value' => 'minutes'], 'wait-breathe', 'A whole number from 0 to'];
        yield 'words with an open field' => [['part' => 'wording', 'step' => 'first', 'text' => 'Hello {{ first_name'], 'wording-first', 'At character 7: This field begins with'];
        yield 'no words' => [['part' => 'wording', 'step' => 'second', 'text' => ' '], 'wording-second', 'Some text is expected here.'];
        yield 'no name' => [['part' => 'name', 'value' => ''], 'name', 'Some text is expected here.'];
        yield 'no days' => [['part' => 'again', 'value' => 'not_within', 'days' => ''], 'again', 'A whole number from 1'];
    }

    public function testPublishingLeavesWhatIsUnderWayOnTheOldWords(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->patch(route('rules.draft.update', $this->rule), ['part' => 'wording', 'step' => 'first', 'text' => 'New words for {{ first_name }}']);
        $this->post(route('rules.draft.publish', $this->rule))->assertRedirect();
        $this->missedCall('+447700900308');
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();

        self::assertStringContainsString('sorry we missed your call', $this->handedOver[0]['text']);
        self::assertStringContainsString('New words for Priya', $this->handedOver[1]['text']);
        self::assertSame([2, null], [$this->rule->refresh()->version?->number, $this->rule->draft]);
    }

    public function testAChangeTakenBackIsNoDraft(): void
    {
        $this->patch(route('rules.draft.update', $this->rule), ['part' => 'reply', 'value' => 'no']);
        $this->patch(route('rules.draft.update', $this->rule), ['part' => 'reply', 'value' => 'yes']);
        self::assertNull($this->rule->refresh()->draft);

        $this->patch(route('rules.draft.update', $this->rule), ['part' => 'reply', 'value' => 'no']);
        $this->delete(route('rules.draft.destroy', $this->rule))->assertRedirect();
        self::assertNull($this->rule->refresh()->draft);
    }

    public function testThePageReadsAsProseWithTheTextAtItsMoment(): void
    {
        $this->missedCall('+14165550142');
        $this->work();

        $page = $this->get(route('rules.show', $this->rule))->assertOk()
            ->assertSee('Osier Quay Boathouse: Hello Ana, sorry we missed your call at 04:59')
            ->assertSee('held from 05:02')->assertSee('0.9p to Ana')->assertSee('hours shown in Toronto');
        self::assertStringContainsString(
            'When a call is missed on the front desk, while we are open:',
            (string) preg_replace('/\s+/', ' ', strip_tags((string) preg_replace('#<form.*?</form>#s', '', (string) $page->getContent()))),
        );
    }

    public function testThePreviewShowsTheWordsBeingTypedOrWhatIsWrongWithThem(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $preview = fn (string $text) => $this->post(route('rules.preview', $this->rule), ['step' => 'first', 'text' => $text])->assertOk();

        $preview('Hi {{ first_name }} “now”')->assertSee('Hi Wen “now”')->assertSee('make it cost more');
        $preview('Hi {{ first_name | uper }}')->assertSee('Did you mean “upper”?');
        $preview('Hi {{ nickname }}')->assertSee('There is no value for “nickname”');
    }
}
