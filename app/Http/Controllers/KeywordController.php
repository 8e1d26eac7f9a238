<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Store\DatabaseSideEffects;
use App\Engine\Store\UnitOfWork;
use App\Models\Business;
use App\Models\Line;
use App\Models\Number;
use App\Models\Run;
use App\Pages\Keywords\KeywordsPage;
use App\Pages\Keywords\Tried;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Psr\Clock\ClockInterface;

/** Which word does what? And what would happen if somebody texted this now? */
final readonly class KeywordController
{
    public function __construct(private ClockInterface $clock, private DatabaseSideEffects $sideEffects)
    {
    }

    public function __invoke(Request $request): View
    {
        $said = $request->validate([
            'text' => 'nullable|string|max:1600', 'line' => 'nullable|integer|exists:lines,id', 'number' => 'nullable|string|max:30',
        ], ['line.*' => 'Choose a line.']);

        return view('keywords.index', [
            'page' => new KeywordsPage($this->clock->now()), 'asked' => $said + ['text' => '', 'line' => '', 'number' => ''],
            'tried' => trim((string) ($said['text'] ?? '')) === '' ? null : $this->tried($said),
        ]);
    }

    /** @param  array<string, mixed>  $said */
    private function tried(array $said): Tried
    {
        $line = Line::query()->whereNotNull('number')->when(isset($said['line']), fn ($query) => $query->whereKey((int) $said['line']))
            ->orderBy('id')->first() ?? throw ValidationException::withMessages(['line' => 'There is no line that can be texted.']);
        $person = $this->person(trim((string) ($said['number'] ?? '')));
        $unit = UnitOfWork::reading($this->clock->now(), $this->sideEffects);
        // A stranger has no question open, and is taken as everybody is.
        $heard = $unit->hearing()->of($person === null ? 0 : $person->person_id, $line->key, trim((string) $said['text']));

        return new Tried(
            $heard,
            $heard->rule === null ? null : $unit->reader->rule((int) $heard->rule),
            $heard->question === null ? null : Run::query()->with(['rule', 'version'])->find((int) $heard->question),
            $person === null ? 'them' : ($unit->reader->person($person->person_id)->called ?? 'them'),
        );
    }

    private function person(string $number): ?Number
    {
        if ($number === '') {
            return null;
        }
        try {
            $e164 = Numbers::read($number, Business::current()->country)->e164;
        } catch (NotANumber) {
            throw ValidationException::withMessages(['number' => 'That is no telephone number.']);
        }

        return Number::query()->where('e164', $e164)->first()
            ?? throw ValidationException::withMessages(['number' => 'Nobody we know has that number. Leave it empty for a stranger.']);
    }
}
