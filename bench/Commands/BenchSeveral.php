<?php

declare(strict_types=1);

namespace Bench\Commands;

use App\Audiences\AudienceQuery;
use App\Engine\Runner;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Line;
use App\Models\Rule;
use App\Models\Staff;
use App\Models\TextToSeveral;
use App\Several\Letter;
use App\Several\LettingGo;
use App\Several\WhoGetsIt;
use Bench\Town;
use Bench\Waiting;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Document\Doc;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Rule\Audience;
use Linnet\Core\Rule\Rule as Core;
use Psr\Clock\ClockInterface;

/** Very many people: how soon an audience of them is counted, and a text to them all is worked out and prepared. */
final class BenchSeveral extends Command
{
    /** Seconds. */
    private const COUNTED = 1.0;

    private const PREPARED = 60.0;

    private const PIECE = 1.0;

    protected $signature = 'linnet:bench-several
        {--people=100000 : How many people there are}
        {--at=2026-03-02T10:00:00Z : When it is let go: by day texts take their turn on the line, by night all wait for the morning}';

    protected $description = 'Measure audiences of many people, and a text to them all';

    protected $hidden = true;

    public function handle(): int
    {
        $town = new Town('bench-several', ['CACHE_STORE' => 'file']);
        try {
            $people = (int) $this->input->getOption('people');
            Rule::query()->whereKey(Waiting::seed($people, new \DateTimeImmutable('2026-03-03T09:00:00Z')))->update(['power' => 'paused']);
            $this->dress($people);
            $this->safeguard();
            $town->clockTo((string) $this->input->getOption('at'));
            DB::statement('analyze');
            // Only now is there a clock of the town's to ask.
            $clock = resolve(ClockInterface::class);
            $runner = resolve(Runner::class);
            $counted = $this->audiences($clock);
            $document = Letter::begin('All', Audience::once(Doc::of(['of' => 'person'])), false, 'front-desk')
                ->with(['words' => 'The quay is closed on Friday, {{ first_name | or: "all" }}.']);
            $rule = Rule::query()->create([
                'name' => 'All', 'power' => ActivationState::Paused,
                'draft' => Core::read(Doc::of($document->toDocument($clock->now(), Business::ours()->zone)))->toDocument(),
            ]);
            $several = TextToSeveral::query()->create(['rule_id' => $rule->id, 'staff_id' => 1, 'at' => $clock->now()])->refresh();
            $began = hrtime(true);
            resolve(WhoGetsIt::class)->begin($several);
            while (resolve(WhoGetsIt::class)->goOn($several->refresh()));
            $seconds = (hrtime(true) - $began) / 1e9;
            $this->said('who gets it, worked out for all', sprintf(
                '%.0f s, %s rows, %d MiB at most', $seconds, number_format($several->people()->count()),
                intdiv(memory_get_peak_usage(), 1 << 20),
            ));
            resolve(LettingGo::class)->letGo($several->refresh(), $document, Staff::query()->findOrFail(1));
            $began = hrtime(true);
            $longest = 0.0;
            do {
                $piece = hrtime(true);
                $many = $runner->piece();
                $longest = max($longest, (hrtime(true) - $piece) / 1e9);
            } while ($many > 0);
            $prepared = (hrtime(true) - $began) / 1e9;
            $texts = DB::table('messages')->where('rule_id', $rule->id);
            $this->said('a text to them all, prepared', sprintf(
                '%.1f s for %s texts, %s of them on their way', $prepared, number_format($texts->count()),
                number_format((clone $texts)->whereNotNull('left_at')->count()),
            ), 'under 60 s');
            $this->said('the longest piece of it', sprintf('%.2f s', $longest), 'under 1 s');

            return $counted < self::COUNTED && $prepared < self::PREPARED && $longest < self::PIECE ? self::SUCCESS : self::FAILURE;
        } finally {
            $town->close();
        }
    }

    /** Every third is a member, every other has agreed to offers, every tenth has said stop, and each has something booked. */
    private function dress(int $people): void
    {
        $type = (int) DB::table('record_types')->where('key', 'booking')->value('id');
        DB::transaction(function () use ($people, $type): void {
            $pdo = DB::getPdo();
            $label = $pdo->prepare("insert into labels (person_id, kind, name, folded) values (?, 'tag', 'member', 'member')");
            $consent = $pdo->prepare(
                "insert into consents (person_id, number, act, scope, how, at) values (?, ?, ?, ?, 'staff', '2026-01-01 00:00:00')",
            );
            $record = $pdo->prepare(
                'insert into records (record_type_id, person_id, "values", added_at, changed_at) values (?, ?, ?, ?, ?)',
            );
            for ($i = 1; $i <= $people; $i++) {
                $id = Waiting::FIRST + $i;
                $number = sprintf('+4478%08d', $i);
                $i % 3 === 0 && $label->execute([$id]);
                $i % 2 === 0 && $consent->execute([$id, $number, 'granted', 'marketing']);
                $i % 10 === 0 && $consent->execute([$id, $number, 'withdrawn', 'all']);
                $at = gmdate('Y-m-d\TH:i:s\Z', 1_772_000_000 + ($i % 60) * 86_400);
                $values = ['lesson' => 'Lesson '.($i % 7), 'state' => 'booked', 'starts_at' => $at, 'places' => $i % 5, 'who' => $id];
                $record->execute([$type, $id, json_encode($values), '2026-01-01 00:00:00', '2026-01-01 00:00:00']);
            }
        });
    }

    /** As on a business that takes care: each safeguard is asked at each text. */
    private function safeguard(): void
    {
        Line::query()->update(['pace' => ['per_second' => 5, 'per_minute' => 200, 'per_day' => 15_000]]);
        $business = Business::ours();
        $business->update(['policy' => $business->policy + [
            'cap' => ['per_day' => 2, 'per_week' => 5, 'gap_minutes' => 60], 'month_micros' => 9_000_000_000,
        ]]);
    }

    private function audiences(ClockInterface $clock): float
    {
        $worst = 0.0;
        foreach (
            [
                'everybody' => ['of' => 'person'],
                'members' => ['of' => 'person', 'condition' => ['tag' => 'member']],
                'who have agreed and not said stop' => ['of' => 'person', 'condition' => ['all' => [
                    ['consent' => 'marketing'], ['consent' => 'opted_out', 'has' => false],
                ]]],
                'who have a booking within 14 days' => ['of' => 'person', 'condition' => [
                    'related' => 'booking', 'that' => ['field' => 'booking.starts_at', 'test' => 'within_next', 'value' => 14],
                ]],
                'bookings for more than two' => ['of' => 'booking', 'condition' => ['all' => [
                    ['field' => 'booking.state', 'test' => 'is', 'value' => 'booked'],
                    ['field' => 'booking.places', 'test' => 'more', 'value' => 2],
                ]]],
                'whose number is a mobile' => ['of' => 'person', 'condition' => ['number' => 'mobile']],
            ] as $which => $document
        ) {
            $began = hrtime(true);
            $unit = UnitOfWork::reading($clock->now(), resolve(DatabaseSideEffects::class), Business::ours());
            $query = new AudienceQuery($unit, Audience::read(Doc::of($document)));
            $many = $query->counts()[1];
            $seconds = (hrtime(true) - $began) / 1e9;
            $worst = max($worst, $seconds);
            $this->said("counted: $which", sprintf('%s in %.2f s', number_format($many), $seconds), 'under 1 s');
        }

        return $worst;
    }

    private function said(string $what, string $found, string $wanted = ''): void
    {
        $this->line(sprintf('%-46s %-60s %s', $what, $found, $wanted));
    }
}
