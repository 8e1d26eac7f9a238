<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Forms\Asked;
use App\Forms\Filling;
use App\Forms\Sent;
use App\Http\Middleware\SecurityHeaders;
use App\Models\Business;
use App\Models\Form;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\MessageBag;
use Illuminate\Support\ViewErrorBag;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\ActivationState;

/** A form as anybody sees it: on a page of ours, within a page of somebody's, or sent in by a page of somebody's. */
final readonly class PublicFormController
{
    public function __construct(private Sent $sent)
    {
    }

    public function show(Request $request, Form $form): View
    {
        abort_unless($form->power === ActivationState::On, 404);
        $isEmbedded = $request->boolean('embedded') && ($form->origins ?? []) !== [];
        $isEmbedded && $request->attributes->set(SecurityHeaders::FRAMED_BY, $form->origins);

        return view('forms.public', self::page($form, $isEmbedded));
    }

    /** Its colour, as a style sheet: nothing on the page itself may say how it looks. */
    public function colours(string $form): Response
    {
        $form = Form::query()->where('key', $form)->firstOrFail();

        return new Response(
            $form->colour === null ? '' : ".btn.go{background:$form->colour;border-color:$form->colour;color:#fff}"
                .".brand,h1{color:$form->colour}@media (prefers-color-scheme:dark){.brand,h1{color:inherit}}",
            200, ['Content-Type' => 'text/css; charset=utf-8'],
        );
    }

    public function store(Request $request, Form $form): RedirectResponse
    {
        abort_unless($form->power === ActivationState::On, 404);
        $this->take($request, $form);

        return $form->back !== null
            ? redirect()->away($form->back)
            : redirect()->route('forms.public', $form)->with('sent', true)->with('asks', $request->input('agrees') === '1');
    }

    /** From a page of somebody else's, which has no session of ours: its origin has to be named. */
    public function post(Request $request, Form $form): RedirectResponse|Response|JsonResponse
    {
        abort_unless($form->power === ActivationState::On, 404);
        $origin = (string) $request->headers->get('Origin');
        $isOurs = $origin === $request->getSchemeAndHttpHost();
        abort_unless($isOurs || in_array($origin, $form->origins ?? [], true), 403, 'This page is not named among those that may send the form in.');
        ($form->origins ?? []) !== [] && $request->attributes->set(SecurityHeaders::FRAMED_BY, $form->origins);
        $answers = $isOurs ? [] : ['Access-Control-Allow-Origin' => $origin, 'Vary' => 'Origin'];
        try {
            $this->take($request, $form);
        } catch (ValidationException $e) {
            if ($request->expectsJson()) {
                return new JsonResponse(['message' => $e->getMessage(), 'errors' => $e->errors()], 422, $answers);
            }
            $errors = (new ViewErrorBag)->put('default', new MessageBag($e->errors()));
            $typed = array_filter($request->all(), is_scalar(...));

            return new Response(view('forms.public', ['errors' => $errors] + self::page($form, true, typed: $typed)), 422, $answers);
        }
        if ($request->expectsJson()) {
            return new JsonResponse(['sent' => true], 200, $answers);
        }

        return $form->back !== null
            ? redirect()->away($form->back)
            : new Response(view('forms.public', self::page($form, true, true, asks: $request->input('agrees') === '1')), 200, $answers);
    }

    /** @throws ValidationException at the place of what is wrong */
    private function take(Request $request, Form $form): void
    {
        $filled = Filling::of($request, $form);
        $refused = $filled === null ? null : $this->sent->submit($form, $filled, $request->ip());
        if ($refused !== null) {
            throw ValidationException::withMessages(['agrees' => 'Your form has come, but we cannot text you. '.Sentence::of($refused)]);
        }
    }

    /**
     * @param  array<array-key, mixed>  $typed
     * @return array<string, mixed>
     */
    private static function page(Form $form, bool $isEmbedded, bool $isSent = false, bool $asks = false, array $typed = []): array
    {
        return [
            'form' => $form, 'business' => Business::current(), 'asked' => Asked::of($form), 'isEmbedded' => $isEmbedded,
            'isSent' => $isSent || session('sent') === true, 'asks' => $asks || session('asks') === true, 'typed' => $typed,
        ];
    }
}
