<?php

declare(strict_types=1);

namespace App\View\Rules;

use App\Clock\Said;
use App\Engine\Happenings;
use App\Engine\Live\Desk;
use App\Models\Change;
use App\Models\ChangeKind;
use App\Models\Message;
use App\Models\MessageOrigin;
use App\Models\MessageState;
use App\Models\Record;
use App\Models\RecordType;
use App\Records\FieldColumn;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rehearsal\RehearsedText;
use Linnet\Core\Rule\Needs;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Rule\Trigger\DateReached;
use Linnet\Core\Rule\Trigger\RecordAdded;
use Linnet\Core\Rule\Trigger\RecordChanged;
use Linnet\Core\Rule\Trigger\Trigger;

/** What somebody agrees to when they publish: one plain paragraph. */
final readonly class Agreement
{
    private const WEEKS = 4;

    /** So many of the latest records are asked whether they fit. */
    private const ASKED = 60;

    public function __construct(private RulePage $page, private Desk $desk)
    {
    }

    /** @return list<string> its sentences */
    public function sentences(): array
    {
        return array_values(array_filter([
            $this->page->prose->inOneSentence(), $this->reaches(), $this->first(), $this->perWeek(),
            $this->isMarketing() ? 'It may be used only for people who have agreed to offers; to others it is not sent.' : 'It may not be used for offers to people who have not agreed to them.',
        ]));
    }

    private function reaches(): string
    {
        $last = fn (string $scope) => DB::table('consents')->whereIn('id', DB::table('consents')->selectRaw('max(id)')->where('scope', $scope)->groupBy('number'));
        $numbers = DB::table('numbers')->whereIn('kind', ['mobile', 'either', 'unknown'])->where(fn ($some) => $some->whereNull('alive')->orWhere('alive', true))
            ->whereNotIn('e164', $last('all')->where('act', 'withdrawn')->select('number'));
        if ($this->isMarketing()) {
            $numbers->whereIn('e164', $last('marketing')->where('act', 'granted')->select('number'));
        }
        $people = $numbers->distinct()->count('person_id');

        return 'Today it could reach '.($people === 1 ? 'one person' : number_format($people).' people').': those with a number that takes texts'.($this->isMarketing() ? ' who have agreed to offers.' : ' who have not said stop.');
    }

    private function first(): string
    {
        $text = $this->page->rehearsed->texts[0] ?? null;
        if ($text === null || $this->page->receiver === null) {
            return '';
        }
        $at = $text->leavesAt ?? $text->wantedAt;

        return "For {$this->page->receiver->who}, the first text would leave ".Said::momentIn($at, $this->page->receiver->zone).($text->composed === null ? ', if what is missing in it were known.' : ': “'.$text->composed->body.'”');
    }

    private function perWeek(): string
    {
        $rule = $this->page->rule;
        $since = $this->desk->now->modify('-'.self::WEEKS.' weeks');
        $money = fn (float $micros): string => Said::price((int) round($micros), $this->page->business->currency());
        $sent = Message::query()->where('rule_id', $rule->id)->where('origin', MessageOrigin::Rule)->where('left_at', '>=', $since)->where('state', '!=', MessageState::Failed->value)->toBase()->selectRaw('count(*) as texts, sum(price_micros) as price')->first();
        [$texts, $price] = [(int) ($sent->texts ?? 0), (int) ($sent->price ?? 0)];
        if ($rule->version !== null && $texts > 0) {
            return sprintf('As it was until now, it sent about %s a week, for %s.', Said::count((int) ceil($texts / self::WEEKS), 'text', 'texts'), $money($price / self::WEEKS));
        }
        $starts = $this->starts($this->page->written->trigger, $since);
        if ($starts === null || $this->page->rehearsed === null) {
            return 'How many texts that makes a week cannot be told from what has happened so far.';
        }
        $aWeek = $starts / self::WEEKS * $this->share();
        $each = count(array_filter($this->page->rehearsed->texts, fn (RehearsedText $text): bool => $text->leavesAt !== null));
        $price = array_sum(array_map(fn (RehearsedText $text): int => $text->leavesAt === null ? 0 : $text->composed->price ?? 0, $this->page->rehearsed->texts));

        return sprintf(($this->page->written->trigger instanceof DateReached ? 'By the dates of the next four weeks' : 'By the last four weeks').' it would begin about %s a week, and send up to %s for %s.', Said::count((int) ceil($aWeek), 'time', 'times'), Said::count((int) ceil($aWeek * $each), 'text', 'texts'), $money($aWeek * $price));
    }

    /** How often what starts it happened since; null where that does not tell. */
    private function starts(Trigger $trigger, \DateTimeImmutable $since): ?int
    {
        $ofType = fn (): Builder => Change::query()->where('at', '>=', $since)->whereIn('record_id', Record::query()->whereIn('record_type_id', RecordType::query()->where('key', $trigger->type())->select('id'))->select('id'));

        return match (true) {
            $trigger instanceof RecordAdded => $ofType()->where('kind', ChangeKind::RecordAdded)->count(),
            $trigger instanceof RecordChanged => $ofType()->where('kind', ChangeKind::RecordChanged)->whereLike('to', '%"'.$trigger->field.'":'.($trigger->to === null ? '' : str_replace(['%', '_'], '', (string) json_encode($trigger->to))).'%')->count(),
            $trigger instanceof DateReached && $trigger->type !== CoreType::PERSON => $this->datesToCome($trigger),
            default => null,
        };
    }

    private function datesToCome(DateReached $trigger): ?int
    {
        $type = RecordType::query()->where('key', $trigger->type)->with('fields')->first();
        $field = $type?->field($trigger->field);
        if ($type === null || $field === null) {
            return null;
        }
        $format = $field->kind === FieldKind::Date ? 'Y-m-d' : 'Y-m-d\TH:i:s\Z';
        $sql = FieldColumn::sql($field);

        return Record::query()->whereRaw(FieldColumn::ofType($type->id))->whereRaw("$sql >= ? and $sql < ?", [$this->desk->now->format($format), $this->desk->now->modify('+'.self::WEEKS.' weeks')->format($format)])->count();
    }

    /** Which share of the latest records its conditions let through. */
    private function share(): float
    {
        $ids = array_map(intval(...), Record::query()->whereIn('record_type_id', RecordType::query()->where('key', $this->page->written->trigger->type())->select('id'))->whereNotNull('person_id')->orderByDesc('id')->limit(self::ASKED)->pluck('id')->all());
        $this->desk->known->preloadRecords(array_values($ids));
        $fits = 0;
        foreach ($ids as $id) {
            $record = $this->desk->known->record($id);
            if ($record !== null) {
                $situation = $this->desk->surroundings->situation((new Happenings($this->desk->known))->subject($record->personId, $record), null, Needs::relatedTypes($this->page->written));
                $fits += $this->page->written->conditions->weigh($situation)->holds() ? 1 : 0;
            }
        }

        return $ids === [] ? 1.0 : $fits / count($ids);
    }

    private function isMarketing(): bool
    {
        foreach ($this->page->written->flow->steps as $step) {
            if ($step instanceof Texting && $step->outgoing()->kind === TextKind::Marketing && $step->outgoing()->to->isPerson()) {
                return true;
            }
        }

        return false;
    }
}
