<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Engine\Store\DatabaseRunStore;
use App\Engine\Store\UnitOfWork;
use App\Models\ScheduledText;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Engine\Composed;
use Linnet\Core\Forecast\ComingText;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Reason;
use Linnet\Core\Record\Receiver;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Time\Zone;

/** Keeps what a forecast said, in place of what the one before had. */
final class ComingTextWriter
{
    /** So many people's rows are deleted, and so many rows written, by one statement. */
    private const AT_ONCE = 40;

    /** @var \WeakMap<Rule, array<string, string>> */
    private \WeakMap $letters;

    public function __construct()
    {
        $this->letters = new \WeakMap;
    }

    /**
     * @param  list<ComingText>  $coming
     * @return list<array<string, mixed>>
     */
    public function rows(array $coming, UnitOfWork $unit): array
    {
        $asked = array_filter($coming, fn (ComingText $one): bool => $one->text->composed === null && $one->text->id !== null);
        // What waits for somebody says what it said when it was last asked about.
        $kept = DB::table('messages')
            ->whereIn('id', array_map(fn (ComingText $one): ?int => $one->text->id, $asked))
            ->get(['id', 'body', 'parts', 'price_micros'])
            ->keyBy('id')
            ->all();

        return array_map(fn (ComingText $one): array => $this->row($one, $unit, $kept[(int) $one->text->id] ?? null), $coming);
    }

    /**
     * What somebody typed for a moment to come.
     *
     * @param  list<int>  $people
     * @return list<array<string, mixed>>
     */
    public function byHand(array $people, UnitOfWork $unit, \DateTimeImmutable $until): array
    {
        $texts = ScheduledText::query()
            ->with('line')
            ->whereIn('person_id', $people)
            ->where('leaves_at', '<=', $until)
            ->orderBy('id')
            ->get();

        return array_values($texts->map(fn (ScheduledText $text): array => $this->typed($text, $unit))->all());
    }

    /**
     * @param  list<int>  $people
     * @param  list<array<string, mixed>>  $rows  theirs
     */
    public function replace(array $people, array $rows): void
    {
        foreach (array_chunk($people, self::AT_ONCE) as $some) {
            DB::table('coming_texts')->whereIn('about_person_id', $some)->delete();
        }
        foreach (array_chunk($rows, self::AT_ONCE) as $some) {
            DB::table('coming_texts')->insert($some);
        }
    }

    /** @return array<string, string> what each text is called, by its step */
    private function letters(Rule $rule): array
    {
        return $this->letters[$rule] ??= RuleWriter::targets($rule)[1];
    }

    /** @return array<string, mixed> */
    private function row(ComingText $coming, UnitOfWork $unit, ?\stdClass $kept): array
    {
        $text = $coming->text;
        $run = $text->run ?? throw new \LogicException('only what a run wants is foreseen');
        $record = $run->subject->recordId;
        $composed = $text->composed;

        return [
            'person_id' => $text->to->personId,
            'about_person_id' => $run->personId(),
            'rule_id' => (int) $run->ruleId,
            'run_id' => $coming->begun ? $run->id : null,
            'record_id' => $record,
            'record_type_id' => $record === null ? null : $unit->reader->typeId($unit->reader->record($record)->type->key ?? ''),
            'message_id' => $text->id,
            'line_id' => $text->line === null ? null : $unit->reader->line($text->line)?->id,
            'name' => $text->name,
            'letter' => $this->letters($run->rule)[explode('/', $text->name)[0]] ?? '',
            'wording' => $text->wording,
            'kind' => $text->kind->value,
            'zone' => $text->to->zone,
            'wanted_at' => DatabaseRunStore::at($text->wantedAt),
            'leaves_at' => $coming->leavesAt === null ? null : DatabaseRunStore::at($coming->leavesAt),
            'hour' => $coming->leftOut ? null : $coming->leavesAt?->setTimezone(Zone::get($unit->reader->business()->zone))->format('Y-m-d\TH'),
            'held' => $coming->held?->code,
            'reason' => self::json($coming->held?->toArray()),
            'hangs_on' => self::json(array_map(fn (Reason $on): array => $on->toArray(), $coming->hangsOn)),
            'template' => $text->words?->source,
            'own' => self::json($text->own()?->toArray()),
            'left_out' => $coming->leftOut,
            'body' => $composed->body ?? (($kept?->body ?: null) ?? $text->words->source ?? ''),
            'parts' => $composed->length->parts ?? $kept->parts ?? 0,
            'price_micros' => $composed->price ?? $kept->price_micros ?? 0,
            'currency' => $unit->reader->business()->tariff->currency,
            'scheduled_text_id' => null,
        ];
    }

    /** @return array<string, mixed> */
    private function typed(ScheduledText $text, UnitOfWork $unit): array
    {
        $business = $unit->reader->business();
        $person = $unit->reader->person($text->person_id) ?? throw new \LogicException('it is written to somebody');
        $to = $unit->contexts->stillReceiver($person, $text->number);
        $composed = Composed::plain($text->body, $to, $business, $text->picture !== null);
        [$leaves, $held] = self::byHandAt($text, $to, $business->zone);

        return [
            'about_person_id' => $text->person_id,
            'person_id' => $text->person_id, 'rule_id' => null, 'run_id' => null, 'record_id' => null, 'record_type_id' => null,
            'message_id' => null, 'line_id' => $text->line_id, 'name' => "scheduled/$text->id", 'letter' => '', 'wording' => '',
            'kind' => TextKind::Service->value, 'zone' => $to->zone, 'wanted_at' => DatabaseRunStore::at($text->leaves_at ?? $unit->now),
            'leaves_at' => $leaves === null ? null : DatabaseRunStore::at($leaves),
            'hour' => $leaves?->setTimezone(Zone::get($business->zone))->format('Y-m-d\TH'),
            'held' => $held?->code, 'reason' => self::json($held?->toArray()), 'hangs_on' => '[]', 'template' => null, 'own' => null,
            'left_out' => false, 'body' => $text->body, 'parts' => $composed->length->parts, 'price_micros' => $composed->price,
            'currency' => $business->tariff->currency, 'scheduled_text_id' => $text->id,
        ];
    }

    /** @return array{\DateTimeImmutable|null, Reason|null} when a text that somebody typed leaves, and why not when they said */
    private static function byHandAt(ScheduledText $text, Receiver $to, string $zone): array
    {
        $at = $text->leaves_at;
        $with = ['line' => $text->line->name];
        $opens = $at === null || $text->anyway ? $at : $text->line->read()->opens($at, Zone::get($zone));

        return match (true) {
            $to->optedOut => [null, new Reason('gate.opted_out', ['who' => $to->who])],
            $at !== null && $opens === null => [null, new Reason('gate.line_never_open', $with)],
            $at !== null && $at == $text->slot_at => [$at, new Reason('gate.line_busy', $with + ['until' => Reason::moment($at, $zone)])],
            $opens > $at => [$opens, new Reason('gate.line_closed', $with + ['until' => Reason::moment($opens, $zone)])],
            default => [$at, null],
        };
    }

    /** @param  array<array-key, mixed>|null  $value */
    private static function json(?array $value): ?string
    {
        return $value === null ? null : json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }
}
