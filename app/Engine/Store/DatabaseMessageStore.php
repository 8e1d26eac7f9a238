<?php

declare(strict_types=1);

namespace App\Engine\Store;

use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Timer;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Engine\OutText;
use Linnet\Core\Engine\Port\MessageStore;
use Linnet\Core\Engine\Run;
use Linnet\Core\Engine\TextState;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Reason;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Wording\Used;

/** The texts in the database, and what the gate counts. */
final class DatabaseMessageStore implements MessageStore
{
    /** Wordings are counted over all, and for each person; whoever is no person of ours, such as a colleague, is counted as one. */
    public const ALL = 0;

    public const OTHERS = -1;

    /** States of texts whose words count as said, or about to be. */
    private const SAID = [
        MessageState::Waiting->value, MessageState::Ready->value, MessageState::CutOff->value, MessageState::Handed->value,
        MessageState::Arrived->value,
    ];

    /** So many departures more are read than are asked for. */
    private const SLOTS_AHEAD = 50;

    /** No cap, and no gap between texts, looks back further than a week. */
    private const CAP_REACHES = '-8 days';

    /** More than all workers together may have spent and not written yet. */
    private const UNSEEN_MICROS = 1_000_000_000;

    /** @var array<string, OutText|null> by run and name */
    private array $texts = [];

    /** @var array<int, string> run and name of those that were read, by what the shell calls them */
    private array $named = [];

    /** @var array<string, OutText> those to be written */
    private array $kept = [];

    /** @var array<string, \DateTimeImmutable|null> when to ask about a text again, by run and name */
    private array $held = [];

    /** @var array<int, true> runs all of whose texts were read */
    private array $whole = [];

    /** @var array<string, int> conversations by person and line */
    private array $conversations = [];

    /** @var array<int, true> people whose openings were asked for */
    private array $asked = [];

    /** @var array<int, true> people whose last words were asked for */
    private array $heardOf = [];

    /** @var array<string, string> the reason a text has in its story, by run and name */
    private array $saidSo = [];

    /** @var array<string, true> who has had an automatic text from which line, by person and line */
    private array $opened = [];

    /** @var array<string, array{many: int, new: list<int>, seen: array<int, int|null>}> departures by line; those read by number */
    private array $lines = [];

    /**
     * @var array<int, array<string, array<string, array{left: string|null, wanted: string, held: bool}>>> what was said of late, by
     * person, fingerprint of the words, and text
     */
    private array $said = [];

    private int $spent = 0;

    /** @var array<string, int> what had been spent before this transaction, by the day since which */
    private array $spentBefore = [];

    /** @var array<int, list<\DateTimeImmutable>> when people had their last automatic texts, the newest first */
    private array $recent = [];

    private bool $moneyIsHeld = false;

    public function __construct(
        private readonly DatabaseBusinessReader $reader,
        private readonly DatabaseRunStore $runs,
        private readonly \DateTimeImmutable $now,
        private readonly JustLeft $justLeft,
    ) {
    }

    public function of(Run $run, string $name): ?OutText
    {
        $key = "$run->id/$name";
        if (! array_key_exists($key, $this->texts) && ! isset($this->whole[$run->id]) && ! $this->runs->isFresh($run->id)) {
            $row = DB::table('messages')->where('name', $key)->first();
            $this->texts[$key] = $row === null ? null : $this->read($row, $run);
        }

        return $this->texts[$key] ?? null;
    }

