<?php

declare(strict_types=1);

namespace App\Rehearsals;

use App\Engine\Store\DatabaseBusinessReader;
use App\Engine\Store\DatabaseRunStore;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\InMemory\Sheet;
use Linnet\Core\Rehearsal\Past\NumberFates;

/** What had been sent, begun and answered up to a moment, as far as rules and safeguards ask about it. */
final readonly class PastTexts
{
    public function __construct(private DatabaseBusinessReader $reader, private \DateTimeImmutable $at)
    {
    }

    public function fill(Sheet $sheet): void
    {
        $at = DatabaseRunStore::at($this->at);
        $left = fn (): Builder => DB::table('messages')->whereNotNull('left_at')->where('left_at', '<', $at);
        $byRule = fn (): Builder => $left()->where('origin', MessageOrigin::Rule->value)->whereNull('to_staff_id');
        foreach ($byRule()->groupBy('person_id', 'line_id')->get(['person_id', 'line_id']) as $row) {
            $sheet->opened["$row->person_id/".$this->reader->lineKey((int) $row->line_id)] = true;
        }
        foreach ($byRule()->groupBy('person_id', 'rule_id')->selectRaw('person_id, rule_id, max(left_at) as last')->get() as $row) {
            $sheet->lastTexts[(int) $row->person_id][(string) $row->rule_id] = DatabaseBusinessReader::moment($row->last);
        }
        $this->lines($sheet, $at);
        $this->recent($sheet, $byRule()->where('state', '!=', MessageState::Failed->value));
        $this->wordings($sheet, $byRule());
        $this->spent($sheet, $byRule());
        $last = fn (Builder $query): array => $query
            ->groupBy('person_id')
            ->selectRaw('person_id, max(at) as last')
            ->pluck('last', 'person_id')
            ->all();
        foreach ($last(DB::table('messages')->where('origin', MessageOrigin::Them->value)->where('at', '<', $at)) as $id => $when) {
            $sheet->lastReplyAt[$id] = DatabaseBusinessReader::moment($when);
        }
        $known = DB::table('people')->where('added_at', '<', $at)->pluck('added_at', 'id')->all();
        $told = ['asked', 'status_reported'];
        $changed = $last(DB::table('changes')->whereNotNull('person_id')->where('at', '<', $at)->whereNotIn('kind', $told));
        foreach ($known as $id => $when) {
            $sheet->lastChangeAt[$id] = DatabaseBusinessReader::moment(max((string) $when, (string) ($changed[$id] ?? '')));
        }
        foreach (
            DB::table('runs')
                ->where('began_at', '<', $at)
                ->select(['id', 'rule_id', 'person_id', 'occasion', 'began_at'])
                ->lazyById(2000) as $row
        ) {
            $sheet->occasions["$row->rule_id|$row->occasion"] = true;
            $sheet->lastBegan["$row->rule_id/$row->person_id"] = DatabaseBusinessReader::moment($row->began_at);
            $sheet->lastRun = max($sheet->lastRun, (int) $row->id);
        }
    }

    /** What carriers told of numbers that nobody has, or that refuse; and of the same numbers when texts arrived. */
    public function fates(): NumberFates
    {
        $told = fn (): Builder => DB::table('messages')->whereNotNull('status_at')->whereNotNull('number');
        $numbers = $told()->where('held_against', true)->select('number');
        $fates = [];
        foreach (
            $told()->whereIn('number', $numbers)->orderBy('left_at')->orderBy('id')->get(['number', 'left_at', 'held_against']) as $row
        ) {
            $fates[(string) $row->number][] = [
                DatabaseBusinessReader::moment($row->left_at)->getTimestamp(), ! (bool) $row->held_against,
            ];
        }

        return new NumberFates($fates);
    }

    private function lines(Sheet $sheet, string $at): void
    {
        $rows = DB::table('messages')
            ->where('at', '<', $at)
            ->whereIn('origin', [MessageOrigin::Rule->value, MessageOrigin::Staff->value, MessageOrigin::Them->value])
            ->where('state', '!=', MessageState::Failed->value)
            ->where(fn (Builder $one) => $one->whereNotNull('left_at')->orWhere('origin', MessageOrigin::Them->value))
            ->groupBy('person_id', 'line_id')
            ->selectRaw('person_id, line_id, max(at) as last')
            ->get();
        foreach ($rows as $row) {
            $line = $this->reader->lineKey((int) $row->line_id);
            if ($line !== null) {
                $sheet->history->lines[(int) $row->person_id][$line] = DatabaseBusinessReader::moment($row->last);
            }
        }
    }

    private function recent(Sheet $sheet, Builder $texts): void
    {
        $most = $this->reader->policy()->cap->looksBack();
        if ($most > 0) {
            $ranked = $texts->selectRaw('person_id, left_at, row_number() over (partition by person_id order by left_at desc) as place');
            foreach (DB::query()->fromSub($ranked, 'ranked')->where('place', '<=', $most)->orderBy('place')->get() as $row) {
                $sheet->history->recent[(int) $row->person_id][] = DatabaseBusinessReader::moment($row->left_at);
            }
        }
    }

    private function wordings(Sheet $sheet, Builder $texts): void
    {
        $rows = $texts
            ->whereNotNull('wordings')
            ->where('wordings', '!=', '')
            ->groupBy('wordings', 'wording', 'person_id')
            ->selectRaw('wordings, wording, person_id, count(*) as many')
            ->get();
        foreach ($rows as $row) {
            $times = &$sheet->history->times[(string) $row->wordings][(string) $row->wording];
            $times = ($times ?? 0) + (int) $row->many;
            $sheet->history->byPerson["$row->wordings/$row->person_id"][(string) $row->wording] = (int) $row->many;
        }
    }

    /** No month begins within a day. */
    private function spent(Sheet $sheet, Builder $texts): void
    {
        $zone = new \DateTimeZone($this->reader->business()->zone);
        $month = new \DateTimeImmutable($this->at->setTimezone($zone)->format('Y-m-01'), $zone);
        $micros = (int) $texts->where('left_at', '>=', DatabaseRunStore::at($month))->sum('price_micros');
        if ($micros > 0) {
            $sheet->history->spent[] = [$month, $micros];
        }
    }
}
