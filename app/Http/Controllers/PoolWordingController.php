<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Pool;
use App\Models\Rule;
use App\Pages\Rules\RulePages;
use App\Rules\PoolWordings;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Shared wordings, added, changed and put in order one by one. */
final class PoolWordingController
{
    private const MOST = 100;

    public function show(Pool $pool, RulePages $pages): View
    {
        $using = Rule::query()
            ->with('version')
            ->orderBy('name')
            ->get()
            ->filter(fn (Rule $rule): bool => self::step($rule, $pool->name) !== null)
            ->values();
        $first = $using->first();

        return view('wordings.pool', [
            'pool' => $pool, 'using' => $using, 'page' => $first === null ? null : $pages->of($first, null),
            'step' => $first === null ? null : self::step($first, $pool->name),
        ]);
    }

    public function store(Request $request, Pool $pool): RedirectResponse
    {
        $said = $request->validate(
            [
                'do' => 'required|in:add,change,up,down,out', 'wording' => 'nullable|string|max:60', 'text' => 'nullable|string|max:2000',
                'most' => 'nullable|integer|min:1|max:100000000', 'weight' => 'nullable|integer|min:0|max:1000',
            ],
            ['most.*' => 'A whole number is expected, or nothing.', 'weight.*' => 'From 0 to 1000.'],
        );
        DB::transaction(function () use ($pool, $said): void {
            $pool = Pool::query()->lockForUpdate()->findOrFail($pool->id);
            $pool->update(['wordings' => self::changed($pool->wordings, $said)]);
        });

        return redirect()->route('pools.edit', $pool->name)->with('done', 'Kept. Rules that share these wordings say them from now on.');
    }

    /**
     * @param  list<array{id: string, text: string, weight?: int, most?: int}>  $wordings
     * @param  array<string, mixed>  $said
     * @return list<array<string, mixed>>
     */
    private static function changed(array $wordings, array $said): array
    {
        $text = trim(str_replace("\r\n", "\n", is_string($said['text'] ?? null) ? $said['text'] : ''));
        $one =
            ['id' => PoolWordings::id($text), 'text' => $text] +
            (isset($said['weight']) && (int) $said['weight'] !== 1 ? ['weight' => (int) $said['weight']] : []) +
            (isset($said['most']) ? ['most' => (int) $said['most']] : []);
        if ($said['do'] === 'add') {
            return count($wordings) >= self::MOST
                ? throw ValidationException::withMessages(['text' => 'A pool has 100 wordings at most.'])
                : PoolWordings::checked([...$wordings, $one], count($wordings));
        }
        $at = array_search($said['wording'] ?? '', array_column($wordings, 'id'), true);
        if ($at === false) {
            throw ValidationException::withMessages(['text' => 'This wording is there no more.']);
        }
        if ($said['do'] === 'change') {
            $wordings[$at] = ($wordings[$at]['text'] === $text ? ['id' => $wordings[$at]['id']] : []) + $one;
        } elseif ($said['do'] === 'out') {
            unset($wordings[$at]);
        } else {
            $to = max(0, min(count($wordings) - 1, $at + ($said['do'] === 'up' ? -1 : 1)));
            [$wordings[$at], $wordings[$to]] = [$wordings[$to], $wordings[$at]];
        }

        return PoolWordings::checked(array_values($wordings), $at);
    }

    /** The text of a rule that takes its wordings from here. */
    private static function step(Rule $rule, string $pool): ?string
    {
        foreach ($rule->version === null && $rule->draft === null ? [] : $rule->written()->flow->texts() as $step) {
            if ($step->outgoing()->wordings->pool === $pool) {
                return $step->id();
            }
        }

        return null;
    }
}
