<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Exports\CsvExport;
use App\Models\Pool;
use App\Models\Rule;
use App\Rules\PoolFile;
use App\Rules\PoolWordings;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Rule\Rule as Core;
use Linnet\Core\Rule\Step\Texting;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Wordings that several rules share, and lists of codes: in and out as files. */
final class PoolController
{
    private const MOST_CODES = 200_000;

    public function index(): View
    {
        return view('wordings.index', [
            'pools' => Pool::query()->orderBy('name')->simplePaginate(20, pageName: 'pools')->withQueryString(),
            'codes' => DB::table('codes')
                ->groupBy('list')
                ->orderBy('list')
                ->selectRaw('list, count(*) as many, count(person_id) as given')
                ->simplePaginate(20, pageName: 'codes')
                ->withQueryString(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        if ($request->has('new')) {
            return $this->begin($request);
        }
        $said = $request->validate(
            ['name' => ['required', 'string', 'regex:/^[a-z][a-z0-9-]{0,59}$/'], 'file' => 'required|file|max:2048'],
            $this->messages(),
        );
        $file = $request->file('file');
        $wordings = PoolFile::read($file instanceof UploadedFile ? $file->getPathname() : '');
        Pool::query()->updateOrCreate(['name' => $said['name']], ['wordings' => $wordings]);

        return redirect()->route('pools.index')->with('done', count($wordings).' wordings stand in “'.$said['name'].'” now.');
    }

    public function show(Pool $pool): StreamedResponse
    {
        return CsvExport::of(
            $pool->name,
            ['text', 'maximum'],
            array_map(fn (array $one): array => [$one['text'], $one['most'] ?? null], $pool->wordings),
        );
    }

    public function destroy(Pool $pool): RedirectResponse
    {
        $uses = Rule::query()
            ->with('version')
            ->orderBy('name')
            ->get()
            ->filter(fn (Rule $rule): bool => $rule->version !== null && in_array($pool->name, self::pools($rule->version->read()), true));
        if ($uses->isNotEmpty()) {
            throw ValidationException::withMessages(['pool' => 'It is still used by “'.$uses->pluck('name')->implode('”, “').'”.']);
        }
        $pool->delete();

        return redirect()->route('pools.index')->with('done', 'Gone.');
    }

    /** Codes are only ever added: those given stay given. */
    public function codes(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['list' => ['required', 'string', 'regex:/^[a-z][a-z0-9-]{0,59}$/'], 'codes' => 'required|file|max:8192'],
            $this->messages(),
        );
        $file = $request->file('codes');
        $codes = PoolFile::codes($file instanceof UploadedFile ? $file->getPathname() : '', self::MOST_CODES);
        $added = 0;
        DB::transaction(function () use ($codes, $said, &$added): void {
            foreach (array_chunk($codes, 500) as $chunk) {
                $added += DB::table('codes')->insertOrIgnore(
                    array_map(fn (string $code): array => ['list' => $said['list'], 'code' => $code], $chunk),
                );
            }
        });

        return redirect()
            ->route('pools.index')
            ->with('done', "$added codes were added to “{$said['list']}”; ".(count($codes) - $added).' were there already.');
    }

    public function given(string $list): StreamedResponse
    {
        abort_unless(DB::table('codes')->where('list', $list)->exists(), 404);

        return CsvExport::of(
            "codes-$list",
            ['code', 'given to'],
            (function () use ($list): \Generator {
                $codes = DB::table('codes')
                    ->leftJoin('numbers', fn ($join) => $join->on('numbers.person_id', '=', 'codes.person_id')->where('numbers.rank', 0))
                    ->where('list', $list)
                    ->orderBy('codes.id')
                    ->select(['codes.code', 'codes.person_id', 'numbers.e164']);
                foreach ($codes->lazy(1000) as $code) {
                    yield [(string) $code->code, $code->person_id === null ? '' : (string) ($code->e164 ?? 'somebody erased')];
                }
            })(),
        );
    }

    private function begin(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['new' => ['required', 'string', 'regex:/^[a-z][a-z0-9-]{0,59}$/', 'unique:pools,name'], 'text' => 'required|string|max:2000'],
            ['new.unique' => 'There is a pool of this name.'] + $this->messages(),
        );
        Pool::query()->create([
            'name' => $said['new'],
            'wordings' => PoolWordings::checked([['id' => PoolWordings::id($said['text']), 'text' => trim($said['text'])]], 0),
        ]);

        return redirect()->route('pools.edit', $said['new'])->with('done', 'The pool is there.');
    }

    /** @return list<string|null> the pools its texts take their wordings from */
    private static function pools(Core $rule): array
    {
        return array_map(fn (Texting $step): ?string => $step->outgoing()->wordings->pool, $rule->flow->texts());
    }

    /** @return array<string, string> */
    private function messages(): array
    {
        return [
            '*.required' => 'This is needed.',
            '*.regex' => 'Small letters, digits and hyphens, beginning with a letter, such as welcome-codes.',
            '*.max' => 'The file is too large.', '*.file' => 'Choose a CSV file.',
        ];
    }
}
