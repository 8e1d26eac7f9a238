<?php

declare(strict_types=1);

namespace App\Pages;

use App\Sentences\Sentence;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Time\WeeklyHours;

/** A week's hours as they are filled in: a stretch for each day, and the days closed. */
final class HoursForm
{
    public const DAYS = [
        'mon' => 'Monday', 'tue' => 'Tuesday', 'wed' => 'Wednesday', 'thu' => 'Thursday', 'fri' => 'Friday', 'sat' => 'Saturday',
        'sun' => 'Sunday',
    ];

    public const RULES = ['week' => 'required|array', 'closed' => 'nullable|string|max:4000'];

    /**
     * @param  array<string, mixed>  $said
     * @param  array<string, mixed>  $known  the hours as they are
     * @param  string  $name  stands before the names of the fields that are wrong
     * @return array{week: array<string, list<array{string, string}>>, closed: list<string>}
     *
     * @throws ValidationException
     */
    public static function read(array $said, array $known, string $name): array
    {
        $document = ['week' => [], 'closed' => array_values(array_filter(preg_split('/[\s,;]+/', (string) ($said['closed'] ?? '')) ?: []))];
        foreach (WeeklyHours::DAYS as $day) {
            [$from, $to] = [$said['week'][$day]['from'] ?? '', $said['week'][$day]['to'] ?? ''];
            // Only the first stretch of a day is changed here; further ones stay.
            $document['week'][$day] = $from === '' && $to === '' ? [] : [[$from, $to], ...array_slice($known['week'][$day] ?? [], 1)];
        }
        try {
            return WeeklyHours::read(Doc::of($document))->toDocument();
        } catch (Unreadable $e) {
            $messages = [];
            foreach ($e->problems as $problem) {
                $place = preg_match('/^\$\.week\.(\w+)/', $problem->path, $found) === 1 ? "$name-{$found[1]}" : "$name-closed";
                $messages[$place] = Sentence::of($problem->reason);
            }

            throw ValidationException::withMessages($messages);
        }
    }
}
