<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Models\Line;
use App\Models\Role;
use App\Models\Rule;
use App\Models\Run;
use App\Models\Staff;
use App\Rehearsals\PastDays;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TestCase;

/** Where a human writes, what a rule would have said stops, or stands aside, as the rule says. */
final class AsideTest extends TestCase
{
    #[DataProvider('manners')]
    public function testWhatFollowsIsNotSaidUnlessItIsGivenBack(string $sentence, bool $follows, bool $canBeGivenBack): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $rule = $this->rule($sentence);
        $this->missedCall(self::WEN);
        $this->work();
        self::assertSame(['We missed you.'], $this->said());
        $this->travelToMoment('2026-03-02 10:05');
        $wen = $this->person(self::WEN);
        $this->post(route('people.texts.store', $wen), ['text' => 'I rang back.', 'line' => Line::query()->firstOrFail()->id]);
        $this->travelToMoment('2026-03-02 12:00');
        $this->work();
        self::assertSame($follows ? ['We missed you.', 'Still there?'] : ['We missed you.'], $this->said());

        $run = Run::query()->where('rule_id', $rule->id)->sole();
        if ($canBeGivenBack) {
            $this->get(route('people.show', $wen))->assertSee('stands aside');
            $this->actingAs(Staff::query()->where('role', Role::Agent)->firstOrFail());
            $this->post(route('runs.give-back', $run))->assertSessionHas('done', 'It goes on, with every safeguard.');
            $this->work();
            self::assertSame(['We missed you.', 'Still there?'], $this->said());
        }
        $this->post(route('runs.give-back', $run))->assertSessionHas('done', 'It had gone on, or ended, already.');
        self::assertFalse($run->refresh()->live);
        // The same, carried out over the days as they were.
        self::assertSame($this->said(), $this->replayed($rule->refresh()));
    }

    /** @return iterable<string, array{string, bool, bool}> */
    public static function manners(): iterable
    {
        yield 'nothing is said of it' => ['', true, false];
        yield 'it stops' => ['It stops as soon as one of us writes to them.', false, false];
        yield 'it stands aside' => ['It stands aside as soon as one of us writes to them.', false, true];
    }

    private function rule(string $sentence): Rule
    {
        Rule::query()->where('power', 'on')->update(['power' => 'paused']);
        $text = "When a call comes in:\n  text the caller from the front desk, as a service text:\n    | We missed you.\n"
            ."  wait 1 hour, then text the caller from the front desk, as a service text:\n    | Still there?\n\nIt goes on even if they reply.\n$sentence\n";
        $this->post(route('rules.begin.store'), ['text' => $text, 'name' => 'Missed'])->assertSessionHasNoErrors();
        $rule = Rule::query()->where('name', 'Missed')->sole();
        $this->post(route('rules.draft.publish', $rule))->assertSessionHasNoErrors();
        $this->put(route('rules.power', $rule), ['power' => 'on']);

        return $rule;
    }

    /** @return list<string> */
    private function replayed(Rule $rule): array
    {
        $from = new \DateTimeImmutable('2026-03-02T09:00:00Z');
        $until = new \DateTimeImmutable('2026-03-03T09:00:00Z');
        $replayed = resolve(PastDays::class)->replay($rule->id, $rule->written(), [$rule->written()], $from, $from, $until, fn () => null);
        $left = array_filter($replayed->texts, fn (OutText $text): bool => $text->state === TextState::Left);

        return array_values(array_map(fn (OutText $text): string => (string) $text->composed?->words, $left));
    }

    /** @return list<string> what the rule said, without what Linnet adds */
    private function said(): array
    {
        return array_map(
            fn ($text): string => str_replace(['Osier Quay Boathouse: ', ' Reply STOP to hear no more.'], '', $text->body),
            $this->textsTo(self::WEN),
        );
    }
}
