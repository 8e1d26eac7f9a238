<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Audiences\AudienceQuery;
use App\Audiences\AudienceSentence;
use App\Audiences\KeepAsList;
use App\Clock\Day;
use App\Clock\TimeFormatter;
use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Http\Typed;
use App\Models\Audience;
use App\Models\Business;
use App\Models\Person;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Staff;
use App\Pages\Rules\Completions;
use App\Rules\Vocabularies;
use Illuminate\Contracts\View\View;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Record\RecordType as CoreType;
use Linnet\Core\Rule\Audience as Core;
use Psr\Clock\ClockInterface;

/** Whom the business writes to again and again: everybody, or everything, of whom something is so. */
final readonly class AudienceController
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    public function index(): View
    {
        return view('audiences.index', [
            'audiences' => Audience::query()->orderBy('folded')->simplePaginate(30), 'language' => Vocabularies::language(),
        ]);
    }

    public function show(Audience $audience): View
    {
        $query = $this->query($audience->read());
        // How many they are is counted while the page is looked at.
        $page = $query->candidates()->orderByDesc('id')->select('id')->simplePaginate(50);
        $ids = array_values(array_map(intval(...), array_column($page->items(), 'id')));
        $ids = $query->isExact ? $ids : $query->among($ids);
        $type = $audience->isOfPeople() ? null : RecordType::query()->where('key', $audience->of)->with('fields')->first();

        return view('audiences.show', [
            'audience' => $audience, 'sentence' => AudienceSentence::write(Vocabularies::language(), $audience->read()),
            'list' => $page, 'type' => $type, 'usedBy' => $audience->usedBy(), 'isExact' => $query->isExact,
            'today' => Day::of($this->clock->now(), Business::current()->zone)->date,
            'people' => $type === null ? Person::query()->with('number')->whereKey($ids)->orderByDesc('id')->get() : [],
            'records' => $type === null ? [] : Record::query()->with('person.number')->whereKey($ids)->orderByDesc('id')->get()
                ->each(fn (Record $record) => $record->setRelation('type', $type)),
        ]);
    }

    /** How many belong to it now. */
    public function count(Audience $audience): View
    {
        $type = RecordType::query()->where('key', $audience->of)->first();

        return view('audiences.count', ['says' => self::says($this->query($audience->read()), $audience->isOfPeople() ? null : $type)]);
    }

    /** How many would belong to what is typed. */
    public function tried(Request $request): View
    {
        $read = AudienceSentence::read(
            Vocabularies::language(), (string) ($request->validate(['sentence' => 'nullable|string|max:2000'])['sentence'] ?? ''),
        );
        $type = is_string($read) || $read->of === CoreType::PERSON ? null : RecordType::query()->where('key', $read->of)->first();

        return view('audiences.count', ['says' => is_string($read) ? '' : self::says($this->query($read), $type)]);
    }

    public function completions(Request $request): View
    {
        $said = $request->validate(['text' => 'nullable|string|max:2000']);

        return view('rules.completions', [
            'completions' => (new Completions(Vocabularies::language(), CoreType::PERSON, '', fn (): null => null))->of(
                'audience', (string) ($said['text'] ?? ''),
            ),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $name = trim((string) $request->validate(
            ['name' => 'required|string|max:60|not_regex:/["“”]/u', 'sentence' => 'required|string|max:2000'],
            [
                'name.required' => 'Give it a name, by which rules call it.',
                'name.not_regex' => 'The name stands in quotes: without quotes.',
                'sentence.required' => 'Say who belongs to it, such as “everybody who has the tag "member"”.',
            ],
        )['name']);
        $read = self::read($request);
        try {
            // In a transaction of its own: one that fails there ends no other.
            $audience = DB::transaction(fn (): Audience => Audience::query()->create([
                'name' => $name, 'folded' => mb_strtolower($name, 'UTF-8'), ...$read->toDocument(), 'at' => $this->clock->now(),
            ]));
        } catch (UniqueConstraintViolationException) {
            throw ValidationException::withMessages(['name' => 'There is an audience of that name already.']);
        }

        return redirect()->route('audiences.show', $audience)->with('done', "The audience “{$name}” is kept.");
    }

    public function update(Request $request, Audience $audience): RedirectResponse
    {
        $request->validate(['sentence' => 'required|string|max:2000'], ['sentence.required' => 'Say who belongs to it.']);
        $read = self::read($request);
        if ($read->of !== $audience->of && $audience->usedBy() !== []) {
            throw ValidationException::withMessages([
                'sentence' => 'Rules use it, and what they do is about what it is made of now. Make another for these.',
            ]);
        }
        $audience->update($read->toDocument());

        return redirect()->route('audiences.show', $audience)->with('done', 'The change is kept. It holds for what rules ask from now on.');
    }

    /** Who belongs to it now, on a list that stays as it is. */
    public function freeze(Request $request, Audience $audience): RedirectResponse
    {
        $said = $request->validate(['list' => 'required|string|max:60'], ['list.required' => 'Give the list a name.']);
        $list = trim((string) $said['list']);
        KeepAsList::dispatch($audience->read()->toDocument(), $list, Staff::asking($request)->id);

        return redirect()
            ->route('audiences.show', $audience)
            ->with(
                'done',
                "Those who belong to it now come onto the list “{$list}”, some at a time. Who is on it changes no more by itself.",
            );
    }

    public function destroy(Audience $audience): RedirectResponse
    {
        $users = $audience->usedBy();
        if ($users !== []) {
            throw ValidationException::withMessages(['audience' => 'The rule “'.$users[0]->name.'” uses it. Take it out there first.']);
        }
        $audience->delete();

        return redirect()->route('audiences.index')->with('done', "The audience “{$audience->name}” is gone.");
    }

    private static function read(Request $request): Core
    {
        $read = AudienceSentence::read(Vocabularies::language(), Typed::one($request, 'sentence'), isKept: true);

        return is_string($read) ? throw ValidationException::withMessages(['sentence' => $read]) : $read;
    }

    private function query(Core $audience): AudienceQuery
    {
        return new AudienceQuery(UnitOfWork::reading($this->clock->now(), $this->sideEffects), $audience);
    }

    private static function says(AudienceQuery $query, ?RecordType $type): string
    {
        [$many, $people] = $query->counts();
        $people = TimeFormatter::count($people, 'person', 'people');
        $says = $type === null
            ? $people
            : TimeFormatter::count($many, mb_strtolower($type->name), mb_strtolower($type->plural)).", of $people";

        return $query->isKnown() ? $says : "At most $says: more than can be asked one by one";
    }
}
