<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Record\Field;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\Line;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Condition\InAudience;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\OtherRule;
use Linnet\Core\Rule\Step\Recipient;
use Linnet\Core\Rule\Step\SenderKind;
use Linnet\Core\Rule\Step\TellStaff;
use Linnet\Core\Rule\Step\Texting;
use Linnet\Core\Rule\Step\Who;

/** A type, line, pool of lines, form, rule, pool of wordings, list of codes, audience or member of staff that is not there. */
final class UnknownName implements Check
{
    public function findings(Question $of): iterable
    {
        $rules = array_filter(array_map(fn (Rule $one): ?string => $one->key, [...$of->others, $of->rule]));
        $lines = array_map(fn ($line): string => $line->key, $of->lines);
        foreach (self::used($of) as [$kind, $name, $step]) {
            $known = match ($kind) {
                'type' => array_keys($of->types),
                'line' => $lines,
                'person_field' => self::peopleFields($of),
                'line_pool' => array_map(fn (Line $line): ?string => $line->pool, $of->lines),
                'form' => $of->forms,
                'rule' => $rules,
                'pool' => array_keys($of->pools),
                'codes' => $of->codes,
                'audience' => array_keys($of->audiences),
                default => $of->staff,
            };
            if (! in_array($name, $known, true)) {
                // A rule that is off may be switched on later; a code list may be filled.
                $with = ['name' => $name, 'type' => $of->types[$of->rule->trigger->type()]->name ?? ''];
                yield new Finding(new Reason("check.no_$kind", $with), $kind !== 'rule', $step);
            }
        }
    }

    /** @return list<string> the paths of the fields of the rule's record that lead to a person */
    private static function peopleFields(Question $of): array
    {
        $type = $of->rule->trigger->type();
        $fields = array_filter($of->types[$type]->fields ?? [], fn (Field $field): bool => $field->kind === FieldKind::Person);

        return array_values(array_map(fn (Field $field): string => RecordType::path($type, $field->key), $fields));
    }

    /** @return iterable<array{string, string, string|null}> kind, name and step */
    private static function used(Question $of): iterable
    {
        $trigger = $of->rule->trigger;
        if ($trigger->type() !== RecordType::PERSON) {
            yield ['type', $trigger->type(), null];
        }
        foreach ($trigger->names() as $named) {
            yield [...$named, null];
        }
        foreach (array_filter($of->rule->relatedTypes, InAudience::isOne(...)) as $asked) {
            yield ['audience', InAudience::called($asked), null];
        }
        if ($of->rule->replies?->who === Who::Staff) {
            yield ['staff', $of->rule->replies->which, null];
        }
        foreach ($of->rule->flow->steps as $step) {
            if ($step instanceof OtherRule) {
                yield ['rule', $step->rule, $step->id];
            }
            $to = match (true) {
                $step instanceof Texting => $step->outgoing()->to, $step instanceof TellStaff => $step->to, default => null,
            };
            if ($to instanceof Recipient && $to->who === Who::Staff) {
                yield ['staff', $to->which, $step->id()];
            }
            if ($to instanceof Recipient && $to->isBeside()) {
                yield ['person_field', $to->which, $step->id()];
            }
            if ($step instanceof Texting) {
                foreach ($step->outgoing()->from->keys as $line) {
                    yield ['line', $line, $step->id()];
                }
                if ($step->outgoing()->from->kind === SenderKind::LinePool) {
                    yield ['line_pool', $step->outgoing()->from->called, $step->id()];
                }
                if ($step->outgoing()->wordings->pool !== null) {
                    yield ['pool', $step->outgoing()->wordings->pool, $step->id()];
                }
                foreach ($of->wordsOf($step) as $template) {
                    foreach ($template->codeLists() as $list) {
                        yield ['codes', $list, $step->id()];
                    }
                }
            }
        }
    }
}
