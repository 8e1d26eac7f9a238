<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Models\Message;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\Timer;
use App\Pages\Rules\RulePages;
use Carbon\CarbonImmutable;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rehearsal\RehearsedText;
use Tests\Feature\TestCase;
use Tests\Support\Rules;

/** The rule page shows what will happen: rehearsed and live give the same texts at the same moments, over random rules and callers. */
final class RehearsalEqualsLiveTest extends TestCase
{
    private const CALLERS = [
        '+447700900301', '+14165550142', '+12135550108', '+61491570006', '+61491570156', '+447700900911', '+442079460018', '+33639980412',
    ];

    public function testRehearsedAndLiveAreTheSame(): void
    {
        mt_srand(9);
        Rule::query()->update(['power' => ActivationState::Paused]);
        $texts = 0;
        for ($world = 0; $world < 30; $world++) {
            $this->travelTo(CarbonImmutable::parse('2026-03-20 00:00', 'UTC')->addMinutes($world * 20_160 + mt_rand(0, 1439)));
            $rule = $this->publish($this->randomRule());
            $this->missedCall(self::CALLERS[$world % count(self::CALLERS)])->assertOk();
            $rehearsed = array_map(
                fn (RehearsedText $text): array => [
                    $text->step, $text->wantedAt->format('Y-m-d H:i:s'), $text->leavesAt?->format('Y-m-d H:i:s'), $text->composed?->body,
                    $text->composed?->price,
                ],
                resolve(RulePages::class)->of($rule, null)->rehearsed->texts ?? [],
            );

            $this->work();
            for ($i = 0; $i < 40 && ($due = Timer::query()->whereNotNull('due_at')->min('due_at')) !== null; $i++) {
                $this->travelTo(CarbonImmutable::parse((string) $due, 'UTC')->max(CarbonImmutable::now()));
                $this->work();
            }
            $live = Message::query()
                ->where('rule_id', $rule->id)
                ->orderBy('id')
                ->get()
                ->map(
                    fn (Message $text): array => [
                        $text->step, $text->wanted_at->format('Y-m-d H:i:s'), $text->left_at?->format('Y-m-d H:i:s'),
                        $text->body === '' ? null : $text->body, $text->body === '' ? null : $text->price_micros,
                    ],
                )
                ->all();

            self::assertSame($rehearsed, $live, "world $world: ".json_encode($rule->version?->document['steps']));
            $texts += count($live);
            $rule->update(['power' => ActivationState::Retired]);
        }
        self::assertGreaterThan(40, $texts);
    }

    private function randomRule(): Rules
    {
        $rule = Rules::whenCallIsMissed();
        $texts = [
            'Hello {{ first_name | or: "there" }} at {{ call.started_at | as: "time" }}', 'Still here, {{ first_name }}',
            '{{ pick: "Hi" / "Hey" }}, it was {{ call.started_at | as: "relative day" }}', 'Plain “words”',
        ];
        for ($i = mt_rand(1, 5); $i > 0; $i--) {
            match (mt_rand(0, 4)) {
                0 => $rule->wait(mt_rand(0, 90), 'minutes'),
                1 => $rule->wait(mt_rand(1, 30), ['hours', 'days'][mt_rand(0, 1)]),
                2 => $rule->waitUntil(sprintf('%02d:%02d', mt_rand(0, 23), mt_rand(0, 59)), ['ours', 'theirs'][mt_rand(0, 1)]),
                default => $rule->text($texts[mt_rand(0, 3)].' '.$i),
            };
        }

        return $rule->text('The last');
    }

    private function publish(Rules $rules): Rule
    {
        $rule = Rule::query()->create(['name' => 'A rule', 'power' => ActivationState::On, 'on_since' => CarbonImmutable::now()]);
        $version = RuleVersion::query()->create([
            'rule_id' => $rule->id, 'number' => 1, 'document' => $rules->build()->toDocument(), 'at' => CarbonImmutable::now(),
        ]);
        $rule->update(['version_id' => $version->id]);

        return $rule->refresh();
    }
}
