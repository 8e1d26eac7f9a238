<?php

declare(strict_types=1);

namespace Tests\Feature\Engine;

use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Run;
use App\Models\Timer;
use Carbon\CarbonImmutable;
use Linnet\Core\Time\WeeklyHours;
use Tests\Feature\TestCase;

/** Random days on the quay, with a fixed seed: calls, replies, stops, things told twice, and a clock that moves by leaps. */
final class RandomDaysTest extends TestCase
{
    private const PEOPLE = [
        '+447700900301', '+447700900308', '+14165550142', '+12135550108', '+61491570006', '+447700900911', '+442079460018',
    ];

    private const WORDS = ['Hello?', 'STOP', 'start', 'Can I come on Friday?', 'Help'];

    /** @var array<string, CarbonImmutable> when a number last said stop and has not said start since */
    private array $stopped = [];

    /** @var list<array{to: string, at: CarbonImmutable, stopped: bool}> */
    private array $log = [];

    public function testWhateverHappensTheLawsHold(): void
    {
        mt_srand(42);
        for ($i = 0; $i < 160; $i++) {
            $this->something();
            $this->work();
            $this->note();
        }
        $this->travel(3)->days();
        $this->work();
        $this->note();

        self::assertGreaterThan(30, count($this->log));
        $this->nothingAfterAStop();
        $this->nothingOutsideDecentHours();
        $this->nothingTwice();
        $this->noFollowUpAfterAReply();
        self::assertSame(
            [],
            array_diff(Run::query()->where('live', true)->pluck('id')->all(), $this->watched()),
            'a live run has nothing that would wake it',
        );
    }

    private function something(): void
    {
        $number = self::PEOPLE[mt_rand(0, count(self::PEOPLE) - 1)];
        match (mt_rand(0, 6)) {
            0, 1, 2 => $this->missedCall($number, mt_rand(0, 3) === 0 ? ['ref' => 'again-'.mt_rand(1, 4)] : []),
            3, 4 => $this->text($number, self::WORDS[mt_rand(0, count(self::WORDS) - 1)]),
            5 => $this->travel(mt_rand(1, 180))->minutes(),
            default => $this->travel(mt_rand(4, 30))->hours(),
        };
    }

    private function text(string $number, string $words): void
    {
        $this->textFrom($number, $words)->assertOk();
        if ($words === 'STOP') {
            $this->stopped[$number] ??= CarbonImmutable::now();
        } elseif ($words === 'start') {
            unset($this->stopped[$number]);
        }
    }

    /** What the carrier took since the last look, with what was true of its receiver then. */
    private function note(): void
    {
        for ($i = count($this->log); $i < count($this->handedOver); $i++) {
            $to = $this->handedOver[$i]['to'];
            $this->log[] = [
                'to' => $to,
                'at' => CarbonImmutable::now(),
                'stopped' => isset($this->stopped[$to]) && ! str_contains($this->handedOver[$i]['text'], 'no more texts from us'),
            ];
        }
    }

    private function nothingAfterAStop(): void
    {
        self::assertSame([], array_filter($this->log, fn (array $entry): bool => $entry['stopped']));
    }

    private function nothingOutsideDecentHours(): void
    {
        $hours = WeeklyHours::daily('08:00', '20:30');
        foreach (
            Message::query()->where('origin', MessageOrigin::Rule)->whereIn('state', MessageState::left())
                ->with('person.number')->get() as $text
        ) {
            foreach ($text->person->number->zones ?? [] as $zone) {
                self::assertTrue(
                    $hours->isOpen($text->left_at ?? self::fail(), new \DateTimeZone($zone)),
                    "$text->number at {$text->left_at->format('c')} in $zone",
                );
            }
        }
    }

    private function nothingTwice(): void
    {
        self::assertSame(count($this->handedOver), count(array_unique(array_column($this->handedOver, 'key'))));
        self::assertSame(Run::query()->count(), Run::query()->selectRaw('distinct rule_id, occasion')->toBase()->get()->count());
    }

    private function noFollowUpAfterAReply(): void
    {
        foreach (
            Message::query()->where('origin', MessageOrigin::Rule)->whereIn('state', MessageState::left())->with('run')->get() as $text
        ) {
            $replied = Message::query()
                ->where('origin', MessageOrigin::Them)
                ->where('person_id', $text->person_id)
                ->where('at', '>', $text->run->began_at ?? self::fail())
                ->where('at', '<', $text->left_at)
                ->exists();
            self::assertFalse($replied, "$text->name left after a reply");
        }
    }

    /** @return array<int> runs that a timer, of their own or of their text, will wake */
    private function watched(): array
    {
        $texts = Timer::query()->where('kind', Timer::MESSAGE)->pluck('subject_id');

        return [...Timer::query()->where('kind', Timer::RUN)->pluck('subject_id')->map(intval(...))->all(),
            ...Message::query()->whereIn('id', $texts)->orWhere('state', MessageState::SetAside)->pluck('run_id')->map(intval(...))->all()];
    }
}
