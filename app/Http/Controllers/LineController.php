<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Carrier\Carriers;
use App\Exports\CsvExport;
use App\Models\Business;
use App\Models\Line;
use App\Models\Staff;
use App\Models\Timer;
use App\Pages\HoursForm;
use App\Pages\LineDrawing;
use App\Pages\LinesPage;
use App\Sentences\Sentence;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\Line as CoreLine;
use Psr\Clock\ClockInterface;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Can we still send? The lines, what they have sent today, and how fast they may. */
final readonly class LineController
{
    public function __construct(private Carriers $carriers)
    {
    }

    public function index(Request $request, LinesPage $page): View|StreamedResponse
    {
        if ($request->query('as') === 'csv') {
            return CsvExport::of(
                'lines',
                ['Line', 'Number', 'Purpose', 'State', 'Left today', 'Most in 24 hours', 'Waiting', 'Failures'],
                Line::query()
                    ->orderBy('id')
                    ->get()
                    ->map(
                        fn (Line $line): array => [
                            $line->name, $line->number, $line->purpose, $line->power->value, $page->sentToday($line),
                            $page->dayLimit($line), $page->waiting($line), $page->failures($line),
                        ],
                    )
                    ->all(),
            );
        }

        return view('lines.index', ['page' => $page]);
    }

    public function show(Line $line, LinesPage $page): View
    {
        $staff = Staff::query()->whereNull('off_at')->orderBy('name')->get();

        return view('lines.show', [
            'drawn' => new LineDrawing($line, $page->day->zone, $page->now, $page->health),
            'page' => $page, 'line' => $line, 'staff' => $staff, 'people' => $line->people()->pluck('staff.id')->all(),
            'carriers' => $this->carriers->names(),
            'pools' => Line::query()->whereNotNull('pool')->distinct()->orderBy('pool')->pluck('pool')->all(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $said = $request->validate(
            ['name' => 'required|string|max:40', 'sender' => 'required|string|max:40'],
            ['name.required' => 'Say what you call it.', 'sender.required' => 'Give its number, or the name it sends as.'],
        );
        $key = mb_substr(Str::slug($said['name']), 0, 60);
        if ($key === '' || Line::query()->where('key', $key)->orWhere('name', $said['name'])->exists()) {
            throw ValidationException::withMessages(['name' => 'There is a line of that name already. Choose another.']);
        }
        $number = $this->number($said['sender']);
        if ($number !== null && Line::query()->where('number', $number)->exists()) {
            throw ValidationException::withMessages(['sender' => 'There is a line with that number already.']);
        }
        // What receivers see as the sender is the line's name where there is no number.
        $line = Line::query()->create([
            'key' => $key, 'name' => $number === null ? $said['sender'] : $said['name'], 'number' => $number,
            'purpose' => $number === null ? $said['name'] : null, 'power' => ActivationState::On,
        ]);
        // What comes in on it somebody hears of.
        $number === null || $line->people()->attach(Staff::asking($request));

        return redirect()->route('lines.show', $line)->with('done', 'The line is there. Say how fast it may send.');
    }

    public function update(Request $request, Line $line, ClockInterface $clock): RedirectResponse
    {
        $whole = fn (int $most): string => "nullable|integer|min:1|max:$most";
        $said = $request->validate(
            [
                'carrier' => ['sometimes', Rule::in($this->carriers->names())],
                'purpose' => 'nullable|string|max:120', 'pool' => 'nullable|string|max:60',
                'staff_id' => ['nullable', 'integer', Rule::exists('staff', 'id')],
                'countries' => 'nullable|string|max:400', 'per_second' => $whole(1000), 'per_minute' => $whole(100_000),
                'per_day' => $whole(10_000_000), 'even' => 'nullable|in:1', 'warm_start' => $whole(10_000_000),
                'warm_growth' => 'nullable|integer|min:1|max:1000', 'warm_every' => 'nullable|integer|min:1|max:60',
                'tells' => 'nullable|email|max:190',
                'hours' => 'nullable|in:1', 'people' => 'nullable|array',
                'people.*' => ['integer', Rule::exists('staff', 'id')->whereNull('off_at')],
            ],
            [
                'tells.email' => 'A mail address is expected here.', 'carrier.in' => 'There is no carrier of that name.',
                '*.integer' => 'A whole number is expected here.',
                '*.min' => 'At least :min.', '*.max' => 'That is too much here.',
            ],
        );
        $line->update([
            'carrier' => $said['carrier'] ?? $line->carrier, 'purpose' => $said['purpose'] ?? null,
            'pool' => self::pool((string) ($said['pool'] ?? '')), 'tells' => $said['tells'] ?? null,
            'staff_id' => isset($said['staff_id']) ? (int) $said['staff_id'] : null,
            'countries' => $this->countries($said['countries'] ?? ''),
            'pace' => $this->pace($said, $line, $clock->now()),
            'hours' => ($said['hours'] ?? '') === '1'
                ? HoursForm::read($request->validate(HoursForm::RULES), $line->hours ?? [], 'hours')
                : null,
        ]);

        $line->people()->sync(array_map(intval(...), $said['people'] ?? []));
        // A text that looks for a line of a pool may find this one now.
        Timer::askAgain($clock->now(), $line->wasChanged('pool') ? null : $line->id);

        return redirect()->route('lines.show', $line)->with('done', 'Kept. What it holds is looked at again now.');
    }

    /** What lines go by together; written as those that go by it already have it. */
    private static function pool(string $typed): ?string
    {
        $name = trim(preg_replace('/\s+/u', ' ', $typed) ?? '');
        $there = Line::query()->whereNotNull('pool')->pluck('pool')
            ->first(fn (string $one): bool => mb_strtolower($one, 'UTF-8') === mb_strtolower($name, 'UTF-8'));

        return $name === '' ? null : $there ?? $name;
    }

    private function number(string $written): ?string
    {
        if (preg_match('/\d{6}/', str_replace([' ', '-', '(', ')'], '', $written)) === 1) {
            try {
                return Numbers::read($written, Business::current()->country)->e164;
            } catch (NotANumber $e) {
                throw ValidationException::withMessages(['sender' => Sentence::of($e->reason())]);
            }
        }

        return CoreLine::canBeName($written)
            ? null
            : throw ValidationException::withMessages([
                'sender' => 'A name has up to 11 letters, digits and spaces, at least one of them a letter.',
            ]);
    }

    /** @return list<string>|null */
    private function countries(string $written): ?array
    {
        $countries = array_values(array_unique(array_filter(preg_split('/[\s,;]+/', strtoupper($written)) ?: [])));
        foreach ($countries as $country) {
            if (preg_match('/^[A-Z]{2}$/D', $country) !== 1) {
                throw ValidationException::withMessages([
                    'countries' => "“{$country}” is no country. Write each in two letters, such as GB, IE.",
                ]);
            }
        }

        return $countries === [] ? null : $countries;
    }

    /**
     * @param  array<string, mixed>  $said
     * @return array<string, mixed>|null as {@see \Linnet\Core\Record\Pace} reads it
     */
    private function pace(array $said, Line $line, \DateTimeImmutable $now): ?array
    {
        $pace = array_map(
            intval(...),
            array_filter(
                array_intersect_key($said, ['per_second' => 1, 'per_minute' => 1, 'per_day' => 1]),
                fn (mixed $limit): bool => $limit !== null,
            ),
        );
        if (isset($said['warm_start'])) {
            if (! isset($said['warm_growth'], $said['warm_every'])) {
                throw ValidationException::withMessages(['warm_growth' => 'Say by how much it grows, and how often.']);
            }
            $pace['warm_up'] = [
                'since' => $line->pace['warm_up']['since'] ?? $now->format('Y-m-d\TH:i:s\Z'), 'start' => (int) $said['warm_start'],
                'growth' => (int) $said['warm_growth'], 'every_days' => (int) $said['warm_every'],
            ];
        }
        if (($said['even'] ?? '') === '1') {
            if (! isset($pace['per_day']) && ! isset($pace['warm_up'])) {
                throw ValidationException::withMessages(['per_day' => 'To spread them over the day, say how many may leave in a day.']);
            }
            $pace['even'] = true;
        }

        return $pace === [] ? null : $pace;
    }
}
