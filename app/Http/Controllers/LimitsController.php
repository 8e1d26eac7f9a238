<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Business;
use App\Models\Timer;
use App\Sentences\Sentence;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Gate\Policy;
use Psr\Clock\ClockInterface;

/** Caps, the month's budget, and when a line counts as unwell. */
final class LimitsController
{
    public function __invoke(Request $request, ClockInterface $clock): RedirectResponse
    {
        Business::current()->update(['policy' => self::policy($request, Business::current())]);
        Timer::askAgain($clock->now());

        return redirect()->route('safeguards.index')->with('done', 'The limits are changed. What is held is looked at again now.');
    }

    /**
     * The policy with the limits that were written.
     *
     * @return array<string, mixed>
     *
     * @throws ValidationException at the place of what is wrong
     */
    public static function policy(Request $request, Business $business): array
    {
        $said = $request->validate(
            [
                'per_day' => 'nullable|numeric', 'per_week' => 'nullable|numeric', 'gap_minutes' => 'nullable|numeric',
                'excuse_service' => 'nullable|in:1', 'month' => ['nullable', 'regex:/^\d{1,9}([.,]\d{1,2})?$/'],
                'same_minutes' => 'required|integer|min:0|max:10080', 'stale_minutes' => 'required|integer',
                'look_at' => 'required|numeric', 'at_least' => 'required|numeric', 'warn_percent' => 'required|numeric',
                'pause_percent' => 'required|numeric',
            ],
            [
                'month.regex' => 'An amount such as 250 or 249.50 is expected.', '*.required' => 'A number is expected here.',
                '*.numeric' => 'A number is expected here.', '*.integer' => 'A whole number is expected here.',
                'same_minutes.max' => 'At most a week, which is 10080 minutes.',
            ],
        );
        $number = fn (string $key): int|float => str_contains((string) $said[$key], '.') ? (float) $said[$key] : (int) $said[$key];
        $cap = [];
        foreach (['per_day', 'per_week', 'gap_minutes'] as $key) {
            $cap += ($said[$key] ?? null) === null ? [] : [$key => $number($key)];
        }
        $policy = [
            'same_text_seconds' => (int) $said['same_minutes'] * 60, 'stale_minutes' => (int) $said['stale_minutes'],
            'cap' => $cap + (($said['excuse_service'] ?? '') === '1' ? ['excuse_service' => true] : []),
            'health' => [
                'look_at' => $number('look_at'), 'at_least' => $number('at_least'), 'warn_percent' => $number('warn_percent'),
                'pause_percent' => $number('pause_percent'),
            ],
        ] +
            (($said['month'] ?? null) === null
                ? []
                : ['month_micros' => (int) round((float) str_replace(',', '.', $said['month']) * 1e6)]) + [
                    'decent_hours' => $business->policy['decent_hours'],
                ];
        if ($policy['health']['warn_percent'] > $policy['health']['pause_percent']) {
            throw ValidationException::withMessages([
                'warn_percent' => 'Warn before it stops: give a smaller number than the one beside it.',
            ]);
        }
        try {
            Policy::read(Doc::of($policy));
        } catch (Unreadable $e) {
            $messages = [];
            foreach ($e->problems as $problem) {
                $messages[substr((string) strrchr($problem->path, '.'), 1)] = Sentence::of($problem->reason);
            }

            throw ValidationException::withMessages($messages);
        }

        return $policy;
    }
}
