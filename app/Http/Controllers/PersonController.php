<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Consent;
use App\Models\Person;
use App\View\PersonPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final class PersonController
{
    public function index(Request $request): View
    {
        $asked = $request->validate(['find' => 'nullable|string|max:80', 'order' => 'nullable|in:name,newest']) + ['find' => '', 'order' => 'name'];
        $query = Person::query()->with('number');
        if (is_string($asked['find']) && $asked['find'] !== '') {
            $query->named($asked['find']);
        }
        $asked['order'] === 'newest' ? $query->orderByDesc('id') : $query->orderBy('last_name')->orderBy('first_name')->orderBy('id');
        $people = $query->simplePaginate(50)->withQueryString();

        return view('people.index', ['people' => $people, 'asked' => $asked, 'stopped' => $this->stopped($people->getCollection()->pluck('number.e164')->filter()->all())]);
    }

    public function show(Person $person, PersonPage $page): View
    {
        return view('people.show', ['page' => $page->about($person)]);
    }

    /**
     * Which of the numbers have said stop.
     *
     * @param  array<int, mixed>  $numbers
     * @return array<string, bool>
     */
    private function stopped(array $numbers): array
    {
        return Consent::query()->whereIn('number', $numbers)->where('scope', 'all')->orderBy('id')->get(['number', 'act'])
            ->keyBy('number')->map(fn (Consent $last): bool => $last->act === 'withdrawn')->all();
    }
}
