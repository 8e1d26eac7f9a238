<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\Day;
use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Rule;
use App\Models\Run;
use App\Pages\Rules\RunsPage;
use App\People\PersonFilter;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Who is in it, where do they stand, what comes next? */
final class RunController
{
    public function index(Request $request, Rule $rule): View|StreamedResponse
    {
        $asked = $request->validate([
            'state' => 'nullable|in:live,ended,goal', 'from' => 'nullable|date_format:Y-m-d', 'find' => 'nullable|string|max:80',
            'order' => 'nullable|in:newest,oldest', 'as' => 'nullable|in:csv',
            'answer' => ['nullable', 'string', 'max:80', 'regex:{^[^/]+/\d*$}'], 'answered_from' => 'nullable|date_format:Y-m-d',
        ]);
        $direction = ($asked['order'] ?? '') === 'oldest' ? 'asc' : 'desc';
        $query = $rule
            ->runs()
            ->getQuery()
            ->with(['person.number', 'record.type', 'timer'])
            ->orderBy('began_at', $direction)
            ->orderBy('id', $direction);
        match ($asked['state'] ?? '') {
            'live' => $query->where('live', true),
            'ended' => $query->where('live', false),
            'goal' => $query->where('outcome', 'goal'),
            default => null,
        };
        if (isset($asked['from'])) {
            $query->where('began_at', '>=', (new Day($asked['from'], Business::current()->zone))->begins);
        }
        if (isset($asked['answer'])) {
            $this->narrowToAnswer($query, $rule, $asked['answer'], $asked['answered_from'] ?? '1970-01-01');
        }
        if (isset($asked['find'])) {
            PersonFilter::only($query, $asked['find']);
        }
        if (isset($asked['as'])) {
            return CsvExport::of(
                'runs',
                ['Who', 'Number', 'About', 'Began', 'Ended', 'Outcome'],
                (function () use ($query): \Generator {
                    foreach ($query->lazy(500) as $run) {
                        /** @var Run $run */
                        yield [
                            $run->person->name(), $run->person->number?->e164, $run->record?->called(), $run->began_at->format(DATE_ATOM),
                            $run->ended_at?->format(DATE_ATOM), $run->outcome,
                        ];
                    }
                })(),
            );
        }

        return view('rules.runs', [
            'rule' => $rule,
            'page' => new RunsPage($query->simplePaginate(40)->withQueryString()),
            'asked' => $asked + ['state' => '', 'from' => '', 'find' => '', 'order' => 'newest'],
        ]);
    }

    /**
     * Runs whose question got an answer since a day.
     *
     * @param  Builder<Run>  $query
     * @param  string  $answer  step/number; without a number for what was none of the answers
     */
    private function narrowToAnswer(Builder $query, Rule $rule, string $answer, string $since): void
    {
        [$step, $number] = explode('/', $answer);
        $query->whereIn('id', DB::table('messages')
            ->where('put_to_rule_id', $rule->id)
            ->where('at', '>=', (new Day($since, Business::current()->zone))->begins)
            ->where('put_to_step', $step)
            ->where('answer', $number === '' ? null : (int) $number)
            ->select('put_to_run_id'));
    }
}
