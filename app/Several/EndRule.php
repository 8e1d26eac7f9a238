<?php

declare(strict_types=1);

namespace App\Several;

use App\Engine\Runner;
use App\Models\Rule;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;

/** Ends all that is under way by a rule that was retired: nothing of it leaves meanwhile. */
final class EndRule implements ShouldQueue
{
    use Dispatchable;
    use Queueable;

    public function __construct(private readonly int $ruleId)
    {
    }

    public function handle(Runner $runner): void
    {
        $rule = Rule::query()->find($this->ruleId);
        $rule === null || $runner->retire($rule);
    }
}
