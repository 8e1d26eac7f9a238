<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Engine\Store\DatabaseBusinessReader;
use App\Engine\Store\DatabaseMessageStore;
use App\Engine\Store\DatabaseRunStore;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\InMemory\MessageHistory;
use Linnet\Core\Record\Line;

/** Reads what the gate and the choice of wordings count, for some people and for all lines, as it is by now. */
final readonly class MessageHistoryReader
{
    /** No limit of a line's pace looks further back than so many texts. */
    private const SLOTS = 20_000;

    public function __construct(private DatabaseBusinessReader $reader, private \DateTimeImmutable $now)
    {
    }

    /** @param  list<int>  $people */
    public function fill(MessageHistory $history, array $people): void
    {
        $this->uses($history, $people);
        $this->said($history, $people);
        $this->recent($history, $people);
        $this->lastLines($history, $people);
        $this->spent($history);
        foreach ($this->reader->lines() as $line) {
            $line->pace->isLimited() && $this->slots($history, $line);
        }
        foreach (DB::table('codes')->whereIn('person_id', $people)->get(['list', 'code', 'person_id']) as $row) {
            $history->codes["$row->list/$row->person_id"] = (string) $row->code;
        }
    }

    /** @param  list<int>  $people */
    private function uses(MessageHistory $history, array $people): void
    {
        $whose = [DatabaseMessageStore::ALL, DatabaseMessageStore::OTHERS, ...$people];
        foreach (DB::table('wording_uses')->whereIn('person_id', $whose)->get() as $row) {
            if ((int) $row->person_id === DatabaseMessageStore::ALL) {
                $history->times[(string) $row->wordings][(string) $row->wording] = (int) $row->times;
            } else {
                $whom = (int) $row->person_id === DatabaseMessageStore::OTHERS ? '' : (string) $row->person_id;
                $history->byPerson["$row->wordings/$whom"][(string) $row->wording] = (int) $row->times;
            }
        }
    }

    /** @param  list<int>  $people */
    private function said(MessageHistory $history, array $people): void
    {
        $since = DatabaseRunStore::at($this->now->modify("-{$this->reader->policy()->sameTextSeconds} seconds"));
        foreach (DatabaseMessageStore::saidSince($since, $people) as $row) {
            $history->said[(int) $row->person_id][(string) $row->words_hash][(string) $row->name] = [
                'left' => $row->left_at === null ? null : DatabaseBusinessReader::moment($row->left_at),
                'wanted' => DatabaseBusinessReader::moment($row->wanted_at),
                'held' => $row->due_at !== null,
            ];
        }
    }

    /** @param  list<int>  $people */
    private function recent(MessageHistory $history, array $people): void
    {
        $most = $this->reader->policy()->cap->looksBack();
        if ($most === 0) {
            return;
        }
        $ranked = DB::table('messages')
            ->whereIn('person_id', $people)
            ->where('origin', MessageOrigin::Rule->value)
            ->whereNotNull('left_at')
            ->where('state', '!=', MessageState::Failed->value)
            ->selectRaw('person_id, left_at, row_number() over (partition by person_id order by left_at desc) as place');
        foreach (DB::query()->fromSub($ranked, 'ranked')->where('place', '<=', $most)->orderBy('place')->get() as $row) {
            $history->recent[(int) $row->person_id][] = DatabaseBusinessReader::moment($row->left_at);
        }
    }

    /** @param  list<int>  $people */
    private function lastLines(MessageHistory $history, array $people): void
    {
        $rows = DB::table('messages')
            ->whereIn('person_id', $people)
            ->whereIn('origin', [MessageOrigin::Rule->value, MessageOrigin::Staff->value, MessageOrigin::Them->value])
            ->where('state', '!=', MessageState::Failed->value)
            ->where(fn (Builder $query) => $query->whereNotNull('left_at')->orWhere('origin', MessageOrigin::Them->value))
            ->groupBy('person_id', 'line_id')
            ->selectRaw('person_id, line_id, max(at) as last_at')
            ->get();
        foreach ($rows as $row) {
            $line = $this->reader->lineKey((int) $row->line_id);
            if ($line !== null) {
                $history->lines[(int) $row->person_id][$line] = DatabaseBusinessReader::moment($row->last_at);
            }
        }
    }

    /** What was spent is kept by day of the business's own clock; no month begins within a day. */
    private function spent(MessageHistory $history): void
    {
        $zone = new \DateTimeZone($this->reader->business()->zone);
        $month = $this->now->setTimezone($zone)->format('Y-m-01');
        foreach (DB::table('spent_days')->where('day', '>=', $month)->orderBy('day')->get() as $row) {
            $history->spent[] = [new \DateTimeImmutable((string) $row->day, $zone), (int) $row->micros];
        }
    }

    private function slots(MessageHistory $history, Line $line): void
    {
        $most = min(self::SLOTS, max([0, ...$line->pace->looksBack($this->now)]));
        $slots = DB::table('send_slots')->where('line_id', $line->id)->orderByDesc('number')->limit($most)->pluck('at', 'number');
        $history->departed[$line->key] = array_values(array_reverse(
            array_map(fn (mixed $at): int => DatabaseBusinessReader::moment($at)->getTimestamp(), $slots->all()),
        ));
        $history->departedBefore[$line->key] = $slots->isEmpty() ? 0 : (int) $slots->keys()->min() - 1;
    }
}
