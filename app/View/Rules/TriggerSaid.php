<?php

declare(strict_types=1);

namespace App\View\Rules;

use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\FieldTest;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Condition\LabelKind;
use Linnet\Core\Rule\Condition\Opening;
use Linnet\Core\Rule\Condition\Test;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Trigger\CalendarReached;
use Linnet\Core\Rule\Trigger\DateReached;
use Linnet\Core\Rule\Trigger\FormSent;
use Linnet\Core\Rule\Trigger\GoneQuiet;
use Linnet\Core\Rule\Trigger\KnownFate;
use Linnet\Core\Rule\Trigger\LabelChanged;
use Linnet\Core\Rule\Trigger\RecordAdded;
use Linnet\Core\Rule\Trigger\RecordChanged;
use Linnet\Core\Rule\Trigger\Started;
use Linnet\Core\Rule\Trigger\TextFate;
use Linnet\Core\Rule\Trigger\TextReceived;
use Linnet\Core\Time\Offset;

/** What starts a rule, and only if what holds, as the beginning of a sentence. */
final readonly class TriggerSaid
{
    public function __construct(private Names $names, private ConditionSaid $conditions)
    {
    }

    /** @return list<string|Word> */
    public function of(Rule $rule): array
    {
        $group = $rule->conditions;
        $tests = $group instanceof Group && $group->joined === Joined::All ? $group->parts : [$group];
        $trigger = $rule->trigger;
        $parts = match (true) {
            $trigger instanceof RecordAdded, $trigger instanceof RecordChanged => $this->record($trigger, $tests),
            $trigger instanceof DateReached => [$this->offset($trigger->offset).' '.$this->names->date("$trigger->type.$trigger->field").($trigger->eachYear ? ', every year' : '')],
            $trigger instanceof GoneQuiet => ['When nothing has happened to '.Names::a($this->names->type($trigger->type)).' for '.$this->names->span($trigger->for).' while '.$this->conditions->of($trigger->while)],
            $trigger instanceof TextReceived => ['When somebody texts '.implode(' or ', array_map(fn (string $word): string => "“{$word}”", $trigger->keywords->words)).($trigger->lines === [] ? '' : ' to '.implode(' or ', array_map($this->names->line(...), $trigger->lines)))],
            $trigger instanceof LabelChanged => ['When somebody '.($trigger->kind === LabelKind::Tag ? ($trigger->added ? 'gets' : 'loses').' the tag' : ($trigger->added ? 'comes onto' : 'comes off').' the list')." “{$trigger->name}”"],
            $trigger instanceof FormSent => ["When somebody sends in the form “{$trigger->form}”"],
            $trigger instanceof CalendarReached => [$this->calendar($trigger)],
            $trigger instanceof TextFate => ['When '.match ($trigger->fate) {
                KnownFate::Failed => 'a text to somebody fails', KnownFate::Undeliverable => 'a text to somebody cannot be delivered', KnownFate::LinkOpened => 'somebody opens the link in a text',
            }.($trigger->rule === null ? '' : ' of the rule '.$this->names->rule($trigger->rule))],
            $trigger instanceof Started => ['When somebody starts it for '.Names::a($this->names->type($trigger->type))],
        };
        foreach ($tests as $test) {
            if (! in_array($test, $this->said($rule, $tests), true) && ! ($test instanceof Group && $test->parts === [])) {
                $parts[] = ', and '.$this->conditions->of($test);
            }
        }

        return [...$parts, ':'];
    }

    public function offset(Offset $offset): string
    {
        $when = $offset->span->amount === 0 ? 'At' : ucfirst($this->names->span($offset->span)).' '.($offset->before ? 'before' : 'after');

        return ($offset->at === null ? '' : "At $offset->at".($offset->theirs ? ' where they are' : '').', ').($offset->at === null ? $when : lcfirst($when));
    }

    /**
     * Tests that stand in the sentence already.
     *
     * @param  array<int, Condition>  $tests
     * @return list<Condition>
     */
    private function said(Rule $rule, array $tests): array
    {
        $trigger = $rule->trigger;
        if (! $trigger instanceof RecordAdded && ! $trigger instanceof RecordChanged) {
            return [];
        }

        return array_values(array_filter([$this->testOf($tests, FieldKind::Choice, $trigger->type()), $this->testOf($tests, FieldKind::Line, $trigger->type()), $this->hours($tests)]));
    }

    /**
     * @param  array<int, Condition>  $tests
     * @return list<string|Word>
     */
    private function record(RecordAdded|RecordChanged $trigger, array $tests): array
    {
        $noun = $this->names->type($trigger->type);
        $changed = $trigger instanceof RecordChanged;
        $parts = ['When '.Names::a($noun).' '];
        if ($changed) {
            $parts[] = 'has its '.$this->names->path("$trigger->type.$trigger->field").' changed'.($trigger->from === null ? '' : " from “{$this->names->plain($trigger->from)}”").($trigger->to === null ? '' : " to “{$this->names->plain($trigger->to)}”");
        }
        $choice = $this->testOf($tests, FieldKind::Choice, $trigger->type);
        if ($choice !== null) {
            $options = $this->names->field($choice->field)->options ?? [];
            $value = $this->names->plain($choice->value);
            array_push($parts, $changed ? ' and is ' : 'is ', new Word($value, 'choice', null, $this->names->path($choice->field), array_combine($options, $options), ['value' => $value, 'field' => $choice->field]));
        } elseif (! $changed) {
            $parts[] = 'comes in';
        }
        if ($this->names->fieldOf($trigger->type, FieldKind::Line) !== null) {
            $key = $this->names->plain($this->testOf($tests, FieldKind::Line, $trigger->type)?->value);
            array_push($parts, ' on ', new Word($key === '' ? 'any line' : $this->names->line($key), 'line', null, 'Which line', ['' => 'any line'] + array_map(fn (string $n): string => "the $n", $this->names->lines), ['value' => $key]));
        }
        $hours = $this->hours($tests);
        $says = $hours === null ? 'at any time' : ($hours->open ? 'while we are open' : 'while we are closed');
        array_push($parts, ', ', new Word($says, 'hours', null, 'At what times', [
            'any' => 'at any time', 'open' => 'while we are open', 'closed' => 'while we are closed',
        ], ['value' => $hours === null ? 'any' : ($hours->open ? 'open' : 'closed')]));

        return $parts;
    }

    private function calendar(CalendarReached $trigger): string
    {
        $audience = $trigger->audience instanceof Group && $trigger->audience->parts === [] ? '' : ($trigger->type === RecordType::PERSON ? ' of whom ' : ' of which ').$this->conditions->of($trigger->audience);
        $who = ($trigger->type === RecordType::PERSON ? 'everybody' : 'the person of every '.$this->names->type($trigger->type)).$audience;

        return ($trigger->recurrence === null ? 'On ' : 'From ').(new \DateTimeImmutable($trigger->at))->format('j F Y, H:i').($trigger->recurrence === null ? '' : ', and again '.RecurrenceSaid::of($trigger->recurrence)).", for $who";
    }

    /** @param  array<int, Condition>  $tests */
    private function hours(array $tests): ?Opening
    {
        $hours = array_values(array_filter($tests, fn (Condition $test): bool => $test instanceof Opening))[0] ?? null;

        return $hours instanceof Opening ? $hours : null;
    }

    /** @param  array<int, Condition>  $tests */
    private function testOf(array $tests, FieldKind $kind, string $type): ?FieldTest
    {
        foreach ($tests as $test) {
            if ($test instanceof FieldTest && $test->test === Test::Is && str_starts_with($test->field, "$type.") && $this->names->field($test->field)?->kind === $kind) {
                return $test;
            }
        }

        return null;
    }
}
