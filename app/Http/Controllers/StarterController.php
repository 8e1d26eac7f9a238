<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Rule;
use App\Pages\Rules\StarterPage;
use App\Pages\Rules\StarterShelf;
use App\Rules\Casting;
use App\Rules\Starters;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Problem;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\ActivationState;
use Psr\Clock\ClockInterface;

/** Begins a rule: from a starter, with one's own records in its parts, or as a copy of another. Either is a draft, switched off. */
final class StarterController
{
    public function index(): View
    {
        return view('rules.starters', ['folders' => StarterShelf::all()]);
    }

    public function show(Request $request, string $key, ClockInterface $clock, DatabaseSideEffects $sideEffects): View
    {
        $starter = Starters::find($key) ?? abort(404);

        return view('rules.starter', [
            'page' => StarterPage::of(
                $starter,
                new Casting($starter, self::chosen($request)),
                UnitOfWork::reading($clock->now(), $sideEffects),
            ),
        ]);
    }

    public function store(Request $request, string $key): RedirectResponse
    {
        $starter = Starters::find($key) ?? abort(404);
        $rule = DB::transaction(function () use ($starter, $request): Rule {
            try {
                $read = (new Casting($starter, self::chosen($request)))->cast()->rule($starter);
            } catch (Unreadable $e) {
                throw ValidationException::withMessages([
                    'parts' => array_map(fn (Problem $problem): string => Sentence::of($problem->reason), $e->problems),
                ]);
            }

            return Rule::query()->create(['name' => $read->name, 'power' => ActivationState::Paused, 'draft' => $read->toDocument()]);
        });

        return redirect()
            ->route('rules.show', $rule)
            ->with('done', 'The rule is here as a draft, switched off. Read it, change what is yours, then publish it.');
    }

    public function copy(Rule $rule): RedirectResponse
    {
        $name = mb_substr("Copy of $rule->name", 0, 120, 'UTF-8');
        $copy = Rule::query()->create([
            'name' => $name,
            'power' => ActivationState::Paused,
            'draft' => ['name' => $name] + $rule->written()->toDocument(),
        ]);

        return redirect()->route('rules.show', $copy)->with('done', 'This is the copy: a draft, switched off.');
    }

    /** @return array<string, mixed> */
    private static function chosen(Request $request): array
    {
        return $request->validate([
            'types' => 'array', 'types.*' => 'string|max:60', 'fields' => 'array', 'fields.*' => 'string|max:60', 'choices' => 'array',
            'choices.*' => 'array', 'choices.*.*' => 'string|max:60', 'line' => 'nullable|string|max:60',
        ]);
    }
}
