<?php

declare(strict_types=1);

namespace App\Pages\Conversations;

use App\Models\Conversation;
use App\Models\Staff;
use App\People\PersonFilter;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\Change\LabelKind;

/** Which conversations are looked at, and in what order: whoever waits comes first, the longest before the others. */
final readonly class ConversationQuery
{
    private const SHOWN = ['waiting', 'mine', 'nobodys', 'put_off', 'all'];

    /** @param  array{show: string, line: string, owner: string, tag: string, find: string}  $asked */
    private function __construct(public array $asked, private Staff $staff, private \DateTimeImmutable $now)
    {
    }

    /** @param  string  $shown  which of them where nothing is said of it */
    public static function of(Request $request, Staff $staff, \DateTimeImmutable $now, string $shown = 'all'): self
    {
        $said = $request->validate([
            'show' => 'nullable|in:'.implode(',', self::SHOWN), 'line' => 'nullable|integer', 'owner' => 'nullable|integer',
            'tag' => 'nullable|string|max:80', 'find' => 'nullable|string|max:80',
        ]);
        $text = fn (string $key): string => is_scalar($said[$key] ?? null) ? trim((string) $said[$key]) : '';
        $show = $text('show');

        return new self([
            'show' => $show === '' ? $shown : $show, 'line' => $text('line'), 'owner' => $text('owner'), 'tag' => $text('tag'),
            'find' => $text('find'),
        ], $staff, $now);
    }

    public function shows(string $which): bool
    {
        return $this->asked['show'] === $which;
    }

    /** Whether it is only some of those that are shown. */
    public function isNarrowed(): bool
    {
        return $this->asked['line'].$this->asked['owner'].$this->asked['tag'] !== '';
    }

    /**
     * What leads to the same list, but for some of it.
     *
     * @param  array<string, string>  $but
     * @return array<string, string>
     */
    public function with(array $but = []): array
    {
        return array_filter([...$this->asked, ...$but], fn (string $value): bool => $value !== '');
    }

    /** @return Builder<Conversation> */
    public function build(): Builder
    {
        $query = Conversation::query()->with(['person.number', 'line', 'last', 'owner'])->whereNotNull('last_message_id');
        match ($this->asked['show']) {
            'waiting' => $query->waiting($this->now)->orderBy('waiting_since')->orderBy('id'),
            'nobodys' => $query->waiting($this->now)->whereNull('staff_id')->orderBy('waiting_since')->orderBy('id'),
            'put_off' => $query->where('put_off_until', '>', $this->now)->orderBy('put_off_until')->orderBy('id'),
            'mine' => $query
                ->where('staff_id', $this->staff->id)
                ->orderByRaw('waiting_since is null')
                ->orderBy('waiting_since')
                ->orderByDesc('last_at')
                ->orderByDesc('id'),
            default => $query->orderByDesc('last_at')->orderByDesc('id'),
        };
        $this->asked['line'] === '' || $query->where('line_id', (int) $this->asked['line']);
        $this->asked['owner'] === '' || $query->where('staff_id', (int) $this->asked['owner']);
        $this->asked['tag'] === '' || $query->whereIn(
            'person_id',
            DB::table('labels')->where('kind', LabelKind::Tag->value)->where('name', $this->asked['tag'])->select('person_id'),
        );
        $this->asked['find'] === '' || PersonFilter::only($query, $this->asked['find']);

        return $query;
    }
}
