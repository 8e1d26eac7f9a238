<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Runner;
use App\Models\Message;
use App\Models\MessageState;
use App\Models\Rule;
use Illuminate\Http\RedirectResponse;

/** Lets the texts of a rule go that wait for it. */
final class ReleaseController
{
    public function __invoke(Rule $rule, Runner $runner): RedirectResponse
    {
        $ids = array_values(
            Message::query()
                ->where('rule_id', $rule->id)
                ->where('state', MessageState::Waiting)
                ->where('released', false)
                ->orderBy('id')
                ->pluck('id')
                ->all(),
        );
        $runner->release($ids);

        return back()->with(
            'done',
            count($ids) === 1
                ? 'It is on its way, as far as the gate lets it.'
                : count($ids).' are on their way, as far as the gate lets them.',
        );
    }
}
