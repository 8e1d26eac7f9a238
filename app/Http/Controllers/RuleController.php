<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\Day;
use App\Counts\MessageCounts;
use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Message;
use App\Models\Rule;
use App\Models\TextToSeveral;
use App\Pages\Rules\RulePages;
use App\Rules\Samples;
use App\Rules\Vocabularies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Linnet\Core\Record\ActivationState;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class RuleController
{
    public function index(Request $request, ClockInterface $clock): View|StreamedResponse
    {
        $asked = $request->validate([
            'find' => 'nullable|string|max:80', 'power' => 'nullable|string|max:20', 'folder' => 'nullable|string|max:60',
            'order' => 'nullable|in:name,newest',
        ]) + ['find' => '', 'power' => '', 'folder' => '', 'order' => 'name'];
        $query = Rule::query()
            ->with('version')
            // Texts to several have a list of their own.
            ->whereNotIn('id', TextToSeveral::query()->select('rule_id'))
            ->withCount([
                'runs as live_count' => fn ($runs) => $runs->where('live', true),
            ]);
        if (is_string($asked['find']) && $asked['find'] !== '') {
            $query->whereLike('name', '%'.addcslashes($asked['find'], '\\%_').'%');
        }
        $power = ActivationState::tryFrom((string) $asked['power']);
        if ($power !== null) {
            $query->where('power', $power);
        }
        if (is_string($asked['folder']) && $asked['folder'] !== '') {
            $query->where(
                fn ($rules) => $rules
                    ->where('draft->folder', $asked['folder'])
                    ->orWhere(
                        fn ($plain) => $plain
                            ->whereNull('draft')
                            ->whereHas('version', fn ($version) => $version->where('document->folder', $asked['folder'])),
                    ),
            );
        }
        $asked['order'] === 'newest' ? $query->orderByDesc('on_since')->orderByDesc('id') : $query->orderBy('name')->orderBy('id');
        if ($request->query('as') === 'csv') {
            return CsvExport::of(
                'rules',
                ['Rule', 'State', 'Version', 'On since', 'Under way'],
                (function () use ($query): \Generator {
                    foreach ($query->lazy(200) as $rule) {
                        yield [
                            $rule->name, $rule->power->value, $rule->version?->number, $rule->on_since?->format(DATE_ATOM),
                            (int) $rule->getAttribute('live_count'),
                        ];
                    }
                })(),
            );
        }
        $rules = $query->simplePaginate(40)->withQueryString();
        $since = Day::firstOf(30, $clock->now(), Business::current()->zone);

        return view('rules.index', [
            'rules' => $rules, 'language' => Vocabularies::language(), 'asked' => $asked, 'folders' => self::folders(), 'since' => $since,
            'texts' => MessageCounts::byRule($since),
            'problems' => Message::query()
                // The newest of each rule, by the index of the few that are troubled.
                ->whereIn(
                    'id',
                    Rule::query()
                        ->whereKey($rules->pluck('id')->all())
                        ->selectSub(
                            Message::query()
                                ->troubled()
                                ->select('id')
                                ->whereColumn('rule_id', 'rules.id')
                                ->where('at', '>=', $since->begins)
                                ->orderByDesc('at')
                                ->orderByDesc('id')
                                ->limit(1),
                            'newest',
                        ),
                )
                ->get()
                ->keyBy('rule_id'),
        ]);
    }

    public function show(Request $request, Rule $rule, RulePages $pages): View
    {
        $page = $pages->asked($rule, $request);

        return view('rules.show', [
            'page' => $page,
            'failed' => null,
            'notes' => [],
            'done' => $request->session()->get('opens') === true
                    ? ['line' => '', 'opens' => $page->writing->firstLetter(0, count($page->writing->lines))]
                    : null,
        ]);
    }

    /** The records or people found by what is typed, to rehearse it on. */
    public function samples(Request $request, Rule $rule, ClockInterface $clock): View
    {
        $said = $request->validate([
            'find' => 'nullable|string|max:80', 'sample' => 'nullable|integer', 'if' => 'array|max:20', 'if.*' => 'string|max:300',
        ]);
        $samples = new Samples($rule->written()->trigger->type(), Business::current()->zone, $clock->now());

        return view('rules.samples', [
            'rule' => $rule, 'samples' => $samples->named((string) ($said['find'] ?? '')), 'chosen' => (int) ($said['sample'] ?? 0),
            'if' => array_values($said['if'] ?? []),
        ]);
    }

    /** @return list<string> those that rules are kept in */
    private static function folders(): array
    {
        $folders = DB::table('rules')
            ->leftJoin('rule_versions', 'rule_versions.id', '=', 'rules.version_id')
            ->select(['rules.draft->folder as drafted', 'rule_versions.document->folder as published'])
            ->get()
            ->map(fn (object $row): string => (string) ($row->drafted ?? ($row->published ?? '')))
            ->unique()
            ->sort();

        return array_values(array_filter($folders->all(), fn (string $folder): bool => $folder !== ''));
    }
}
