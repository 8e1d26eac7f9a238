<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TimeFormatter;
use App\Engine\OwnTexts;
use App\Engine\WhichText;
use App\Forecast\Forecaster;
use App\Http\Back;
use App\Models\Business;
use App\Models\ComingText;
use App\Models\Person;
use App\Models\Rule;
use App\Models\Staff;
use App\Pages\Rules\RulePages;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Engine\OwnText;
use Linnet\Core\Reason;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Psr\Clock\ClockInterface;

/** One text of one person: words of its own, another moment, now, or not at all. */
final class OwnTextController
{
    private const WHICH = ['rule' => 'required|integer', 'record' => 'nullable|integer', 'which' => 'required|string|max:80'];

    /** Its words, to be changed for this person alone. */
    public function show(Request $request, Person $person, RulePages $pages): View|RedirectResponse|string
    {
        $text = self::text($person, $request->validate(self::WHICH));

        return $text === null ? self::gone($person) : view('ahead.own-text', [
            'text' => $text, 'page' => $pages->of(self::rule($text), $text->record_id ?? $person->id),
            'back' => $request->header('HX-Current-URL') === null ? route('people.show', $person, false) : self::path($request),
        ])->fragmentIf($request->hasHeader('HX-Request'), 'form');
    }

    public function store(
        Request $request,
        Person $person,
        OwnTexts $texts,
        Forecaster $forecaster,
        RulePages $pages,
        ClockInterface $clock,
    ): RedirectResponse {
        $asked = $request->validate(self::WHICH + [
            'do' => 'required|in:words,move,now,skip,undo', 'text' => 'required_if:do,words|nullable|string|max:2000',
            'at' => 'required_if:do,move|nullable|exclude_unless:do,move|date_format:Y-m-d\TH:i',
        ]);
        $text = self::text($person, $asked);
        if ($text === null) {
            return self::gone($person);
        }
        $by = Staff::asking($request)->name;
        $now = $clock->now();
        [$change, $noted, $said] = match ($asked['do']) {
            'words' => $this->words($text, str_replace("\r\n", "\n", (string) $asked['text']), $by, $pages),
            'move' => $this->move($text, (string) $asked['at'], $by, $now),
            'now' => [
                fn (OwnText $own): OwnText => new OwnText($own->words, $now, false, $by), new Reason('own.now', ['staff' => $by]),
                'It goes now, where the gate lets it.',
            ],
            'skip' => [
                fn (OwnText $own): OwnText => new OwnText($own->words, null, true, $by), new Reason('own.skipped', ['staff' => $by]),
                'It will not be sent.',
            ],
            default => [
                fn (OwnText $own): OwnText => new OwnText, new Reason('own.as_it_was', ['staff' => $by]), 'It is as its rule says.',
            ],
        };
        if (! $texts->decide(self::which($text), $change, $noted)) {
            return self::gone($person);
        }
        $forecaster->look($text->about_person_id);

        return redirect()->to(Back::to($request, route('people.show', $person)))->with('done', $said);
    }

    /** @return array{\Closure(OwnText): OwnText, Reason, string} */
    private function words(ComingText $text, string $words, string $by, RulePages $pages): array
    {
        try {
            $pages->of(self::rule($text), $text->record_id ?? $text->person_id)->compose(Template::parse($words));
        } catch (TemplateError $e) {
            throw ValidationException::withMessages(['text' => Sentence::of($e->reason())])->redirectTo(self::formOf($text));
        }

        return [
            fn (OwnText $own): OwnText => new OwnText($words, $own->at, false, $by), new Reason('own.words', ['staff' => $by]),
            'It has words of its own.',
        ];
    }

    /** @return array{\Closure(OwnText): OwnText, Reason, string} */
    private function move(ComingText $text, string $typed, string $by, \DateTimeImmutable $now): array
    {
        $zone = Business::current()->zone;
        $at = (new \DateTimeImmutable($typed, new \DateTimeZone($zone)))->setTimezone(new \DateTimeZone('UTC'));
        $says = fn (\DateTimeImmutable $moment): string => TimeFormatter::momentIn($moment, $zone);
        $wrong = match (true) {
            $at <= $now => "That is past. It is {$says($now)} now.",
            $text->run_id === null && ! isset($text->own['at']) && $at < $text->wanted_at => "Its rule begins for them on {$says($text->wanted_at)}: it can leave later, not before.",
            default => null,
        };

        return $wrong !== null ? throw ValidationException::withMessages(['at' => $wrong]) : [
            fn (OwnText $own): OwnText => new OwnText($own->words, $at, false, $by),
            new Reason('own.moved', ['staff' => $by, 'at' => Reason::moment($at, $zone)]),
            "It is moved to {$says($at)}.",
        ];
    }

    /** @param  array<string, mixed>  $asked */
    private static function text(Person $person, array $asked): ?ComingText
    {
        return ComingText::query()
            ->where('person_id', $person->id)
            ->where('rule_id', $asked['rule'])
            ->where('record_id', $asked['record'] ?? null)
            ->where('name', $asked['which'])
            ->with(['rule', 'line', 'person.number'])
            ->orderBy('id')
            ->first();
    }

    private static function which(ComingText $text): WhichText
    {
        return new WhichText(
            self::rule($text)->id, $text->about_person_id, $text->person_id, $text->record_id, $text->run_id, $text->name, $text->letter,
        );
    }

    private static function rule(ComingText $text): Rule
    {
        return $text->rule ?? throw new \LogicException('it was found by its rule');
    }

    private static function formOf(ComingText $text): string
    {
        return route('people.text', [
            'person' => $text->person_id, 'rule' => $text->rule_id, 'record' => $text->record_id, 'which' => $text->name,
        ]);
    }

    /** The page a part of it is asked for from. */
    private static function path(Request $request): string
    {
        $parts = parse_url($request->headers->get('HX-Current-URL') ?? '');

        return ($parts['path'] ?? '/').(isset($parts['query']) ? "?{$parts['query']}" : '');
    }

    private static function gone(Person $person): RedirectResponse
    {
        return redirect()->route('people.show', $person)->with('done', 'It has left by now, or is not to come any more.');
    }
}
