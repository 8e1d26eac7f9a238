<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Audiences\AudienceSentence;
use App\Models\Audience;
use App\Models\Business;
use App\Models\Line;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Staff;
use App\Models\TextToSeveral;
use App\Pages\Rules\RulePages;
use App\Pages\Several\SeveralPage;
use App\Rules\Vocabularies;
use App\Sentences\Misread;
use App\Sentences\Sentence;
use App\Several\Letter;
use App\Several\LettingGo;
use App\Several\WhoGetsIt;
use App\Several\WorkOutSeveral;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule as Valid;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Audience as CoreAudience;
use Linnet\Core\Rule\Rule as Core;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;
use Psr\Clock\ClockInterface;

/** Texts to several: written, tried, let go, held, stopped, and what became of them. */
final readonly class SeveralController
{
    /** So many are ticked at most. */
    private const TICKED = 2000;

    /** What the page hears where all has been asked about. */
    private const TOLD = ['HX-Trigger' => 'worked-out'];

    public function __construct(private ClockInterface $clock, private WhoGetsIt $who, private LettingGo $lettingGo)
    {
    }

    public function index(): View
    {
        $texts = TextToSeveral::query()->with('rule.version', 'staff')->orderByDesc('at')->orderByDesc('id')->simplePaginate(30);

        return view('several.index', [
            'texts' => $texts, 'language' => Vocabularies::language(),
            'pages' => $texts->getCollection()->map(fn (TextToSeveral $one): SeveralPage => $this->page($one)),
        ]);
    }

    /** To an audience that is kept, to those who were ticked, or to be said yet. */
    public function store(Request $request): RedirectResponse
    {
        $said = $request->validate([
            'audience' => 'nullable|integer', 'type' => 'nullable|string|max:60', 'ticked' => 'array|max:'.self::TICKED,
            'ticked.*' => 'integer',
        ]);
        $picked = isset($said['type']) ? $this->picked((string) $said['type'], $said['ticked'] ?? []) : null;
        $audience = isset($said['audience']) ? Audience::query()->findOrFail((int) $said['audience']) : null;
        $of = isset($said['type']) ? (string) $said['type'] : CoreType::PERSON;
        $letter = Letter::begin(
            $audience === null ? 'A text to several' : "To {$audience->name}",
            $audience === null
                ? CoreAudience::once(Doc::of(['of' => $of]))
                : CoreAudience::once(Doc::of(['of' => $audience->of, 'condition' => ['audience' => $audience->name]])),
            $picked !== null,
            Line::query()->whereNotNull('number')->where('power', ActivationState::On)->orderBy('id')->value('key'),
        );
        $several = DB::transaction(function () use ($request, $letter, $picked): TextToSeveral {
            $rule = Rule::query()->create([
                'name' => $letter->name, 'power' => ActivationState::Paused,
                'draft' => $letter->toDocument($this->clock->now(), $this->zone()),
            ]);
            $several = TextToSeveral::query()->create([
                'rule_id' => $rule->id, 'staff_id' => Staff::asking($request)->id, 'ticked' => $picked !== null,
                'at' => $this->clock->now(),
            ]);
            foreach (array_chunk($picked ?? [], 200) as $some) {
                DB::table('several_people')->insert(array_map(
                    fn (array $one): array => ['several_id' => $several->id, 'person_id' => $one[0], 'record_id' => $one[1]], $some,
                ));
            }

            return $several;
        });

        return redirect()->route('several.show', $several);
    }

    public function show(Request $request, TextToSeveral $several, RulePages $pages): View
    {
        $page = $this->page($several);

        return view('several.show', [
            'page' => $page, 'rule' => $pages->of($several->rule, $this->sample($page)), 'several' => $several,
            'isWorkedOut' => ! $several->isWritten() || ! $this->who->isStale($several),
        ]);
    }

    /** Who gets it, and who does not: worked out where that is to be done yet; of many, how far that is. */
    public function who(TextToSeveral $several): Response
    {
        $page = $this->page($several);
        if ($page->letter === null || ! $several->isWritten() || ! $this->who->isStale($several)) {
            return new Response(view('several.who', ['page' => $page, 'several' => $several, 'isWorkedOut' => true]), 200, self::TOLD);
        }
        $this->who->begin($several);
        if ($several->of > WhoGetsIt::AT_ONCE) {
            $several->cursor === 0 && WorkOutSeveral::dispatch($several->id, (string) $several->stamp);
        } else {
            $this->who->goOn($several);
        }
        $isDone = $several->cursor === null;

        // The rest of the page speaks of it too: it comes anew then, but for what is being typed.
        return new Response(
            view('several.who', ['page' => $page, 'several' => $several, 'isWorkedOut' => $isDone]), 200, $isDone ? self::TOLD : [],
        );
    }

    public function people(Request $request, TextToSeveral $several): View
    {
        $outcome = (string) ($request->validate(['outcome' => 'nullable|string|max:60'])['outcome'] ?? '');
        $people = $several->people()->with('person.number', 'record.type', 'record.person')
            ->when($outcome !== '', fn ($rows) => $rows->where('outcome', $outcome))
            ->orderBy('leaves_at')->orderBy('id')->simplePaginate(50)->withQueryString();

        return view('several.people', ['page' => $this->page($several), 'several' => $several, 'people' => $people, 'outcome' => $outcome]);
    }

    public function update(Request $request, TextToSeveral $several): RedirectResponse
    {
        $letter = $this->written($several);
        $said = $request->validate([
            'name' => 'sometimes|required|string|max:120', 'sentence' => 'sometimes|required|string|max:2000',
            'line' => 'sometimes|nullable|string|max:60',
            'kind' => ['sometimes', 'required', Valid::enum(TextKind::class)], 'text' => 'sometimes|required|string|max:1600',
            'when' => 'sometimes|required|in:now,ours,theirs', 'at' => 'required_if:when,ours,theirs|nullable|date_format:Y-m-d\TH:i',
        ], [
            'name.required' => 'Give it a name, to find it by.', 'text.required' => 'Write the text.',
            'at.required_if' => 'Say when.', 'at.date_format' => 'A day and a time are expected.',
        ]);
        $changed = [];
        isset($said['name']) && $changed['name'] = trim((string) $said['name']);
        isset($said['kind']) && $changed['kind'] = TextKind::from((string) $said['kind']);
        array_key_exists('line', $said) && $changed['line'] = ((string) $said['line']) === '' ? null : (string) $said['line'];
        isset($said['text']) && $changed['words'] = self::words((string) $said['text']);
        isset($said['sentence']) && $changed['to'] = self::to((string) $said['sentence']);
        if (isset($said['when'])) {
            $changed['at'] = $said['when'] === 'now' ? null : (string) $said['at'];
            $changed['theirs'] = $said['when'] === 'theirs';
        }
        $letter = $letter->with($changed);
        $this->refuse($letter);
        try {
            $document = Core::read(Doc::of($letter->toDocument($this->clock->now(), $this->zone())))->toDocument();
        } catch (Unreadable $e) {
            throw ValidationException::withMessages(['several' => Sentence::of($e->problems[0]->reason)]);
        }
        DB::transaction(function () use ($several, $letter, $document): void {
            $several->rule->update(['draft' => $document, 'name' => $letter->name]);
            $several->update(['at_once' => $letter->at === null]);
        });

        return redirect()->route('several.show', $several)->with('done', 'Kept.');
    }

    public function letGo(Request $request, TextToSeveral $several): RedirectResponse
    {
        $letter = $this->written($several);
        $this->refuse($letter);
        if (! $letter->isSaid()) {
            throw ValidationException::withMessages(['several' => 'It only greets them yet. Write what it is to say.']);
        }
        if (! $this->who->isWorkedOut($several)) {
            throw ValidationException::withMessages(['several' => 'Who gets it is being worked out. Wait until it stands here.']);
        }
        $done = $this->lettingGo->letGo($several, $letter, Staff::asking($request));

        return redirect()->route('several.show', $several)->with('done', $done ? 'It is let go.' : 'It was let go before.');
    }

    /** Held, going on, or stopped for good. */
    public function power(Request $request, TextToSeveral $several): RedirectResponse
    {
        $power = $request->validate(['power' => 'required|in:paused,on,stopped'])['power'];
        abort_if($several->isWritten(), 404);
        match ($power) {
            'paused' => $this->lettingGo->pause($several),
            'on' => $this->lettingGo->goOn($several),
            default => $this->lettingGo->stop($several),
        };

        return redirect()->route('several.show', $several)->with('done', match ($power) {
            'paused' => 'Nothing more of it leaves until it goes on.', 'on' => 'It goes on.', default => 'The rest is never sent.',
        });
    }

    /** One that was never let go. */
    public function destroy(TextToSeveral $several): RedirectResponse
    {
        $this->written($several);
        DB::transaction(function () use ($several): void {
            $several->people()->delete();
            $several->delete();
            $several->rule->update(['draft' => null, 'power' => ActivationState::Retired]);
            DB::table('rule_edits')->where('rule_id', $several->rule_id)->delete();
            $several->rule->delete();
        });

        return redirect()->route('several.index')->with('done', 'It is thrown away.');
    }

    private function page(TextToSeveral $several): SeveralPage
    {
        return new SeveralPage($several, Business::current(), $this->clock->now());
    }

    private function zone(): string
    {
        return Business::current()->zone;
    }

    /** What is written so far; none of it can be changed once it was let go. */
    private function written(TextToSeveral $several): Letter
    {
        return ($several->isWritten() ? WhoGetsIt::letter($several) : null)
            ?? throw ValidationException::withMessages(['several' => 'It was let go already: what is written stays as it is.']);
    }

    /** Whom the words are seen for: somebody who gets it. */
    private function sample(SeveralPage $page): ?int
    {
        $one = $page->example();

        return $one === null ? null : ($one->record_id > 0 ? $one->record_id : $one->person_id);
    }

    /** @throws ValidationException where it cannot be so */
    private function refuse(Letter $letter): void
    {
        $now = $this->clock->now();
        if ($letter->at !== null && ! $letter->theirs && $letter->begins($now, $this->zone()) <= $now) {
            throw ValidationException::withMessages(['at' => 'That is past.']);
        }
        // By their clocks it may be past for some, who then get it at once; not for all.
        if ($letter->at !== null && $letter->theirs && new \DateTimeImmutable($letter->at, new \DateTimeZone($this->zone())) <= $now) {
            throw ValidationException::withMessages(['at' => 'That is past here already.']);
        }
        if ($letter->at !== null && $letter->begins($now, $this->zone()) > $now->modify('+1 year')) {
            throw ValidationException::withMessages(['at' => 'Choose a moment within a year.']);
        }
    }

    private static function to(string $sentence): CoreAudience
    {
        $read = AudienceSentence::read(Vocabularies::language(), $sentence);

        return is_string($read) ? throw ValidationException::withMessages(['sentence' => $read]) : $read;
    }

    private static function words(string $typed): string
    {
        $words = rtrim(str_replace("\r\n", "\n", $typed));
        try {
            Template::parse($words);
        } catch (TemplateError $e) {
            throw ValidationException::withMessages(['text' => Misread::ofWords($e->reason())]);
        }

        return $words;
    }

    /**
     * @param  array<array-key, mixed>  $ticked
     * @return list<array{int, int}> people, each with the record it is about, or 0
     */
    private function picked(string $key, array $ticked): array
    {
        $ids = array_map(fn (mixed $id): int => is_numeric($id) ? (int) $id : 0, $ticked);
        $picked = $key === CoreType::PERSON
            ? Person::query()->whereKey($ids)->orderBy('id')->pluck('id')->map(fn (mixed $id): array => [(int) $id, 0])->all()
            : Record::query()->whereKey($ids)->whereNotNull('person_id')
                ->where('record_type_id', RecordType::query()->where('key', $key)->firstOrFail()->id)
                ->orderBy('id')->get(['id', 'person_id'])->map(fn (Record $one): array => [(int) $one->person_id, $one->id])->all();

        return $picked === [] ? throw ValidationException::withMessages(['bulk' => 'Tick some first.']) : array_values($picked);
    }
}
