<?php

declare(strict_types=1);

namespace App\Pages\Rehearsals;

use App\Models\Rehearsal;
use App\Models\RehearsalSide;
use App\Models\RehearsedRun;
use App\Models\RehearsedState;
use App\Models\RehearsedText;
use App\People\PersonFilter;
use Illuminate\Contracts\Pagination\Paginator;
use Illuminate\Database\Eloquent\Builder;

/** The rows behind a number of a rehearsal. */
final readonly class RowsPage
{
    public const RULES = [
        'what' => 'nullable|in:texts,people,held,late,runs,run,dropped,set_aside,waiting,not_begun,failed',
        'side' => 'nullable|in:changed,published', 'reason' => 'nullable|string|max:160', 'day' => 'nullable|date_format:Y-m-d',
        'find' => 'nullable|string|max:80', 'order' => 'nullable|in:newest,oldest',
    ];

    private const AT_ONCE = 40;

    public string $what;

    public RehearsalSide $side;

    /** @param  array<string, string|null>  $asked */
    public function __construct(public Rehearsal $rehearsal, public array $asked)
    {
        $this->what = $asked['what'] ?? 'texts';
        $this->side = RehearsalSide::tryFrom($asked['side'] ?? '') ?? $rehearsal->side();
    }

    public function isRuns(): bool
    {
        return in_array($this->what, ['runs', 'run'], true);
    }

    /** What is listed, in words. */
    public function says(): string
    {
        $says = match ($this->what) {
            'people' => 'people who would have been texted',
            'held' => 'texts that would have been held',
            'late' => 'texts that would have come too late',
            'runs' => 'runs',
            'run' => 'runs of which no text came',
            'dropped' => 'texts that would not have gone',
            'set_aside' => 'texts set aside',
            'waiting' => 'texts that would wait still',
            'not_begun' => 'where it would not have begun',
            'failed' => 'texts to numbers that nobody has',
            default => 'texts that would have left',
        };

        return $says.(($this->asked['reason'] ?? '') === '' ? '' : ': '.(string) $this->asked['reason']);
    }

    /** @return Paginator<int, RehearsedText> */
    public function texts(): Paginator
    {
        $way = ($this->asked['order'] ?? '') === 'oldest' ? 'asc' : 'desc';
        $query = $this->narrowed(RehearsedText::query()->with(['person.number', 'record.type', 'line']));
        match ($this->what) {
            'dropped', 'set_aside', 'waiting', 'not_begun', 'failed' => $query->where('state', RehearsedState::from($this->what)),
            'held' => $query->whereNotNull('held_by'),
            'late' => $query->whereNotNull('too_late_since'),
            'people' => $query->whereRaw('first_of_person'),
            default => $query->whereIn('state', RehearsedState::went()),
        };
        ($this->asked['day'] ?? '') === '' || $query->where('day', $this->asked['day']);

        return $query->orderBy('wanted_at', $way)->orderBy('id', $way)->simplePaginate(self::AT_ONCE)->withQueryString();
    }

    /** @return Paginator<int, RehearsedRun> */
    public function runs(): Paginator
    {
        $way = ($this->asked['order'] ?? '') === 'oldest' ? 'asc' : 'desc';
        $query = $this->narrowed(RehearsedRun::query()->with(['person.number', 'record.type']));
        if ($this->what === 'run') {
            $query->where('texts', 0)->whereNotIn('run', RehearsedText::query()
                ->where('rehearsal_id', $this->rehearsal->id)->where('side', $this->side)->whereNotNull('run')->select('run'));
        }

        return $query->orderBy('began_at', $way)->orderBy('id', $way)->simplePaginate(self::AT_ONCE)->withQueryString();
    }

    /** @return array<string, string> the same list, asked otherwise */
    public function query(string $what, string $value): array
    {
        $asked = array_map(strval(...), ['what' => $this->what, ...$this->asked, $what => $value]);

        return array_filter($asked, fn (string $one): bool => $one !== '');
    }

    /**
     * @template T of RehearsedText|RehearsedRun
     *
     * @param  Builder<T>  $query
     * @return Builder<T>
     */
    private function narrowed(Builder $query): Builder
    {
        $query->where('rehearsal_id', $this->rehearsal->id)->where('side', $this->side);
        ($this->asked['reason'] ?? '') === '' || $query->where('why', $this->asked['reason']);
        ($this->asked['find'] ?? '') === '' || PersonFilter::only($query, (string) $this->asked['find']);

        return $query;
    }
}
