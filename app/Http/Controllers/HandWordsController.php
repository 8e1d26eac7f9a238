<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Line;
use App\Models\Person;
use App\Pages\Conversations\HandWords;
use App\Pages\Conversations\WordsByHand;
use App\Pages\Words\Fillings;
use App\Pages\Words\TokenPage;
use App\Pages\Words\Tokens;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Linnet\Core\Text\Length;

/** Words while they are typed by hand: to one person, or to be kept for whoever comes. */
final class HandWordsController
{
    /** How long they are as they will be read, and what is filled into them. */
    public function measure(Request $request, HandWords $hand): View
    {
        $said = $request->validate(['text' => 'present|nullable|string|max:5000']);
        $typed = $body = str_replace("\r\n", "\n", $said['text'] ?? '');
        $tokens = [];
        $wrong = $who = null;
        if (str_contains($typed, '{{')) {
            $words = $this->words($request, $hand);
            $tokens = $words->tokens()->in($typed);
            [$body, $wrong] = $words->filled($typed);
            $who = $words->who();
        }

        return view('partials.measure', [
            'length' => Length::of($body), 'tokens' => $tokens, 'wrong' => $wrong, 'who' => $who, 'body' => $body,
        ]);
    }

    /** What can be filled in, each with what it comes to. */
    public function fields(Request $request, HandWords $hand): JsonResponse
    {
        return new JsonResponse((new Fillings($this->words($request, $hand)))->offered());
    }

    /** One thing that is filled in: its choices. */
    public function token(Request $request, HandWords $hand): View
    {
        $said = $request->validate(TokenPage::RULES);
        $words = $this->words($request, $hand);
        $one = TokenPage::chosen(Tokens::node($said['token']) ?? abort(404), $words, $said);

        return view('words.token', ['one' => $one, 'fillings' => new Fillings($words), 'tokens' => $words->tokens()]);
    }

    private function words(Request $request, HandWords $hand): WordsByHand
    {
        $said = $request->validate([
            'person' => 'nullable|integer', 'line' => 'nullable|integer', 'record' => 'nullable|integer',
            'number' => 'nullable|string|max:20',
        ]);
        if (! isset($said['person'])) {
            return $hand->kept();
        }

        return $hand->for(
            Person::query()->findOrFail((int) $said['person']),
            isset($said['line']) ? Line::query()->find((int) $said['line']) : null,
            isset($said['record']) ? (int) $said['record'] : null,
            number: $said['number'] ?? null,
        );
    }
}
