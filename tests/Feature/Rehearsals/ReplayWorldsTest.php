<?php

declare(strict_types=1);

namespace Tests\Feature\Rehearsals;

use App\Models\MessageOrigin;
use App\Models\Rule;
use App\Rehearsals\PastDays;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Rehearsal\World;
use Linnet\Core\Rule\Rule as CoreRule;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Feature\TownTestCase;
use Tests\Support\LiveWorld;
use Tests\Support\RandomWorlds;

/**
 * Whatever happened in four weeks made by chance, every rule rehearsed over them sends what it really sent, from what was kept alone.
 * WORLDS=1-200 says which of them.
 */
final class ReplayWorldsTest extends TownTestCase
{
    private const AT_ONCE = 10;

    /** What is repeated; what the staff did to single texts and to switches is not. */
    private const HAPPENS = ['record', 'person', 'text', 'label', 'form', 'start'];

    /** @return iterable<string, array{int, int}> */
    public static function worlds(): iterable
    {
        [$first, $last] = explode('-', getenv('WORLDS') ?: '1-2');
        for ($from = (int) $first; $from <= (int) $last; $from += self::AT_ONCE) {
            $to = min($from + self::AT_ONCE - 1, (int) $last);
            yield "worlds $from to $to" => [$from, $to];
        }
    }

    #[DataProvider('worlds')]
    public function testWorldsMadeByChance(int $from, int $to): void
    {
        $this->town->standins->behave('no_keys', true);
        config(['app.url' => 'https://texts.example']);
        $differ = [];
        $many = 0;
        for ($seed = $from; $seed <= $to; $seed++) {
            [$worlds, $rules] = RandomWorlds::of($seed);
            $worlds->only(self::HAPPENS);
            $world = $worlds->build();
            $rules = array_map(fn (CoreRule $rule): CoreRule => $rule->letGo(), $rules);
            (new LiveWorld(
                $world,
                $worlds->document(),
                fn (\DateTimeImmutable $at) => $this->town->clockTo($at->format('Y-m-d\TH:i:s\Z')),
            ))->live($rules);
            app()->forgetScopedInstances();
            foreach (Rule::query()->with('version')->orderBy('id')->get() as $rule) {
                [$life, $paper] = [$this->lived($rule, $world), $this->replayed($rule, $world)];
                $many += count($life);
                if ($life !== $paper) {
                    $differ["world $seed, $rule->key"] = [
                        'on paper' => array_values(array_diff($paper, $life)), 'in life' => array_values(array_diff($life, $paper)),
                    ];
                }
            }
            gc_collect_cycles();
        }
        self::assertSame([], $differ);
        self::assertGreaterThan(2 * ($to - $from), $many);
    }

    /** @return list<string> what left after its first moment, in which the rules were switched on */
    private function lived(Rule $rule, World $world): array
    {
        $texts = DB::table('messages')
            ->where('rule_id', $rule->id)
            ->where('origin', MessageOrigin::Rule->value)
            ->whereNull('to_staff_id')
            ->where('left_at', '>', $world->begins->format('Y-m-d H:i:s'))
            ->where('left_at', '<', $world->ends->format('Y-m-d H:i:s'))
            ->get()
            ->map(fn (\stdClass $row): string => "$row->left_at | $row->person_id | $row->number | $row->body | $row->price_micros")
            ->all();
        sort($texts);

        return $texts;
    }

    /** @return list<string> */
    private function replayed(Rule $rule, World $world): array
    {
        // What was there when it began was there a moment before.
        $begins = $world->begins->modify('+1 second');
        $replayed = resolve(PastDays::class)->replay(
            $rule->id, $rule->written(), [$rule->written()], $begins, $begins, $world->ends, fn () => null,
        );
        $went = [TextState::Left, TextState::Failed];
        $left = array_filter($replayed->texts, fn (OutText $text): bool => in_array($text->state, $went, true));
        $texts = array_values(array_map(fn (OutText $text): string => implode(' | ', [
            $text->settledAt?->format('Y-m-d H:i:s'), $text->to->personId, $text->to->number, $text->composed?->body,
            $text->composed?->price,
        ]), $left));
        sort($texts);

        return $texts;
    }
}
