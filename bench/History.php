<?php

declare(strict_types=1);

namespace Bench;

use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\Rule;
use App\Rehearsals\PastDays;
use Demo\HandClock;
use Demo\Season\Season;
use Demo\SeasonSimulation;
use Linnet\Core\Engine\TextState;
use Psr\Clock\ClockInterface;

/** Ninety days of the boathouse with so many changes, lived through in earnest and on paper. Nobody answers. */
final readonly class History
{
    /** The one that sends most. */
    private const RULE = 'lesson-reminder';

    private Season $season;

    /** @var list<array{first_name?: string, last_name?: string, number: string, handset: string, zone?: string}> */
    private array $people;

    /** @param  int  $changes  about so many */
    public function __construct(int $changes)
    {
        // 400 people come to some 3,600 changes.
        $people = max(100, intdiv($changes * 400, 3600));
        $this->season = new Season($people);
        $this->people = Season::guests($people);
    }

    /** @return array{float, int, int} seconds, changes, texts that left */
    public function live(): array
    {
        $began = hrtime(true);
        (new SeasonSimulation(new HandClock($this->season->begins()), $this->season, fn () => null, answers: false))->live(
            $this->people,
            fn () => null,
        );

        return [(hrtime(true) - $began) / 1e9, iterator_count($this->season->events()), Message::query()->whereNotNull('left_at')->count()];
    }

    /**
     * One rule rehearsed over all of it, with every other that was on, as when somebody asks for it.
     *
     * @return array{float, int, int, int} seconds, texts of that rule on paper, in life, and those that are the same in both
     */
    public function onPaper(): array
    {
        $clock = new HandClock($this->season->ends());
        app()->instance(ClockInterface::class, $clock);
        $rule = Rule::query()->with('version')->where('key', self::RULE)->firstOrFail();
        $began = hrtime(true);
        $replayed = resolve(PastDays::class)->replay(
            $rule->id, $rule->written(), [$rule->written()], $this->season->begins(), $this->season->begins(), $this->season->ends(),
            fn () => null,
        );
        $seconds = (hrtime(true) - $began) / 1e9;
        app()->forgetInstance(ClockInterface::class);
        $paper = [];
        foreach ($replayed->texts as $text) {
            if (in_array($text->state, [TextState::Left, TextState::Failed], true)) {
                $paper[] = "{$text->to->personId} {$text->composed?->body}";
            }
        }
        $life = Message::query()
            ->where('rule_id', $rule->id)
            ->where('origin', MessageOrigin::Rule)
            ->whereNull('to_staff_id')
            ->whereNotNull('left_at')
            ->where('left_at', '<', $this->season->ends())
            ->get(['person_id', 'body'])
            ->map(fn (Message $text): string => "$text->person_id $text->body")
            ->all();
        $same = 0;
        $times = array_count_values($life);
        foreach (array_count_values($paper) as $text => $many) {
            $same += min($many, $times[$text] ?? 0);
        }

        return [$seconds, count($paper), count($life), $same];
    }
}
