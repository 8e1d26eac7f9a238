<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TimeFormatter;
use App\Engine\ScheduledTexts;
use App\Forecast\Forecaster;
use App\Http\Back;
use App\Models\Business;
use App\Models\ScheduledText;
use App\Pages\Conversations\HandWords;
use App\Pages\WritingPage;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Gate\Verdict;

/** A text typed by hand that has still to leave: other words, another moment, now, or not at all. */
final class ScheduledTextController
{
    private const GONE = 'It has left by now, or was taken back.';

    public function update(
        Request $request,
        int $scheduled,
        ScheduledTexts $texts,
        Forecaster $forecaster,
        WritingPage $page,
        HandWords $hand,
    ): RedirectResponse {
        $said = $request->validate([
            'do' => 'required|in:words,move,now,now_anyway,take_back',
            'text' => 'required_if:do,words|nullable|exclude_unless:do,words|string|max:1600',
            'at' => 'required_if:do,move|nullable|exclude_unless:do,move|date_format:Y-m-d\TH:i',
            'anyway' => 'nullable|boolean',
        ], ['text.required_if' => 'Write something first.', 'at.required_if' => 'Say when it is to leave.']);
        $one = ScheduledText::query()->with('person', 'line')->find($scheduled);
        if ($one === null) {
            return redirect()->to(Back::to($request, route('home')))->with('done', self::GONE);
        }
        $page->to($one->person, $one->line_id, $one->number);
        [$isDone, $told] = match ($said['do']) {
            'words' => [
                $texts->change($one->id, [
                    'body' => $hand->for($one->person, $one->line, null, $one->leaves_at, $one->number)->body((string) $said['text']),
                ]),
                'It has other words now.',
            ],
            'move' => $this->move($texts, $one, $page, (string) $said['at'], $request->boolean('anyway')),
            'now' => $this->now($texts, $one, $page),
            'now_anyway' => [$texts->sendNow($one->id, true) !== false, 'It goes now, if it may.'],
            default => [$texts->takeBack($one->id), 'It is taken back, and will not be sent.'],
        };
        $forecaster->look($one->person_id);

        return redirect()->to(Back::to($request, route('home')))->with('done', $isDone ? $told : self::GONE);
    }

    /** @return array{bool, string} */
    private function move(ScheduledTexts $scheduled, ScheduledText $text, WritingPage $page, string $typed, bool $anyway): array
    {
        $at = $page->time->moment($typed);
        $wrong = $page->time->refuses($at, Business::current()->zone);
        if ($wrong !== null) {
            throw ValidationException::withMessages(['at' => $wrong]);
        }
        $closed = $anyway ? null : WritingPage::closed($text->line, $at);
        if ($closed !== null) {
            throw ValidationException::withMessages(['anyway' => $closed.WritingPage::EVEN_SO]);
        }

        return [
            $scheduled->change($text->id, ['leaves_at' => $at, 'anyway' => $anyway]),
            trim('It is moved to '.TimeFormatter::momentIn($at, $page->receiver->zone).'. '.$page->time->says($at, Business::current()->zone)),
        ];
    }

    /** @return array{bool, string} */
    private function now(ScheduledTexts $scheduled, ScheduledText $text, WritingPage $page): array
    {
        $closed = $text->anyway ? null : WritingPage::closed($text->line, $page->time->now, 'now');
        $sent = $closed !== null ?: $scheduled->sendNow($text->id, $text->anyway);
        if ($sent instanceof Verdict && $sent->until !== null) {
            $closed = WritingPage::busy($text->line, $sent->until);
        }

        return $closed === null
            ? [$sent !== false, 'It goes now, if it may.']
            : throw ValidationException::withMessages(['now' => $closed]);
    }
}
