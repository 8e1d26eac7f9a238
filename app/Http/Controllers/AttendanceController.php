<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Clock\TheirTime;
use App\Models\Business;
use App\Models\Staff;
use App\Pages\HoursForm;
use App\Sentences\Sentence;
use App\Trials\OwnNumber;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Psr\Clock\ClockInterface;

/** When one of the staff is there, who stands in for them, and how they are told: for oneself, or by an administrator. */
final class AttendanceController
{
    public function own(Request $request): View
    {
        return $this->edit($request, Staff::asking($request));
    }

    public function updateOwn(Request $request, ClockInterface $clock): RedirectResponse
    {
        return $this->keep($request, Staff::asking($request), $clock)->with('done', 'Kept.');
    }

    /** One's own number: asked for, and confirmed by the code that was sent there. */
    public function number(Request $request, OwnNumber $own): RedirectResponse
    {
        $staff = Staff::asking($request);
        try {
            $said = $request->validate(
                ['number' => 'required_without:code|string|max:40', 'code' => 'required_without:number|string|max:20'],
                ['number.required_without' => 'Write your number.', 'code.required_without' => 'Write the code.'],
            );
            if (isset($said['code'])) {
                $own->confirm($staff, (string) $said['code']) || throw ValidationException::withMessages([
                    'code' => 'That is not the code, or it no longer holds. Ask for another.',
                ]);

                return redirect()->route('account')->with('done', 'The number is yours.');
            }
            $refused = $own->requestCode($staff, (string) ($said['number'] ?? ''));
            $refused === null || throw ValidationException::withMessages(['number' => Sentence::of($refused)]);
        } catch (ValidationException $e) {
            throw $e->redirectTo(route('account'));
        }

        return redirect()->route('account')->with('done', 'A code is on its way.');
    }

    public function edit(Request $request, Staff $member): View
    {
        return view('staff.attendance', [
            'asked' => resolve(OwnNumber::class)->asked($member),
            'member' => $member, 'isMe' => $member->is(Staff::asking($request)), 'zone' => Business::current()->zone,
            'others' => Staff::answering()->where('id', '!=', $member->id),
        ]);
    }

    public function update(Request $request, Staff $member, ClockInterface $clock): RedirectResponse
    {
        return $this->keep($request, $member, $clock)->with('done', "Kept for {$member->name}.");
    }

    private function keep(Request $request, Staff $member, ClockInterface $clock): RedirectResponse
    {
        $here = $member->is(Staff::asking($request)) ? route('account') : route('staff.attendance', $member);
        try {
            $said = $request->validate([
                'mailed' => 'nullable|in:1', 'texted' => 'nullable|in:1',
                'hours' => 'nullable|in:1', 'away_until' => 'nullable|date_format:Y-m-d\TH:i',
                'stand_in' => ['nullable', 'integer', Rule::exists('staff', 'id')->whereNull('off_at'), Rule::notIn([$member->id])],
            ], ['away_until.*' => 'Give a day and a time.', 'stand_in.*' => 'Choose another of the staff.']);
            $away = $said['away_until'] ?? null;
            $member->update([
                'mailed' => ($said['mailed'] ?? '') === '1', 'texted' => ($said['texted'] ?? '') === '1',
                'stand_in_id' => isset($said['stand_in']) ? (int) $said['stand_in'] : null,
                'away_until' => $away === null ? null : (new TheirTime(Business::current()->zone, $clock->now()))->moment((string) $away),
                'hours' => ($said['hours'] ?? '') === '1'
                    ? HoursForm::read($request->validate(HoursForm::RULES), $member->hours ?? [], 'hours')
                    : null,
            ]);
        } catch (ValidationException $e) {
            throw $e->redirectTo($here);
        }

        return redirect($here);
    }
}
