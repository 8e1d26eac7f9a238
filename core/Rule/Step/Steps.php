<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

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
            'change' => Change::read(...),
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

    /** A text with merge fields under a key; what is wrong with it is said at its character. */
    public static function template(Doc $doc, string $key, int $most): Template
    {
        try {
            return Template::parse($doc->text($key, $most));
        } catch (TemplateError $e) {
            throw Unreadable::of("$doc->path.$key", $e->reason()->with(['at' => $e->at]));
        }
    }
}
