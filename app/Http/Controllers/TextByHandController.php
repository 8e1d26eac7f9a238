<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TimeFormatter;
use App\Conversations\WhoHears;
use App\Engine\DirectTexts;
use App\Engine\ScheduledTexts;
use App\Forecast\Forecaster;
use App\Http\Typed;
use App\Models\Business;
use App\Models\Conversation;
use App\Models\Line;
use App\Models\Person;
use App\Models\Record;
use App\Models\Staff;
use App\Pages\Conversations\HandWords;
use App\Pages\WritingPage;
use App\Records\Beside;
use App\Rules\Pictures;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Gate\Verdict;
use Linnet\Core\Reason;

/** A text that somebody types to one person: from a line, to one of their numbers, now or at a moment of their day. */
final class TextByHandController
{
    public function create(Request $request, Person $person, WritingPage $page): View
    {
        $said = $request->validate(['line' => 'nullable|integer', 'record' => 'nullable|integer']);

        return view('people.write', [
            'page' => $page->to($person, isset($said['line']) ? (int) $said['line'] : null),
            'record' => isset($said['record'])
                ? self::about($person, (int) $said['record'])
                : null,
        ]);
    }

    /** What a moment of their day is by our clock. */
    public function moment(Request $request, Person $person, WritingPage $page): string
    {
        $said = $request->validate(['at' => 'nullable|date_format:Y-m-d\TH:i', 'number' => 'nullable|string|max:20']);
        $page->to($person, number: $said['number'] ?? null);

        return isset($said['at']) ? e($page->time->says($page->time->moment($said['at']), Business::current()->zone) ?: 'Their clock is ours.') : '';
    }

    public function store(
        Request $request,
        Person $person,
        WritingPage $page,
        DirectTexts $texts,
        ScheduledTexts $scheduled,
        Forecaster $forecaster,
        HandWords $hand,
    ): RedirectResponse {
        $here = $this->here($request, $person);
        try {
            $said = $request->validate([
                'picture' => 'nullable|file|max:20480', 'kept_picture' => 'nullable|string|max:500',
                'text' => 'required|string|max:1600', 'line' => 'required|integer|exists:lines,id', 'number' => 'nullable|string|max:20',
                'hears' => ['nullable', Rule::in(WhoHears::choices())],
                'when' => 'nullable|in:now,later', 'at' => 'required_if:when,later|nullable|exclude_unless:when,later|date_format:Y-m-d\TH:i',
            ], [
                'text.required' => 'Write something first.', 'at.required_if' => 'Say when it is to leave.', 'line.*' => 'Choose a line.',
                'hears.*' => 'Choose who hears of a reply.',
            ]);
            $line = Line::query()->findOrFail((int) $said['line']);
            $picture = $this->picture($request);
            $page->to($person, $line->id, $said['number'] ?? null);
            $number = self::number($page, $said['number'] ?? null);
            $staff = Staff::asking($request);
            $anyway = $request->boolean('anyway');
            $at = ($said['when'] ?? 'now') === 'later' ? $this->future($page, (string) $said['at']) : null;
            $body = $hand->for($person, $line, $request->integer('record') ?: null, $at, $number)->body((string) $said['text']);
            $closed = $anyway ? null : WritingPage::closed($line, $at ?? $page->time->now, $at === null ? 'now' : 'then');
            $closed === null || throw ValidationException::withMessages(['anyway' => $closed.WritingPage::EVEN_SO]);
            if ($at === null) {
                $refused = $texts->fromStaff($person->id, $line, $number, $staff, $body, $picture, $anyway);
                $refused === null || throw ValidationException::withMessages(self::refused($line, $refused));
                $this->hears($request, $person, $line, $page->time->now);

                return redirect($this->threadOf($person, $line));
            }
        } catch (ValidationException $e) {
            // What was typed stays with whom it was written to: by now another may be the first of those who wait.
            throw $e->redirectTo($here);
        }
        $scheduled->add($person, $line, $number, $staff, $body, $at, $picture, $anyway);
        $this->hears($request, $person, $line, $page->time->now);
        $forecaster->look($person->id);
        $ours = Business::current()->zone;
        $whose = $page->receiver->zone === $ours ? '' : " for {$page->receiver->who}";
        $told = 'It leaves on '.TimeFormatter::momentIn($at, $page->receiver->zone)."$whose. ".$page->time->says($at, $ours);

        // Where it stands among what is coming.
        return redirect($request->has('conversation') ? $here : route('people.show', $person))->with('done', trim($told));
    }

    /** The record that is meant, if they have to do with it. */
    private static function about(Person $person, int $id): ?Record
    {
        $record = Record::query()->with('type.fields')->find($id);

        return $record !== null && ($record->person_id === $person->id || Beside::isIn($record, $person->id)) ? $record : null;
    }

    /** Who hears of replies from now on, where it was said. */
    private function hears(Request $request, Person $person, Line $line, \DateTimeImmutable $now): void
    {
        $choice = Typed::one($request, 'hears');
        if ($choice !== '') {
            $thread = Conversation::query()->firstOrCreate(['person_id' => $person->id, 'line_id' => $line->id], ['last_at' => $now]);
            WhoHears::choose($thread, $choice, Staff::asking($request), self::about($person, $request->integer('record')));
        }
    }

    /** @return array<string, string> by the field it stands at */
    private static function refused(Line $line, Verdict $verdict): array
    {
        return $verdict->until === null
            ? ['text' => Sentence::of($verdict->reason)]
            : ['anyway' => WritingPage::busy($line, $verdict->until).WritingPage::EVEN_SO];
    }

    private static function number(WritingPage $page, ?string $asked): string
    {
        $number = $page->receiver->number ?? throw ValidationException::withMessages(['number' => "{$page->receiver->who} has no number to text."]);

        return $asked === null || $number === $asked
            ? $number
            : throw ValidationException::withMessages(['number' => 'That number is not theirs any more. Choose another.']);
    }

    private function future(WritingPage $page, string $typed): \DateTimeImmutable
    {
        $at = $page->time->moment($typed);
        $wrong = $page->time->refuses($at, Business::current()->zone);

        return $wrong === null ? $at : throw ValidationException::withMessages(['at' => $wrong]);
    }

    /** The address of the picture that goes with it; one that was chosen before and came with a mistake elsewhere is still there. */
    private function picture(Request $request): ?string
    {
        $file = $request->file('picture');
        if (! $file instanceof UploadedFile) {
            $kept = Typed::one($request, 'kept_picture');

            return preg_match('{^'.preg_quote(url('pictures'), '{').'/[0-9a-f]{32}\.(jpg|png|gif)$}D', $kept) === 1 ? $kept : null;
        }
        $name = Pictures::store((string) $file->get());
        if ($name instanceof Reason) {
            throw ValidationException::withMessages(['picture' => Sentence::of($name)]);
        }
        $request->merge(['kept_picture' => route('pictures.show', $name)]);

        return route('pictures.show', $name);
    }

    /** The page it was written on. */
    private function here(Request $request, Person $person): string
    {
        $conversation = Conversation::query()->where('person_id', $person->id)->find($request->integer('conversation'));

        return $conversation === null
            ? route('people.write', [
                'person' => $person, 'line' => $request->integer('line') ?: null, 'record' => $request->integer('record') ?: null,
            ])
            : route('conversations.show', $conversation);
    }

    private function threadOf(Person $person, Line $line): string
    {
        $thread = Conversation::query()->where('person_id', $person->id)->where('line_id', $line->id)->firstOrFail();

        return route('conversations.show', $thread);
    }
}
