<?php

declare(strict_types=1);

namespace App\Several;

use App\Engine\Store\DatabaseBusinessReader;
use App\Engine\Store\UnitOfWork;
use App\Models\SeveralPerson;
use App\Models\TextToSeveral;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Gate\Candidate;
use Linnet\Core\Gate\Check\DecentHours;
use Linnet\Core\Gate\Check\Pacing;
use Linnet\Core\Gate\Say;
use Linnet\Core\Gate\TextOrigin;
use Linnet\Core\Number\NumberKind;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\Receiver;

/**
 * Where very many leave by one line they leave one after the other: once it is known of each when it could, the gate's own checks of hours
 * and pace give them their places, in the order in which life would ask.
 */
final readonly class InTurn
{
    private const WRITTEN_AT_ONCE = 1000;

    public function __construct(private UnitOfWork $unit)
    {
    }

    public function give(TextToSeveral $several, Letter $letter): void
    {
        foreach ($this->unit->reader->lines() as $line) {
            $line->pace->isLimited() && $this->along($line, $several, $letter);
        }
    }

    private function along(Line $line, TextToSeveral $several, Letter $letter): void
    {
        $zones = $row = [];
        /** @var \SplMinHeap<array{int, int, int|null}> $queue the earliest first, then in their order */
        $queue = new \SplMinHeap;
        $theirs = DB::table('several_people')->where('several_id', $several->id)->where('line_id', $line->id)
            ->where('outcome', SeveralPerson::GETS)->orderBy('leaves_at')->orderBy('id')->select(['id', 'zone', 'zones', 'leaves_at']);
        foreach ($theirs->cursor() as $i => $one) {
            $at = DatabaseBusinessReader::moment($one->leaves_at);
            $named = (string) ($one->zones ?? json_encode([$one->zone]));
            $zones[$named] ??= $this->candidate($line, $letter, json_decode($named, true, 4, JSON_THROW_ON_ERROR));
            $row[$i] = [(int) $one->id, $named];
            $queue->insert([$at->getTimestamp(), $i, null]);
        }
        $slots = $this->slots($line);
        $given = [];
        while (! $queue->isEmpty()) {
            [$at, $i, $slot] = $queue->extract();
            $verdict = $this->verdict($zones[$row[$i][1]], $at, $slot, $slots, $line);
            if ($verdict === null) {
                $slot === null && $slots[] = $at;
                $given[$row[$i][0]] = $at;
            } else {
                [$until, $takes] = $verdict;
                $takes && $slots[] = $until;
                $queue->insert([$until, $i, $takes ? $until : null]);
            }
        }
        foreach (array_chunk($given, self::WRITTEN_AT_ONCE, true) as $some) {
            DB::transaction(function () use ($some): void {
                $write = DB::getPdo()->prepare('update several_people set leaves_at = ? where id = ?');
                foreach ($some as $id => $at) {
                    $write->execute([gmdate('Y-m-d H:i:s', $at), $id]);
                }
            });
        }
    }

    /**
     * @param  list<int>  $slots
     * @return array{int, bool}|null until when it waits, and whether that is its place in the line's order; null where it leaves
     */
    private function verdict(Candidate $text, int $at, ?int $slot, array $slots, Line $line): ?array
    {
        $now = $this->unit->now->setTimestamp($at);
        $many = count($slots);
        $departed = [];
        foreach ($slot === null ? $line->pace->looksBack($now) : [] as $k) {
            $k <= $many && $departed[$k] = $slots[$many - $k];
        }
        $asked = $text->inTurn($departed, $slot === null ? null : $now->setTimestamp($slot), $many);
        foreach ([new DecentHours, new Pacing] as $check) {
            $verdict = $check->judge($asked, $this->unit->reader->policy(), $now);
            if ($verdict->say === Say::Hold && $verdict->until !== null) {
                return [$verdict->until->getTimestamp(), $verdict->takesSlot];
            }
        }

        return null;
    }

    /** @param  non-empty-list<string>  $zones */
    private function candidate(Line $line, Letter $letter, array $zones): Candidate
    {
        $business = $this->unit->reader->business();
        $to = new Receiver('', '', $business->country, NumberKind::Mobile, null, $zones[0], $zones, $business->locale);

        return new Candidate(
            TextOrigin::Rule, $letter->kind, '', $to, ActivationState::On, $line->power, $line->name, businessZone: $business->zone,
            pace: $line->pace, lineHours: $line->hours,
        );
    }

    /** @return list<int> the last places in the line's order that are given already, as far back as a further one asks */
    private function slots(Line $line): array
    {
        $back = $line->pace->looksBack($this->unit->now);

        $last = DB::table('send_slots')->where('line_id', $line->id)->orderByDesc('number')->limit(max([1, ...$back]))->pluck('at');

        return array_values($last
            ->map(fn (mixed $at): int => DatabaseBusinessReader::moment($at)->getTimestamp())->reverse()->all());
    }
}
