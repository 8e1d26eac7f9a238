<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Time\Day;
use Psr\Clock\ClockInterface;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\ParseException;
use Sabre\VObject\Reader;

/** The days that are no working days: written down, or taken from a calendar file (RFC 5545). */
final class HolidaysController
{
    private const MOST = 2000;

    /** How far a holiday that comes every year is written out. */
    private const YEARS = 5;

    public function __invoke(Request $request, ClockInterface $clock): RedirectResponse
    {
        $said = $request->validate(
            ['holidays' => 'nullable|string|max:30000', 'file' => 'nullable|file|max:1024', 'leap_to_march' => 'nullable|in:1'],
            ['file.*' => 'A calendar file of up to 1 MB is taken.'],
        );
        $days = [];
        foreach (array_filter(preg_split('/[\s,;]+/', $said['holidays'] ?? '') ?: []) as $written) {
            $days[] =
                Day::parse($written)->date ??
                throw ValidationException::withMessages(['holidays' => "“{$written}” is no day. Write each as 2026-12-25."]);
        }
        $file = $request->file('file');
        $added = $file instanceof UploadedFile ? $this->read((string) $file->get(), $clock->now()) : [];
        $days = array_values(array_unique([...$days, ...$added]));
        sort($days);
        if (count($days) > self::MOST) {
            throw ValidationException::withMessages(['holidays' => 'These are more days than a calendar of holidays has.']);
        }
        Business::current()->update(['holidays' => $days, 'leap_to_march' => ($said['leap_to_march'] ?? '') === '1']);

        return redirect()
            ->route('safeguards.index')
            ->with(
                'done',
                $added === []
                    ? 'Kept.'
                    : trans_choice('{1} One day was taken from the file.|[2,*] :count days were taken from the file.', count($added)),
            );
    }

    /** @return list<string> YYYY-MM-DD */
    private function read(string $text, \DateTimeImmutable $now): array
    {
        try {
            $calendar = Reader::read($text, Reader::OPTION_FORGIVING);
            $calendar =
                $calendar instanceof VCalendar
                    ? $calendar->expand($now->modify('-1 year'), $now->modify('+'.self::YEARS.' years'))
                    : null;
        } catch (ParseException|\Sabre\VObject\InvalidDataException) {
            $calendar = null;
        }
        $days = [];
        foreach ($calendar?->select('VEVENT') ?? [] as $event) {
            if ($event instanceof VEvent && isset($event->DTSTART)) {
                $from = $event->DTSTART->getDateTime();
                // An end is the first day after; without one it is a day.
                $to = isset($event->DTEND) ? $event->DTEND->getDateTime() : $from->modify('+1 day');
                for ($day = $from, $i = 0; $day < $to && $i < 40; $day = $day->modify('+1 day'), $i++) {
                    $days[] = $day->format('Y-m-d');
                }
            }
        }

        return $days === []
            ? throw ValidationException::withMessages([
                'file' => 'No days could be read from this file. A calendar file (.ics) is expected.',
            ])
            : array_values(array_unique($days));
    }
}
