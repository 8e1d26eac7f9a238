<?php

declare(strict_types=1);

namespace Demo;

use App\Models\Audience;
use App\Models\Business;
use App\Models\Form;
use App\Models\KeptText;
use App\Models\Line;
use App\Models\Pool;
use App\Models\Rule;
use App\Models\Staff;
use App\Models\TextToSeveral;
use App\Several\Letter;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Audience as Core;
use Linnet\Core\Rule\Rule as Written;

/** What the boathouse has set up besides its people and records: lines, forms, codes, shared wordings, holidays and limits. */
final class SampleTown
{
    /** What so many cost. */
    private const PEOPLE = 400;

    private const MONTH_MICROS = 150_000_000;

    /** @param  int  $people  what a month may cost grows with how many there are */
    public static function all(int $people): void
    {
        Line::query()
            ->where('key', 'front-desk')
            ->update(['purpose' => 'lessons, hire and the shop', 'pace' => json_encode(['per_second' => 5, 'per_day' => 2000])]);
        Line::query()
            ->where('key', 'workshop')
            ->update(['purpose' => 'repairs and boat checks', 'pace' => json_encode(['per_second' => 5, 'per_day' => 500])]);
        Line::query()->create([
            'key' => 'news', 'name' => 'OsierQuay', 'purpose' => 'news, one way', 'power' => ActivationState::On,
            'countries' => ['GB', 'IE'],
        ]);
        Form::query()->create([
            'key' => 'hire', 'name' => 'Ask about hire', 'power' => ActivationState::On, 'line' => 'front-desk',
            'thanks' => 'Thank you. We will text you what is free.', 'wording' => 'Send me news of the quay by text, about once a month.',
            'confirmed_by_text' => true,
        ]);
        Form::query()->create([
            'key' => 'newsletter', 'name' => 'News of the quay', 'power' => ActivationState::On, 'line' => 'front-desk',
            'wording' => 'Yes, news of the quay by text, now and then.', 'confirmed_by_text' => true,
        ]);
        foreach (array_chunk(range(0, 899), 300) as $some) {
            DB::table('codes')->insert(
                array_map(
                    fn (int $i): array => [
                        'list' => 'welcome',
                        'code' => sprintf('QUAY-%04X', crc32("code $i") % 65_536).chr(65 + ($i % 26)).intdiv($i, 26),
                    ],
                    $some,
                ),
            );
        }
        Pool::query()->create(['name' => 'water-level', 'wordings' => [
            ['id' => 'gauge', 'text' => 'The gauge at the quay stands at {{ pick: "0.8" / "0.9" / "1.1" }} m. Above 1.4 m we stay ashore.'],
            ['id' => 'calm', 'text' => 'Calm and low today. The weir stream is quick: keep to the left bank.', 'most' => 500],
            ['id' => 'board', 'text' => 'The board on the quay says green. Ask at the desk before you go out alone.'],
        ]]);
        KeptText::query()->insert([
            ['name' => 'How to find us', 'body' => 'We are at the end of Osier Lane, past the weir. Ring the bell at the gate.'],
            ['name' => 'What to bring', 'body' => 'Hello {{ first_name | or: "there" }}, bring a towel, and shoes that may get wet.'],
            ['name' => 'When the lesson is', 'body' => 'Your {{ booking.lesson }} is on {{ booking.starts_at | as: "weekday time" }}.'],
        ]);
        $business = Business::ours();
        $business->update([
            'holidays' => [
                '2025-12-25', '2025-12-26', '2026-01-01', '2026-04-03', '2026-04-06', '2026-05-04', '2026-05-25', '2026-08-31',
                '2026-12-25', '2026-12-28',
            ],
            'policy' => $business->policy + [
                'cap' => ['per_day' => 8, 'per_week' => 20], 'month_micros' => self::MONTH_MICROS * max(1, intdiv($people, self::PEOPLE)),
            ],
        ]);
    }

    /** Who hears of it when somebody waits for an answer, from now on: of a season that is over nobody is told. */
    public static function staffed(): void
    {
        $those = fn (string ...$names): array => Staff::query()->whereIn('name', $names)->pluck('id')->all();
        Line::query()->where('key', 'front-desk')->sole()->people()->sync($those('Nia Sorrell', 'Tom Reyes'));
        Line::query()->where('key', 'workshop')->sole()->people()->sync($those('Tom Reyes'));
    }

    /** Whom the boathouse writes to at once, and what is being written to them. */
    public static function written(\DateTimeImmutable $now): void
    {
        $booked = ['field' => 'booking.state', 'test' => 'is', 'value' => 'booked'];
        $soon = ['all' => [$booked, ['field' => 'booking.starts_at', 'test' => 'within_next', 'value' => 14]]];
        foreach (
            [
                'Booked this fortnight' => ['booking', $soon],
                'Members who hear from us' => ['person', ['all' => [['tag' => 'member'], ['consent' => 'marketing']]]],
                'Never paddled with us' => ['person', ['related' => 'booking', 'has' => false]],
            ] as $name => [$of, $condition]
        ) {
            Audience::query()->create([
                'name' => $name, 'folded' => mb_strtolower($name), 'of' => $of, 'condition' => $condition, 'at' => $now,
            ]);
        }
        $letter = Letter::begin(
            'Moonlight paddle moved',
            Core::once(Doc::of(['of' => 'booking', 'condition' => ['all' => [
                ['field' => 'booking.lesson', 'test' => 'is', 'value' => 'Moonlight paddle'], ...$soon['all'],
            ]]])),
            false, 'front-desk',
        )->with([
            'words' => '{{ first_name | or: "Hello" }}, the wind is against us on {{ booking.starts_at | as: "weekday" }}. We paddle an hour '
                .'earlier than planned. Write back if that does not suit.',
            'at' => $now->modify('+1 day')->format('Y-m-d').'T09:00', 'theirs' => true,
        ]);
        $rule = Rule::query()->create([
            'name' => $letter->name, 'power' => ActivationState::Paused,
            'draft' => Written::read(Doc::of($letter->toDocument($now, Business::ours()->zone)))->toDocument(),
        ]);
        TextToSeveral::query()->create([
            'rule_id' => $rule->id, 'staff_id' => Staff::query()->where('name', 'Mira Okafor')->sole()->id, 'at_once' => false,
            'at' => $now,
        ]);
    }
}