    /**
     * When people had their last automatic texts, read for all that are dealt with together.
     *
     * @param  list<int>  $people
     * @param  int  $many  of each at most
     */
    private function readRecent(array $people, int $many): void
    {
        $people = array_filter($people, fn (int $id): bool => ! isset($this->recent[$id]));
        foreach (array_chunk($people, 400) as $chunk) {
            $this->recent += array_fill_keys($chunk, []);
            $ranked = DB::table('messages')
                ->whereIn('person_id', $chunk)
                ->where('origin', MessageOrigin::Rule->value)
                ->where('left_at', '>', DatabaseRunStore::at($this->now->modify(self::CAP_REACHES)))
                ->where('state', '!=', MessageState::Failed->value)
                ->selectRaw('person_id, left_at, row_number() over (partition by person_id order by left_at desc) as place');
            $rows = DB::query()->fromSub($ranked, 'ranked')->where('place', '<=', $many)->orderBy('person_id')->orderBy('place');
            foreach ($rows->get(['person_id', 'left_at']) as $row) {
                $this->recent[(int) $row->person_id][] = DatabaseBusinessReader::moment($row->left_at);
            }
        }
    }

    /** A text by what the shell calls it; null where no run wants it. */
    public function find(int $id): ?OutText
    {
        if (isset($this->named[$id])) {
            return $this->texts[$this->named[$id]] ?? null;
        }
        $row = DB::table('messages')->where('id', $id)->first();
        $run = $row?->run_id === null ? null : $this->runs->run((int) $row->run_id);

        return $row === null || $run === null ? null : $this->of($run, substr((string) $row->name, strlen("$run->id/")));
    }

    /** @param  list<Run>  $runs whose texts will be asked for */
    public function preload(array $runs): void
    {
        $byId = array_column($runs, null, 'id');
        foreach (array_chunk(array_diff(array_keys($byId), array_keys($this->whole)), 400) as $chunk) {
            $this->whole += array_fill_keys($chunk, true);
            foreach (DB::table('messages')->whereIn('run_id', $chunk)->get() as $row) {
                $this->texts[(string) $row->name] ??= $this->read($row, $byId[(int) $row->run_id]);
                $this->named[(int) $row->id] = (string) $row->name;
            }
        }
    }

    /** @return array<string, OutText> those that were read, by run and name */
    public function all(): array
    {
        return array_filter($this->texts);
    }

    /** @param  list<int>  $people whom texts may go to */
    public function preloadPeople(array $people): void
    {
        $this->asked += array_fill_keys($people, true);
        $this->readConversations($people);
        $this->readSaid($people);
        $looksBack = $this->reader->policy()->cap->looksBack();
        $looksBack === 0 || $this->readRecent($people, $looksBack);
    }

    /**
     * What went to people of late, or waits for its moment. What failed was not said.
     *
     * @param  list<int>  $people
     */
    private function readSaid(array $people): void
    {
        $since = DatabaseRunStore::at($this->now->modify("-{$this->reader->policy()->sameTextSeconds} seconds"));
        foreach (array_chunk($people, 400) as $chunk) {
            $this->heardOf += array_fill_keys($chunk, true);
            foreach (self::saidSince($since, $chunk) as $row) {
                $this->said[(int) $row->person_id][(string) $row->words_hash][(string) $row->name] ??= [
                    'left' => $row->left_at,
                    'wanted' => (string) $row->wanted_at,
                    'held' => $row->due_at !== null,
                ];
            }
        }
    }

    /**
     * @param  string  $since  an instant
     * @param  list<int>  $people
     * @return Collection<int, \stdClass> what rules said to them since then, or will, with when it comes due
     */
    public static function saidSince(string $since, array $people): Collection
    {
        return DB::table('messages')
            ->leftJoin(
                'timers',
                fn (JoinClause $join) => $join->on('timers.subject_id', 'messages.id')->where('timers.kind', Timer::MESSAGE),
            )
            ->whereIn('person_id', $people)
            ->where('at', '>', $since)
            ->where('origin', MessageOrigin::Rule->value)
            // A state that no index knows: what is on its way can be all there is, where a text has just gone to very many.
            ->whereIn(DB::raw("(state || '')"), self::SAID)
            ->get(['person_id', 'words_hash', 'name', 'left_at', 'wanted_at', 'due_at']);
    }

