<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Person;
use App\People\Erasing;
use Illuminate\Http\RedirectResponse;

/** Removes somebody for good. */
final class ErasePersonController
{
    public function __invoke(Person $person, Erasing $erasing): RedirectResponse
    {
        $name = $person->name();
        $erasing->erase($person);

        return redirect()
            ->route('people.index')
            ->with('done', "$name is erased. Where they had said stop, that alone is kept, and not readable.");
    }
}
