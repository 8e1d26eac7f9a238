<?php

declare(strict_types=1);

namespace Tests\Feature\View;

use App\Models\Conversation;
use App\Models\Record;
use App\Models\Role;
use App\Pages\Story;
use App\Pages\StoryEntry;
use App\Pages\StoryReader;
use Tests\Feature\TestCase;

final class StoryTest extends TestCase
{
    public function testAPersonsStoryTellsTextsCallsAndDecisionsInTheirOrder(): void
    {
        $this->live();

        self::assertSame([
            'Monday 2 March 2026' => [
                'Call: missed, on the front desk, started Mon 2 March 09:59, rang out.',
                'Not started: the line called is “front desk”.',
                'Not started: it was within opening hours (Mon 2 March 10:00).',
                '> Hello Wen',
                '< Thursday?',
                'Follow-ups dropped: Wen replied.',
            ],
            'Tuesday 3 March 2026' => ['< stop', 'Wen texted “stop”. No more texts go to this number.', '> no more texts'],
        ], $this->told(StoryReader::ofPerson($this->person(self::WEN), 'Europe/London')));
    }

    public function testItIsNarrowedToAKindAndGoesUpToADay(): void
    {
        $this->live();
        $wen = $this->person(self::WEN);
        $told = fn (?string $kind, ?string $day = null): array => $this->told($this->actingAs($this->staff(Role::Administrator))
            ->get(route('people.show', array_filter(['person' => $wen->id, 'story' => $kind, 'day' => $day])))
            ->assertOk()
            ->viewData('page')
            ->story());
        self::assertSame([
            'Monday 2 March 2026' => ['> Hello Wen', '< Thursday?'], 'Tuesday 3 March 2026' => ['< stop', '> no more texts'],
        ], $told('texts'));
        self::assertSame(['Monday 2 March 2026' => ['> Hello Wen', '< Thursday?']], $told('texts', '2026-03-02'));
        self::assertSame(
            ['Monday 2 March 2026' => ['Call: missed, on the front desk, started Mon 2 March 09:59, rang out.']],
            $told('records', '2026-03-02'),
        );
        self::assertSame([], $told(null, '2026-03-01'));
        self::assertSame($told(null), array_merge_recursive($told(null, '2026-03-02'), array_diff_key($told(null), $told(null, '2026-03-02'))));
        $this->get(route('people.show', [$wen, 'story' => 'notes']))->assertSee('Nothing of this kind.');
    }

    public function testWhatChangedOfAPersonReadsAsTheirFieldsDo(): void
    {
        $wen = $this->person(self::WEN);
        $this->actingAs($this->staff(Role::Administrator))->post(route('people.numbers', $wen), ['number' => '07700 900999']);
        $this->put(route('people.update', $wen), [
            'first_name' => 'Wen', 'last_name' => 'Petts', 'number' => self::WEN, 'zone' => 'America/New_York',
            'fields' => ['member_since' => '2025-11-29'],
        ])->assertSessionHasNoErrors();
        $said = implode(' ', $this->told(StoryReader::ofPerson($wen, 'Europe/London'))['Monday 2 March 2026'] ?? []);
        self::assertStringContainsString('Number: “+44 7700 900999”', $said);
        self::assertStringContainsString('Time zone: “New York”', $said);
        self::assertStringContainsString('Member since: “Sat 29 Nov 2025”', $said);
    }

    public function testAConversationLeavesOutTheRulesThatDidNotConcernIt(): void
    {
        $this->live();
        $told = $this->told(StoryReader::ofConversation(Conversation::query()->firstOrFail(), 'Europe/London'));

        self::assertSame(
            [
                'Call: missed, on the front desk, started Mon 2 March 09:59, rang out.', '> Hello Wen', '< Thursday?',
                'Follow-ups dropped: Wen replied.',
            ],
            $told['Monday 2 March 2026'],
        );
    }

    public function testEachLineTellsWhatWasSoAtItsMoment(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->post('/records/deal', [
            'fields' => ['title' => 'Summer day', 'stage' => 'asked', 'value' => '900', 'who' => '#'.$this->person(self::WEN)->id],
        ])->assertSessionHasNoErrors();
        $deal = Record::query()->sole();
        foreach (
            [
                '2026-03-03 10:00' => ['stage' => 'offered'],
                '2026-03-04 10:00' => ['title' => 'Autumn day'],
                '2026-03-05 10:00' => ['stage' => 'agreed'],
            ] as $when => $values
        ) {
            $this->travelToMoment($when);
            $this->put("/records/deal/$deal->id", [
                'fields' => ['who' => '#'.$this->person(self::WEN)->id] + $values + $deal->refresh()->values,
            ])->assertSessionHasNoErrors();
        }
        $told = $this->told(StoryReader::ofPerson($this->person(self::WEN), 'Europe/London'));
        $of = fn (string $day): string => implode(' ', preg_grep('/[Dd]eal|day/', $told[$day] ?? []) ?: []);

        self::assertStringContainsString('Summer day, asked', $of('Monday 2 March 2026'));
        self::assertStringStartsWith('Summer day: Stage from “asked” to “offered”', $of('Tuesday 3 March 2026'));
        self::assertStringStartsWith('Autumn day: ', $of('Wednesday 4 March 2026'));
        self::assertStringStartsWith('Autumn day: Stage from “offered” to “agreed”', $of('Thursday 5 March 2026'));
    }

    public function testRecordsThatCameInTogetherAreOneLineThatOpens(): void
    {
        $this->actingAs($this->staff(Role::Administrator));
        foreach (['Spring', 'Summer', 'Autumn'] as $season) {
            $this->post('/records/deal', [
                'fields' => ['title' => "$season day", 'stage' => 'asked', 'who' => '#'.$this->person(self::WEN)->id],
            ])->assertSessionHasNoErrors();
        }
        $entries = StoryReader::ofPerson($this->person(self::WEN), 'Europe/London')->days['Monday 2 March 2026'];
        $together = array_values(array_filter($entries, fn (StoryEntry $entry): bool => $entry->within !== []));

        self::assertSame(['Three records came in together'], array_column($together, 'says'));
        self::assertStringContainsString('Summer day', $together[0]->within[1]->says);
    }

    private function live(): void
    {
        $this->missedCall(self::WEN);
        $this->work();
        $this->travelToMoment('2026-03-02 10:02');
        $this->work();
        $this->travelToMoment('2026-03-02 10:30');
        $this->textFrom(self::WEN, 'Thursday?');
        $this->work();
        $this->travelToMoment('2026-03-03 10:30');
        $this->textFrom(self::WEN, 'stop');
        $this->work();
    }

    /** @return array<string, list<string>> */
    private function told(Story $story): array
    {
        return array_map(
            fn (array $day): array => array_map(
                fn (StoryEntry $entry): string => match (true) {
                    $entry->message === null => $entry->says,
                    $entry->message->isInbound() => "< {$entry->message->body}",
                    default => '> '.
                        (preg_match('/Hello \w+|no more texts/', $entry->message->body, $found) === 1 ? $found[0] : $entry->message->body),
                },
                $day,
            ),
            $story->days,
        );
    }
}
