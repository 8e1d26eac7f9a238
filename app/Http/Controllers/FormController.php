<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Form;
use App\Models\Line;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;

/** The forms that anybody may send in. */
final class FormController
{
    public function index(): View
    {
        return view('forms.index', [
            'forms' => Form::query()->orderBy('name')->simplePaginate(20),
            'lines' => Line::query()->whereNotNull('number')->orderBy('name')->get(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $said = $this->said($request);
        $key = Str::slug($said['name']);
        if ($key === '' || Form::query()->where('key', $key)->exists()) {
            throw ValidationException::withMessages([
                'name' => 'There is a form of that name already, or it has no letters. Choose another.',
            ]);
        }
        Form::query()->create(['key' => mb_substr($key, 0, 60), 'power' => ActivationState::On] + $said);

        return redirect()->route('forms.index')->with('done', 'The form is there. Its address stands below.');
    }

    public function update(Request $request, Form $form): RedirectResponse
    {
        $form->update(['power' => $request->boolean('on') ? ActivationState::On : ActivationState::Paused] + $this->said($request));

        return redirect()
            ->route('forms.index')
            ->with('done', 'Kept. What was agreed to before stays in the ledger with the words of then.');
    }

    /** @return array{name: string, wording: string|null, confirmed_by_text: bool, line: string|null, thanks: string|null} */
    private function said(Request $request): array
    {
        $said = $request->validate(
            [
                'name' => 'required|string|max:80', 'wording' => 'nullable|string|max:1000', 'thanks' => 'nullable|string|max:500',
                'line' => ['nullable', Rule::exists('lines', 'key')->whereNotNull('number')], 'confirmed_by_text' => 'nullable|in:1',
            ],
            ['name.required' => 'Give the form a name.', 'line.exists' => 'Choose a line that can be answered.'],
        );

        return [
            'name' => trim($said['name']), 'wording' => ($said['wording'] ?? '') === '' ? null : trim($said['wording']),
            'confirmed_by_text' => ($said['confirmed_by_text'] ?? '') === '1',
            'line' => ($said['line'] ?? '') === '' ? null : $said['line'],
            'thanks' => ($said['thanks'] ?? '') === '' ? null : trim($said['thanks']),
        ];
    }
}
