<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Api\Ability;
use App\Models\Business;
use App\Models\Calendar;
use App\Models\Conflicts;
use App\Models\RecordType;
use App\Outside\Mailbox;
use App\Setup\MoveClock;
use App\Setup\SetupForm;
use App\Staff\ReplyAddress;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Laravel\Sanctum\PersonalAccessToken;
use Linnet\Core\Record\RecordType as CoreType;

/** What the business's records are made of, and who may fetch them from outside. */
final class SettingsController
{
    public function index(): View
    {
        return view('settings.index', [
            'business' => Business::current(),
            'mailIsThere' => Mailbox::isThere(),
            'mailbox' => ReplyAddress::mailbox(),
            'types' => RecordType::query()
                ->withCount('fields')
                ->orderByRaw("case when \"key\" = 'person' then 0 else 1 end")
                ->orderBy('name')
                ->get(),
            'calendars' => Calendar::query()
                ->with('type')
                ->orderBy('name')
                ->orderBy('id')
                ->simplePaginate(20, pageName: 'calendars')
                ->withQueryString(),
            'tokens' => PersonalAccessToken::query()
                ->with('tokenable')
                ->orderByDesc('id')
                ->simplePaginate(20, pageName: 'tokens')
                ->withQueryString(),
            'abilities' => Ability::cases(),
            'dated' => RecordType::query()->where('key', '!=', CoreType::PERSON)->whereNotNull('start_field')->orderBy('name')->get(),
            'conflicts' => Conflicts::cases(),
            'countries' => SetupForm::countries(),
            'zones' => \DateTimeZone::listIdentifiers(),
        ]);
    }

    /** Its name, which texts carry, the country that numbers without one are read in, and the clock its days go by. */
    public function business(Request $request, MoveClock $clock): RedirectResponse
    {
        $said = SetupForm::readBusiness($request->all());
        $business = Business::current();
        $business->update(['name' => $said['business'], 'country' => $said['country']]);
        $business->zone === $said['zone'] || $clock->to($business, $said['zone']);

        return redirect()->route('settings.index')->with('done', 'Kept.');
    }

    /** What happens when what somebody is known by leads to two people. */
    public function people(Request $request): RedirectResponse
    {
        $conflicts = $request->validate(['conflicts' => ['required', Rule::enum(Conflicts::class)]])['conflicts'];
        Business::current()->update(['conflicts' => $conflicts]);

        return redirect()->route('settings.index')->with('done', 'Kept.');
    }
}
