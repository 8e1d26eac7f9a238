<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Step\Ask;
use Linnet\Core\Rule\Step\SenderKind;

/** A line that cannot do what a step needs: a name cannot be answered, nobody called or texted, nobody owns. */
final class LineCannot implements Check
{
    public function findings(Question $of): iterable
    {
        $type = $of->types[$of->rule->trigger->type()] ?? null;
        foreach ($of->rule->flow->texts() as $step) {
            $from = $step->outgoing()->from;
            $named = $from->kind === SenderKind::LinePool ? $from->called : null;
            $pool = array_filter($of->lines, fn (Line $line): bool => $named !== null && $line->pool === $named);
            foreach ([...$from->keys, ...array_column($pool, 'key')] as $key) {
                $line = $of->line($key);
                if ($line !== null && $line->number === null && $step instanceof Ask) {
                    yield new Finding(new Reason('check.line_one_way', ['line' => $line->name]), true, $step->id());
                } elseif ($line !== null && $line->number === null && $of->rule->stopEarly->onReply) {
                    yield new Finding(new Reason('check.line_no_reply', ['line' => $line->name]), false, $step->id());
                }
                if ($line !== null && $line->power->value !== 'on') {
                    yield new Finding(new Reason('check.line_off', ['line' => $line->name]), false, $step->id());
                }
            }
            if ($from->kind === SenderKind::Owner && $type?->ownerField() === null) {
                yield new Finding(new Reason('check.no_owner'), true, $step->id());
            }
            if ($from->kind === SenderKind::Contacted && $of->rule->trigger->listens() === null && ! self::hasLine($type)) {
                yield new Finding(new Reason('check.not_contacted'), false, $step->id());
            }
        }
        if (array_filter($of->lines, fn (Line $line): bool => $line->number !== null) === [] && $of->rule->flow->texts() !== []) {
            yield new Finding(new Reason('check.no_way_to_stop'), true);
        }
    }

    private static function hasLine(?RecordType $type): bool
    {
        return $type !== null && array_filter($type->fields, fn ($field): bool => $field->kind === FieldKind::Line) !== [];
    }
}
