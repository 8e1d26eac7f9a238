<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use Linnet\Core\Engine\OutText;
use Linnet\Core\Rehearsal\Rehearsal;
use Linnet\Core\Rehearsal\RehearsalResult;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Rehearsal\WorldEventKind;
use Linnet\Core\Time\Zone;
use PHPUnit\Framework\TestCase;
use Tests\Support\RandomWorlds;

/** What holds in every world, whatever happens in it. */
final class PropertiesTest extends TestCase
{
    public function testWhatIsPromisedHoldsInWorldsByChance(): void
    {
        $texts = 0;
        for ($seed = 101; $seed <= 140; $seed++) {
            [$worlds, $rules] = RandomWorlds::of($seed);
            $world = $worlds->build();
            $lived = Rehearsal::of($world, $rules);
            $sent = array_values(array_filter($lived->sent(), fn (OutText $text): bool => $text->to->personId !== null));
            $texts += count($sent);
            $this->noTextAfterAStop($world, $sent, $seed);
            $this->allAtDecentHours($world, $sent, $seed);
            $this->neverTwoForOneStep($lived, $seed);
            $this->withinCapsAndPace($world, $sent, $seed);
            self::assertEquals($this->said($lived), $this->said(Rehearsal::of($worlds->build(), $rules)), 'the same world gives the same');
        }
        self::assertGreaterThan(300, $texts);
    }

    public function testPausingAndResumingChangesNoOrder(): void
    {
        for ($seed = 201; $seed <= 215; $seed++) {
            [$worlds, $rules] = RandomWorlds::of($seed);
            $order = [];
            foreach ($rules as $rule) {
                $order[$rule->key ?? ''] = array_map(fn ($step): string => $step->id(), array_values($rule->flow->steps));
            }
            $lived = Rehearsal::of(
                $worlds
                    ->event('2026-04-01T08:00:00Z', 'rule', ['rule' => $rules[0]->key, 'power' => 'paused'])
                    ->event('2026-04-01T20:00:00Z', 'rule', ['rule' => $rules[0]->key, 'power' => 'on'])
                    ->build(),
                $rules,
            );
            $at = [];
            foreach ($lived->sent() as $text) {
                [$step, $round] = explode('/', $text->name);
                $place = (int) array_search($step, $order[$text->run->rule->key ?? ''] ?? [], true) + 1000 * (int) $round;
                self::assertGreaterThanOrEqual(
                    $at[$text->run->id ?? 0] ?? 0,
                    $place,
                    "world $seed: a run's texts leave in the order of its steps",
                );
                $at[$text->run->id ?? 0] = $place;
            }
        }
    }

    /** @param  list<OutText>  $sent */
    private function noTextAfterAStop(World $world, array $sent, int $seed): void
    {
        $stopped = [];
        foreach ($world->events as $event) {
            if ($event->kind === WorldEventKind::Text && in_array($event->text, ['STOP', 'START'], true)) {
                $stopped[$event->person][] = [$event->at, $event->text === 'STOP'];
            }
        }
        $keys = array_column($world->people, 'key');
        foreach ($sent as $text) {
            $is = false;
            foreach ($stopped[$keys[($text->to->personId ?? 1) - 1]] ?? [] as [$at, $stop]) {
                $is = $at < $text->settledAt ? $stop : $is;
            }
            self::assertFalse($is, "world $seed: a text after a stop");
        }
    }

    /** @param  list<OutText>  $sent */
    private function allAtDecentHours(World $world, array $sent, int $seed): void
    {
        foreach ($sent as $text) {
            foreach ($text->to->zones as $zone) {
                $local = $text->settledAt?->setTimezone(Zone::get($zone))->format('H:i') ?? '';
                self::assertTrue(
                    $local >= ($text->kind->value === 'marketing' ? '09:00' : '08:00') &&
                        $local < ($text->kind->value === 'marketing' ? '19:00' : '20:30'),
                    "world $seed: $local in $zone",
                );
            }
        }
    }

    private function neverTwoForOneStep(RehearsalResult $lived, int $seed): void
    {
        $names = array_map(fn (OutText $text): string => ($text->run->id ?? '')."/$text->name", $lived->texts());
        self::assertSame(array_unique($names), $names, "world $seed");
        $occasions = array_map(
            fn ($run): string => "$run->ruleId {$run->subject->name()} {$run->state->beganAt->getTimestamp()} $run->id",
            $lived->runs(),
        );
        self::assertSame(array_unique($occasions), $occasions);
    }

    /** @param  list<OutText>  $sent */
    private function withinCapsAndPace(World $world, array $sent, int $seed): void
    {
        $cap = $world->configuration->policy->cap;
        $pace = $world->configuration->lines[0]->pace;
        $byPerson = $byLine = [];
        foreach ($sent as $text) {
            $byPerson[$text->to->personId][] = $text->settledAt?->getTimestamp();
            $byLine[$text->line][] = $text->settledAt?->getTimestamp();
        }
        foreach ($byPerson as $times) {
            sort($times);
            foreach ($times as $i => $at) {
                self::assertTrue(
                    $cap->perDay === null || ! isset($times[$i + $cap->perDay]) || $times[$i + $cap->perDay] - $at >= 86_400,
                    "world $seed: over the cap",
                );
                self::assertTrue(! isset($times[$i + 1]) || $cap->gapMinutes * 60 <= $times[$i + 1] - $at, "world $seed: too close");
            }
        }
        $times = $byLine['front-desk'] ?? [];
        sort($times);
        foreach ($times as $i => $at) {
            foreach ([[$pace->perMinute, 60], [$pace->perDay, 86_400]] as [$limit, $window]) {
                self::assertTrue(
                    $limit === null || ! isset($times[$i + $limit]) || $window <= $times[$i + $limit] - $at,
                    "world $seed: too fast",
                );
            }
        }
    }

    /** @return list<string> */
    private function said(RehearsalResult $lived): array
    {
        return array_map(
            fn (OutText $text): string => "$text->name {$text->state->value} {$text->composed?->body} {$text->settledAt?->format('c')}",
            $lived->texts(),
        );
    }
}
