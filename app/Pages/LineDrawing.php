<?php

declare(strict_types=1);

namespace App\Pages;

use App\Models\ComingText;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\HealthLimits;
use Linnet\Core\Time\Zone;

/**
 * A line drawn: what left day by day and what comes, under the curve of what may leave; and its failures by day against their limits.
 * Lengths in units of the drawing.
 */
final readonly class LineDrawing
{
    public const WIDTH = 640;

    public const AXIS = 110;

    /** Of the drawing of failures, which ends today. */
    public const NARROW = 320;

    private const ROOM = 90;

    private const BACK = 14;

    private const AHEAD = 14;

    /** @var list<array{date: string, at: int, left: int, coming: int, limit: int|null, attempts: int, failed: int}> day by day */
    public array $days;

    public int $today;

    public function __construct(Line $line, private string $zone, private \DateTimeImmutable $now, public HealthLimits $health)
    {
        $local = $now->setTimezone(Zone::get($zone))->setTime(12, 0);
        $from = $local->modify('-'.self::BACK.' days')->format('Y-m-d');
        $left = $this->sums($line, $from, MessageState::left());
        $ended = $this->sums($line, $from, [MessageState::Arrived, MessageState::Failed]);
        $coming = ComingText::query()->toBase()->where('line_id', $line->id)->where('left_out', false)->whereNotNull('hour')
            ->groupByRaw('substr(hour, 1, 10)')->selectRaw('substr(hour, 1, 10) as day, count(*) as many')->pluck('many', 'day')->all();
        $failed = $this->failed($line, $from);
        $pace = $line->read()->pace;
        $days = [];
        for ($i = -self::BACK; $i <= self::AHEAD; $i++) {
            $day = $local->modify(sprintf('%+d days', $i));
            $date = $day->format('Y-m-d');
            $days[] = [
                'date' => $date, 'at' => $day->getTimestamp(), 'left' => (int) ($left[$date] ?? 0),
                'coming' => $i < 0 ? 0 : (int) ($coming[$date] ?? 0),
                'limit' => $pace->warmSince !== null && $day < $pace->warmSince ? null : $pace->dayLimit($day->getTimestamp()),
                'attempts' => (int) ($ended[$date] ?? 0), 'failed' => $failed[$date] ?? 0,
            ];
        }
        $this->days = $days;
        $this->today = self::BACK;
    }

    public function step(): float
    {
        return self::WIDTH / count($this->days);
    }

    /** The height of so many texts; a limit far above all that leaves is drawn at the top, and said in words. */
    public function y(int $texts): float
    {
        return round(self::AXIS - self::ROOM * min(1, $texts / $this->most()), 1);
    }

    /** @return string the way of what may leave in a day; empty where there is no limit, or it is out of the picture */
    public function curve(): string
    {
        $path = '';
        foreach ($this->days as $i => $day) {
            if ($day['limit'] !== null && $day['limit'] <= $this->most()) {
                $x = round($i * $this->step(), 1);
                $path .= ($path === '' ? 'M' : 'L')."$x {$this->y($day['limit'])}H".round($x + $this->step(), 1);
            }
        }

        return $path;
    }

    public function says(): string
    {
        $limit = $this->days[$this->today]['limit'];
        $next = $this->days[count($this->days) - 1]['limit'];

        return match (true) {
            $limit === null => 'There is no limit for a day.',
            $next !== null && $next > $limit => 'Today it may send '.number_format($limit).', in '.self::AHEAD.' days '.
                number_format($next).'.',
            default => 'It may send '.number_format($limit).' a day.',
        };
    }

    /** @return list<array{x: float, y: float, says: string, ails: bool}> the share that failed of those whose fate was told on a day */
    public function shares(): array
    {
        $shares = [];
        foreach ($this->days as $i => $day) {
            if ($day['attempts'] > 0 && $i <= $this->today) {
                $percent = $day['failed'] * 100 / $day['attempts'];
                $shares[] = [
                    'x' => round(($i + 0.5) * self::NARROW / ($this->today + 1), 1), 'y' => $this->percent($percent),
                    'ails' => $percent >= $this->health->warn,
                    'says' => round($percent, 1).' % of '.number_format($day['attempts']),
                ];
            }
        }

        return $shares;
    }

    /** The height of a share, up to twice what stops the line. */
    public function percent(float $percent): float
    {
        return round(70 - 58 * min(1, $percent / (2 * $this->health->pause)), 1);
    }

    private function most(): int
    {
        $texts = max([1, ...array_map(fn (array $day): int => $day['left'] + $day['coming'], $this->days)]);
        $limits = array_filter(array_column($this->days, 'limit'));
        $limit = $limits === [] ? 0 : max($limits);

        return $limit > 0 && $limit <= 6 * $texts ? max($limit, $texts) : (int) ceil($texts * 1.15);
    }

    /**
     * @param  list<MessageState>  $states
     * @return array<string, int> by day
     */
    private function sums(Line $line, string $from, array $states): array
    {
        return DB::table('message_counts')->where('line_id', $line->id)->where('day', '>=', $from)->whereIn('state', $states)
            ->groupBy('day')->selectRaw('day, sum(texts) as many')->pluck('many', 'day')
            ->mapWithKeys(fn (mixed $many, string $day): array => [substr($day, 0, 10) => (int) $many])->all();
    }

    /** @return array<string, int> by day: failures that carriers hold against a sender */
    private function failed(Line $line, string $from): array
    {
        $days = [];
        $moments = Message::query()->troubled()->where('line_id', $line->id)->where('held_against', true)
            ->where('at', '>=', new \DateTimeImmutable($from, Zone::get($this->zone)))->toBase()->pluck('at');
        foreach ($moments as $at) {
            $day = (new \DateTimeImmutable((string) $at, Zone::utc()))->setTimezone(Zone::get($this->zone))->format('Y-m-d');
            $days[$day] = ($days[$day] ?? 0) + 1;
        }

        return $days;
    }
}
