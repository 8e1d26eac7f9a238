<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Forms\Sent;
use App\Models\Business;
use App\Models\Form;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\PlainName;

/** A form as anybody sees it. */
final class PublicFormController
{
    public function show(Form $form): View
    {
        abort_unless($form->power === ActivationState::On, 404);

        return view('forms.public', ['form' => $form, 'business' => Business::current()]);
    }

    public function store(Request $request, Form $form, Sent $sent): RedirectResponse
    {
        abort_unless($form->power === ActivationState::On, 404);
        $said = $request->validate(
            [
                'name' => 'nullable|string|max:80', 'number' => 'required|string|max:40', 'agrees' => 'nullable|in:1',
                'website' => 'nullable|string|max:200',
            ],
            ['number.required' => 'We need a number to text you at.'],
        );
        try {
            $number = Numbers::read($said['number'], Business::current()->country);
        } catch (NotANumber $e) {
            throw ValidationException::withMessages(['number' => Sentence::of($e->reason())]);
        }
        $written = trim($said['name'] ?? '');
        $name = $written === '' ? null : PlainName::given($written);
        if ($written !== '' && $name === null) {
            throw ValidationException::withMessages(['name' => 'Please give just your name, in letters: up to three words.']);
        }
        // A field that people do not see and machines fill in.
        $refused =
            ($said['website'] ?? '') !== '' ? null : $sent->submit($form, $number, $name, ($said['agrees'] ?? '') === '1', $request->ip());
        if ($refused !== null) {
            throw ValidationException::withMessages(['agrees' => 'Your form has come, but we cannot text you. '.Sentence::of($refused)]);
        }

        return redirect()->route('forms.public', $form)->with('sent', true)->with('asks', ($said['agrees'] ?? '') === '1');
    }
}
