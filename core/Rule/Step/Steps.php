<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;

final class Steps
{
    public static function read(Doc $doc): Step
    {
        return $doc->oneOf('do', [
            'text' => Text::read(...),
            'ask' => Ask::read(...),
            'wait' => Wait::read(...),
            'go_on_only_if' => GoOnlyIf::read(...),
            'branch' => Branch::read(...),
            'change' => MakeChange::read(...),
            'tell_staff' => TellStaff::read(...),
            'task' => MakeTask::read(...),
            'look_up_number' => LookUp::read(...),
            'start_rule' => OtherRule::read(...),
            'stop_rule' => OtherRule::read(...),
            'call_out' => CallOut::read(...),
            'repeat' => Repeat::read(...),
            'end' => End::read(...),
        ]);
    }

    /**
     * @param  list<Step>  $steps
     * @return list<array<string, mixed>>
     */
    public static function toDocument(array $steps): array
    {
        return array_map(fn (Step $step): array => $step->toDocument(), $steps);
    }
}
