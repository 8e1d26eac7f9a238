<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\RunErrand;
use App\Models\Errand;
use App\Models\ErrandState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;

/** Emails, look-ups and calls to other systems that were given up. */
final class ErrandController
{
    public function again(Errand $errand): RedirectResponse
    {
        if ($errand->state === ErrandState::GivenUp) {
            $errand->update(['state' => ErrandState::Waiting, 'done_at' => null, 'reason' => null, 'due_at' => now()]);
            RunErrand::dispatch($errand->id);
        }

        return back()->with('done', 'It is tried again.');
    }

    public function putAway(Errand $errand): RedirectResponse
    {
        $errand->update(['state' => ErrandState::Done]);

        return back()->with('done', 'It is left as it is.');
    }

    public function againMail(): RedirectResponse
    {
        foreach ($this->unsentMail()->lazyById(200) as $errand) {
            $this->again($errand);
        }

        return back()->with('done', 'They are tried again.');
    }

    public function putAwayMail(): RedirectResponse
    {
        $this->unsentMail()->update(['state' => ErrandState::Done]);

        return back()->with('done', 'They are left as they are.');
    }

    /** @return Builder<Errand> */
    private function unsentMail(): Builder
    {
        return Errand::query()->where('state', ErrandState::GivenUp)->where('reason->code', 'errand.no_mail');
    }
}
