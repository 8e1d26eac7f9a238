<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\Day;
use App\Exports\CsvExport;
use App\Exports\MessageRows;
use App\Models\Business;
use App\Models\Line;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Rule;
use App\People\PersonFilter;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What left, did it arrive? */
final class SentController
{
    public function index(Request $request): View|StreamedResponse
    {
        $asked = $request->validate([
            'state' => 'nullable|string|max:20', 'rule' => 'nullable|integer', 'line' => 'nullable|integer', 'run' => 'nullable|integer',
            'step' => 'nullable|string|max:60', 'wording' => 'nullable|string|max:60', 'from' => 'nullable|date_format:Y-m-d',
            'until' => 'nullable|date_format:Y-m-d', 'find' => 'nullable|string|max:80', 'order' => 'nullable|in:newest,oldest',
            'as' => 'nullable|in:csv',
        ]);
        $oldest = ($asked['order'] ?? '') === 'oldest';
        // As the index says it that holds those alone.
        $query = Message::query()->whereRaw("origin <> 'them'")
            ->with(['person.number', 'line', 'rule', 'staff', 'toStaff'])
            ->orderBy('at', $oldest ? 'asc' : 'desc')->orderBy('id', $oldest ? 'asc' : 'desc');
        $this->filter($query, $asked);
        if (isset($asked['as'])) {
            return CsvExport::of('texts', MessageRows::HEADINGS, MessageRows::of($query, Business::current()->zone));
        }

        return view('sent.index', [
            'texts' => $query->simplePaginate(35)->withQueryString(),
            'asked' => $asked + [
                'state' => '', 'rule' => '', 'line' => '', 'run' => '', 'step' => '', 'wording' => '', 'from' => '', 'until' => '',
                'find' => '', 'order' => 'newest',
            ],
            'rules' => Rule::query()
                ->orderBy('name')
                ->get(['id', 'name']),
            'lines' => Line::query()
                ->orderBy('id')
                ->get(['id', 'name']),
            'states' => array_filter(MessageState::cases(), fn (MessageState $state): bool => $state !== MessageState::Received),
        ]);
    }

    /**
     * @param  Builder<Message>  $query
     * @param  array<string, mixed>  $asked
     */
    private function filter(Builder $query, array $asked): void
    {
        $state = is_string($asked['state'] ?? null) ? $asked['state'] : '';
        if ($state === 'answered') {
            $query->whereNotNull('answered_at');
        }
        // A state, or several by one word.
        $states = match ($state) {
            'left', 'answered' => MessageState::left(),
            'kept' => [MessageState::Waiting, MessageState::SetAside],
            default => array_filter([MessageState::tryFrom($state)]),
        };
        if ($states !== []) {
            $query->whereIn('state', $states);
        }
        if (($asked['wording'] ?? null) === '~') {
            // Texts that have no wording of their own, such as a question put once more.
            $query->where(fn (Builder $none) => $none->whereNull('wording')->orWhere('wording', ''));
        }
        foreach (
            ['rule' => 'rule_id', 'line' => 'line_id', 'run' => 'run_id', 'step' => 'step', 'wording' => 'wording'] as $name => $column
        ) {
            if (isset($asked[$name]) && $asked[$name] !== '~') {
                $query->where($column, $asked[$name]);
            }
        }
        if (is_string($asked['from'] ?? null)) {
            $query->where('at', '>=', (new Day($asked['from'], Business::current()->zone))->begins);
        }
        if (is_string($asked['until'] ?? null)) {
            $query->where('at', '<', (new Day($asked['until'], Business::current()->zone))->ends);
        }
        if (is_string($asked['find'] ?? null) && $asked['find'] !== '') {
            PersonFilter::only($query, $asked['find']);
        }
    }
}
