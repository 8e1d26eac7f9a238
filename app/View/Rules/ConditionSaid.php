<?php

declare(strict_types=1);

namespace App\View\Rules;

use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Consented;
use Linnet\Core\Rule\Condition\FieldTest;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\HadText;
use Linnet\Core\Rule\Condition\HasRelated;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Condition\LabelKind;
use Linnet\Core\Rule\Condition\Labelled;
use Linnet\Core\Rule\Condition\NumberTest;
use Linnet\Core\Rule\Condition\Opening;
use Linnet\Core\Rule\Condition\Reached;
use Linnet\Core\Rule\Condition\Replied;
use Linnet\Core\Rule\Condition\Test;

/** A condition as the second half of a sentence. */
final readonly class ConditionSaid
{
    public function __construct(private Names $names)
    {
    }

    public function of(Condition $condition): string
    {
        return match (true) {
            $condition instanceof Replied => $condition->replied ? 'they have replied' : 'they have not replied',
            $condition instanceof Opening => $condition->open ? 'we are open' : 'we are closed',
            $condition instanceof FieldTest => $this->field($condition),
            $condition instanceof Group => $this->group($condition),
            $condition instanceof Labelled => $condition->kind === LabelKind::Tag
                ? 'they '.($condition->has ? 'have' : 'do not have')." the tag “{$condition->name}”"
                : 'they '.($condition->has ? 'are' : 'are not')." on the list “{$condition->name}”",
            $condition instanceof Consented => $condition->marketing
                ? 'they have '.($condition->has ? '' : 'not ').'agreed to marketing texts'
                : 'they have '.($condition->has ? '' : 'not ').'said stop',
            $condition instanceof Reached => match ($condition->test) {
                NumberTest::Mobile => 'their number is a mobile', NumberTest::Landline => 'their number is a landline',
                NumberTest::Alive => 'their number is in use', NumberTest::Dead => 'their number is no longer in use', NumberTest::None => 'they have no number',
            },
            $condition instanceof HasRelated => 'they '.($condition->has ? 'have' : 'have no').' '
                .($condition->has ? Names::a($this->names->type($condition->type)) : $this->names->type($condition->type))
                .($condition->that === null ? '' : ' of which '.$this->of($condition->that)),
            $condition instanceof HadText => 'they have '.($condition->has ? 'had' : 'not had').' a text from '.($condition->any ? 'any rule' : 'this rule')
                .' in the last '.($condition->days === 1 ? 'day' : "$condition->days days"),
        };
    }

    private function group(Group $group): string
    {
        $parts = array_map(fn (Condition $part): string => $part instanceof Group && count($part->parts) > 1 ? '('.$this->of($part).')' : $this->of($part), $group->parts);

        return match ($group->joined) {
            Joined::All => implode(' and ', $parts) ?: 'always',
            Joined::Any => implode(' or ', $parts) ?: 'never',
            Joined::None => count($parts) === 1 ? 'it is not so that '.$parts[0] : 'none of these holds: '.implode(', ', $parts),
        };
    }

    private function field(FieldTest $test): string
    {
        $value = is_array($test->value) ? implode(' or ', array_map($this->names->plain(...), $test->value)) : $this->names->plain($test->value);
        $says = match ($test->test) {
            Test::Is => is_bool($test->value) ? "is $value" : "is “{$value}”", Test::IsNot => "is not “{$value}”", Test::OneOf => "is $value", Test::Contains => "contains “{$value}”",
            Test::BeginsWith => "begins with “{$value}”", Test::Empty => 'is empty', Test::Filled => 'is filled in', Test::More => "is more than $value",
            Test::Less => "is less than $value", Test::Between => 'is between '.str_replace(' or ', ' and ', $value), Test::Before => "is before $value",
            Test::After => "is after $value", Test::WithinNext => 'is within the next '.($value === '1' ? 'day' : "$value days"), Test::WithinLast => 'is within the last '.($value === '1' ? 'day' : "$value days"),
            Test::Today => 'is today', Test::Weekday => "falls on $value",
        };

        return 'the '.$this->names->path($test->field)." $says";
    }
}