    public function save(OutText $text): void
    {
        $run = $text->run ?? throw new \LogicException('a rule wants it');
        $key = "$run->id/$text->name";
        $this->texts[$key] = $this->kept[$key] = $text;
        if ($text->origin === TextOrigin::Rule && $text->to->personId !== null && $text->composed !== null) {
            $this->said[$text->to->personId][md5($text->composed->words)][$key] = [
                'left' => $text->state === TextState::Left && $text->settledAt !== null ? DatabaseRunStore::at($text->settledAt) : null,
                'wanted' => DatabaseRunStore::at($text->wantedAt),
                'held' => false,
            ];
        }
        // Why it waits or will not go is said in the story, once as long as it stays the same.
        if ($text->reason !== null && ($this->saidSo[$key] ?? null) !== $text->reason->code) {
            $this->saidSo[$key] = $text->reason->code;
            $this->runs->trace($text->reason, (int) $run->ruleId, $run->id, $text->to->personId ?? $run->personId(), null, $text);
        }
        if (
            $text->state === TextState::Left &&
            $text->composed !== null &&
            $text->origin === TextOrigin::Rule &&
            $text->to->personId !== null &&
            $text->settledAt !== null
        ) {
            $this->opened["{$text->to->personId}/$text->line"] = true;
            $this->justLeft->texts[$text->to->personId][] = $text;
            $this->spent += $text->composed->price;
        }
    }

    public function hold(OutText $text, ?\DateTimeImmutable $until): void
    {
        $key = ($text->run->id ?? '')."/$text->name";
        $this->held[$key] = $until;
        $hash = $text->composed === null ? '' : md5($text->composed->words);
        $said = $this->said[(int) $text->to->personId][$hash][$key] ?? null;
        if ($said !== null) {
            $this->said[(int) $text->to->personId][$hash][$key] = ['held' => $until !== null] + $said;
        }
    }

    public function used(string $wordings, ?int $personId, bool $isLimited): Used
    {
        if ($isLimited && DB::getDriverName() === 'pgsql') {
            // Until this is written nobody else chooses among them; elsewhere whoever writes is alone anyway.
            DB::select('select pg_advisory_xact_lock(hashtext(?))', ["wordings $wordings"]);
        }
        $times = $theirs = [];
        $whose = [self::ALL, $personId ?? self::OTHERS];
        $uses = DB::table('wording_uses')->where('wordings', $wordings)->whereIn('person_id', $whose)->get();
        foreach ($uses as $row) {
            if ((int) $row->person_id === self::ALL) {
                $times[(string) $row->wording] = (int) $row->times;
            } else {
                $theirs[(string) $row->wording] = (int) $row->times;
            }
        }

        return new Used($times, $theirs);
    }

    public function count(string $wordings, string $wording, ?int $personId, int $by): void
    {
        foreach ([self::ALL, $personId ?? self::OTHERS] as $person) {
            DB::table('wording_uses')->insertOrIgnore([
                'wordings' => $wordings, 'wording' => $wording, 'person_id' => $person, 'times' => 0,
            ]);
            DB::table('wording_uses')
                ->where('wordings', $wordings)
                ->where('wording', $wording)
                ->where('person_id', $person)
                ->increment('times', $by);
        }
    }

    public function hasOpened(int $personId, string $line): bool
    {
        if (! isset($this->asked[$personId])) {
            $this->preloadPeople([$personId]);
        }

        return isset($this->opened["$personId/$line"]);
    }

    public function sameSentAt(int $personId, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable
    {
        $left = array_filter(
            array_column($this->saidTo($personId, $words), 'left'),
            fn (?string $at): bool => $at > DatabaseRunStore::at($since),
        );

        return $left === [] ? null : DatabaseBusinessReader::moment(max($left));
    }

    public function sameHeldSince(OutText $text, string $words, \DateTimeImmutable $since): ?\DateTimeImmutable
    {
        $own = ($text->run->id ?? '')."/$text->name";
        foreach ($this->saidTo((int) $text->to->personId, $words) as $name => $said) {
            if (
                $name !== $own &&
                $said['held'] &&
                $said['wanted'] > DatabaseRunStore::at($since) &&
                $said['wanted'] <= DatabaseRunStore::at($text->wantedAt)
            ) {
                return DatabaseBusinessReader::moment($said['wanted']);
            }
        }

        return null;
    }

    /** @return array<string, array{left: string|null, wanted: string, held: bool}> */
    private function saidTo(int $personId, string $words): array
    {
        if (! isset($this->heardOf[$personId])) {
            $this->readSaid([$personId]);
        }

        return $this->said[$personId][md5($words)] ?? [];
    }

    public function recent(int $personId, int $many): array
    {
        $new = array_map(
            fn (OutText $text): \DateTimeImmutable => $text->settledAt ?? $this->now,
            array_reverse($this->justLeft->texts[$personId] ?? []),
        );
        if (! isset($this->recent[$personId])) {
            $this->readRecent([$personId], $many);
        }

        return array_slice([...$new, ...$this->recent[$personId]], 0, $many);
    }

    /**
     * Near the month's end of money, whoever asks holds the business's row until it has spent: else several workers might each spend what
     * is left. Far from it, what others have not yet written cannot matter.
     */
    public function spentSince(\DateTimeImmutable $since): int
    {
        // Days are kept by the business's own clock.
        $day = $since->setTimezone(new \DateTimeZone($this->reader->business()->zone))->format('Y-m-d');
        $spent = fn (): int => (int) DB::table('spent_days')->where('day', '>=', $day)->sum('micros');
        $micros = $this->spentBefore[$day] ??= $spent();
        if (! $this->moneyIsHeld && $micros + self::UNSEEN_MICROS >= ($this->reader->policy()->monthMicros ?? PHP_INT_MAX)) {
            DB::table('businesses')->lockForUpdate()->value('id');
            $this->moneyIsHeld = true;
            // From here on only this transaction spends.
            $micros = $this->spentBefore[$day] = $spent();
        }

        return $this->spent + $micros;
    }

    public function reservedSlots(string $line, array $ks): array
    {
        $there = $this->slots($line);
        $new = count($there['new']);
        $many = $there['many'] + $new;
        $back = $asked = [];
        foreach ($ks as $k) {
            if ($k <= $new) {
                $back[$k] = $there['new'][$new - $k];
            } elseif ($k <= $many) {
                $asked[$k] = $many - $k + 1;
            }
        }
        $seen = $this->readSlots($line, array_values($asked));
        foreach ($asked as $k => $number) {
            $at = $seen[$number] ?? null;
            if ($at !== null) {
                $back[$k] = $at;
            }
        }

        return [$back, $many];
    }

    /**
     * @param  list<int>  $numbers  of departures; the next text asks for the next ones, so some more are read with them
     * @return array<int, int|null> when they leave, by number
     */
    private function readSlots(string $line, array $numbers): array
    {
        $there = $this->slots($line);
        $missing = [];
        foreach ($numbers as $number) {
            if (! array_key_exists($number, $there['seen'])) {
                array_push($missing, ...range($number, min($number + self::SLOTS_AHEAD, $there['many'])));
            }
        }
        foreach (array_chunk(array_unique($missing), 1000) as $chunk) {
            $there['seen'] += array_fill_keys($chunk, null);
            $rows = DB::table('send_slots')->where('line_id', $this->reader->line($line)?->id)->whereIn('number', $chunk);
            foreach ($rows->get(['number', 'at']) as $row) {
                $there['seen'][(int) $row->number] = DatabaseBusinessReader::moment($row->at)->getTimestamp();
            }
        }
        $this->lines[$line] = $there;

        return $there['seen'];
    }

    public function reserveSlot(string $line, \DateTimeImmutable $at): void
    {
        $this->slots($line);
        $this->lines[$line]['new'][] = $at->getTimestamp();
    }

    public function lastLine(int $personId, array $among): ?string
    {
        $new = array_filter(
            $this->justLeft->texts[$personId] ?? [],
            fn (OutText $text): bool => $among === [] || in_array($text->line, $among, true),
        );
        if ($new !== []) {
            return end($new)->line;
        }
        $ids = array_map(fn (string $key): ?int => $this->reader->line($key)?->id, $among);
        $last = DB::table('messages')
            ->where('person_id', $personId)
            ->whereIn('origin', [MessageOrigin::Rule->value, MessageOrigin::Staff->value, MessageOrigin::Them->value])
            ->where('state', '!=', MessageState::Failed->value)
            ->where(fn ($query) => $query->whereNotNull('left_at')->orWhere('origin', MessageOrigin::Them->value))
            ->when($ids !== [], fn ($query) => $query->whereIn('line_id', $ids))->orderByDesc('at')->orderByDesc('id')->value('line_id');

        return $last === null ? null : $this->reader->lineKey((int) $last);
    }

    public function code(string $list, int $personId): ?string
    {
        $code = DB::table('codes')->where('list', $list)->where('person_id', $personId)->value('code');
        if ($code === null) {
            $free = DB::table('codes')->where('list', $list)->whereNull('person_id')->orderBy('id')
                ->lock('for update skip locked')->first();
            if ($free !== null) {
                DB::table('codes')->where('id', $free->id)->update(['person_id' => $personId]);
            }
            $code = $free?->code;
        }

        return $code === null ? null : (string) $code;
    }

    public function flush(): void
    {
        $this->flushTexts();
        foreach ($this->lines as $key => $line) {
            $id = $this->reader->line($key)?->id;
            $rows = array_map(
                fn (int $at, int $i): array => ['line_id' => $id, 'number' => $line['many'] + $i + 1, 'at' => gmdate('Y-m-d H:i:s', $at)],
                $line['new'],
                array_keys($line['new']),
            );
            foreach (array_chunk($rows, 200) as $chunk) {
                DB::table('send_slots')->insert($chunk);
            }
        }
        $this->lines = [];
        if ($this->spent > 0) {
            $day = $this->now->setTimezone(new \DateTimeZone($this->reader->business()->zone))->format('Y-m-d');
            DB::table('spent_days')->insertOrIgnore(['day' => $day, 'micros' => 0]);
            DB::table('spent_days')->where('day', $day)->increment('micros', $this->spent);
            $this->spent = 0;
        }
    }

    /** @return array{many: int, new: list<int>, seen: array<int, int|null>} */
    private function slots(string $line): array
    {
        if (! isset($this->lines[$line])) {
            $id = $this->reader->line($line)?->id;
            // Held until the end of this work: two workers must not give out the same place in the line's order.
            DB::table('lines')->where('id', $id)->lockForUpdate()->value('id');
            $this->lines[$line] = [
                'many' => (int) DB::table('send_slots')->where('line_id', $id)->max('number'),
                'new' => [],
                'seen' => [],
            ];
        }

        return $this->lines[$line];
    }

    private function flushTexts(): void
    {
        $this->makeConversations();
        $rows = new Prepared;
        foreach ($this->kept as $key => $text) {
            if ($text->id === null) {
                if (($this->held[$key] ?? null) === null) {
                    unset($this->held[$key]);
                }
                $text->id = $rows->insertGetId('messages', $this->row($text) + $this->origin($text, (string) $key));
            } else {
                $rows->update('messages', $text->id, $this->row($text));
            }
        }
        foreach ($this->kept as $text) {
            $id = $this->conversations[$this->conversationKey($text)] ?? null;
            if ($id !== null) {
                $rows->update('conversations', $id, [
                    'last_message_id' => $text->id,
                    'last_at' => DatabaseRunStore::at($text->settledAt ?? $this->now),
                    'opened' => true,
                ]);
            }
            foreach ($text->state === TextState::Left ? $text->composed->links ?? [] : [] as $code => $target) {
                DB::table('links')->insertOrIgnore(['code' => $code, 'message_id' => $text->id, 'target' => $target]);
            }
        }
        foreach ($this->held as $key => $until) {
            $this->runs->time(Timer::MESSAGE, (int) $this->texts[$key]?->id, 0, $until);
        }
        $this->kept = $this->held = $this->justLeft->texts = $this->recent = $this->spentBefore = [];
    }

    /**
     * What changes about a text.
     *
     * @return non-empty-array<string, mixed>
     */
    private function row(OutText $text): array
    {
        $settled = $text->settledAt ?? $text->wantedAt;
        $left = $text->state === TextState::Left;
        $row = [
            'state' => match ($text->state) {
                TextState::Waiting => MessageState::Waiting->value,
                TextState::SetAside => MessageState::SetAside->value,
                TextState::Dropped => MessageState::Dropped->value,
                TextState::Left => MessageState::Ready->value,
                TextState::Failed => MessageState::Failed->value,
            },
            'reason' => $text->reason === null ? null : json_encode($text->reason->toArray(), JSON_THROW_ON_ERROR),
            'number' => $text->to->number,
            // Where there is none to leave from, it is kept with the first, and asks again for one of its own.
            'line_id' => ($text->line === null ? null : $this->reader->line($text->line)?->id) ?? $this->reader->lines()[0]->id,
            'at' => DatabaseRunStore::at($left ? $settled : $text->wantedAt),
            'wording' => $text->isPersonal ? '' : $text->wording,
            'slot_at' => $text->slot === null ? null : DatabaseRunStore::at($text->slot),
            'left_at' => $left ? DatabaseRunStore::at($settled) : null,
            'conversation_id' => $this->conversations[$this->conversationKey($text)] ?? null,
        ];

        // What it said when it was last asked about stays, where it was only dropped.
        return $text->composed === null && $text->id !== null
            ? $row
            : $row + [
                'body' => $text->composed->body ?? '', 'words_hash' => $text->composed === null ? null : md5($text->composed->words),
                'encoding' => $text->composed?->length->encoding->value, 'parts' => $text->composed->length->parts ?? 0,
                'price_micros' => $text->composed->price ?? 0, 'currency' => $this->reader->business()->tariff->currency,
                'verdicts' => $text->judgements === []
                        ? null
                        : json_encode($text->judgements[count($text->judgements) - 1]->toArray(), JSON_THROW_ON_ERROR),
            ];
    }

    /** @return array<string, mixed> what never changes about a text */
    private function origin(OutText $text, string $name): array
    {
        $run = $text->run ?? throw new \LogicException('a rule wants it');

        return [
            'name' => $name, 'key' => (string) Str::uuid7(),
            'origin' => $text->origin === TextOrigin::Notice ? MessageOrigin::Notice->value : MessageOrigin::Rule->value,
            'person_id' => $text->to->personId ?? $run->personId(),
            'run_id' => $run->id, 'rule_id' => (int) $run->ruleId,
            'rule_version_id' => $this->runs->versionOf($run->id), 'step' => explode('/', $text->name)[0], 'kind' => $text->kind->value,
            'template' => $text->words?->source, 'wanted_at' => DatabaseRunStore::at($text->wantedAt), 'to_staff_id' => $text->to->staffId,
            'wordings' => $text->wordings,
            'anchor_at' => $text->anchor === null ? null : DatabaseRunStore::at($text->anchor), 'picture' => $text->picture,
            'expects_reply' => $text->expectsReply,
        ];
    }

    /** Person and line of the conversation a text that leaves belongs to; empty where it belongs to none. */
    private function conversationKey(OutText $text): string
    {
        return $text->state === TextState::Left && $text->origin === TextOrigin::Rule && $text->line !== null
            ? ($text->to->personId ?? $text->run?->personId()).'/'.$this->reader->line($text->line)?->id
            : '';
    }

    /** Makes the conversations of the texts that leave, where there are none. */
    private function makeConversations(): void
    {
        $missing = array_values(
            array_diff(array_filter(array_unique(array_map($this->conversationKey(...), $this->kept))), array_keys($this->conversations)),
        );
        foreach (array_chunk($missing, 200) as $chunk) {
            DB::table('conversations')->insertOrIgnore(array_map(function (string $key): array {
                [$person, $line] = explode('/', $key);

                return ['person_id' => (int) $person, 'line_id' => (int) $line, 'last_at' => DatabaseRunStore::at($this->now)];
            }, $chunk));
        }
        $this->readConversations(array_unique(array_map(fn (string $key): int => (int) $key, $missing)));
    }

    /** @param  array<array-key, int>  $people */
    private function readConversations(array $people): void
    {
        foreach (array_chunk($people, 400) as $chunk) {
            foreach (DB::table('conversations')->whereIn('person_id', $chunk)->get(['id', 'person_id', 'line_id', 'opened']) as $row) {
                $this->conversations["$row->person_id/$row->line_id"] = (int) $row->id;
                if ((bool) $row->opened) {
                    $this->opened["$row->person_id/".$this->reader->lineKey((int) $row->line_id)] = true;
                }
            }
        }
    }

    private function read(\stdClass $row, Run $run): OutText
    {
        $isNotice = $row->origin === MessageOrigin::Notice->value;
        $zone = $this->reader->business()->zone;
        $reason = $row->reason === null ? null : (string) (json_decode((string) $row->reason, true, 16, JSON_THROW_ON_ERROR)['code'] ?? '');
        // Only whom it goes to and at which number: everything else about them is read anew before it is judged.
        $to = new Receiver(
            '', $row->number, $this->reader->business()->country, NumberKind::Unknown, null, $zone, [$zone],
            $this->reader->business()->locale, personId: $isNotice ? null : (int) $row->person_id,
            staffId: $row->to_staff_id === null ? null : (int) $row->to_staff_id,
        );
        $text = new OutText(
            substr((string) $row->name, strlen("$run->id/")), $run, $isNotice ? TextOrigin::Notice : TextOrigin::Rule,
            TextKind::from((string) $row->kind), $to, $row->template === null ? null : Template::parse((string) $row->template),
            (string) $row->wordings, (string) $row->wording,
            $reason === 'text.no_line' ? null : $this->reader->lineKey((int) $row->line_id),
            DatabaseBusinessReader::moment($row->wanted_at),
            $row->anchor_at === null ? null : DatabaseBusinessReader::moment($row->anchor_at), $row->picture, (bool) $row->expects_reply,
        );
        $text->id = (int) $row->id;
        if ($reason !== null) {
            $this->saidSo[(string) $row->name] = $reason;
        }
        $text->released = (bool) $row->released;
        $text->releaseAt = $row->release_at === null ? null : DatabaseBusinessReader::moment($row->release_at);
        $text->slot = $row->slot_at === null ? null : DatabaseBusinessReader::moment($row->slot_at);
        $text->state = match (MessageState::from((string) $row->state)) {
            MessageState::Waiting => TextState::Waiting,
            MessageState::SetAside => TextState::SetAside,
            MessageState::Dropped => TextState::Dropped,
            MessageState::Failed => $row->handed_at === null ? TextState::Failed : TextState::Left,
            default => TextState::Left,
        };
        $text->isHanded = ! in_array($row->state, [MessageState::Ready->value, MessageState::CutOff->value], true);
        $text->settledAt = match ($text->state) {
            TextState::Left, TextState::Failed => DatabaseBusinessReader::moment($row->left_at ?? $row->at),
            TextState::Dropped => DatabaseBusinessReader::moment($row->at),
            default => null,
        };

        return $text;
    }
}
