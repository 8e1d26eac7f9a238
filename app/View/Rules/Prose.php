<?php

declare(strict_types=1);

namespace App\View\Rules;

use App\Models\Field;
use App\Models\FieldKind;
use App\Models\Line;
use App\Models\RecordType;
use Illuminate\Support\Collection;
use Linnet\Core\Rule\AgainPolicy;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\FieldTest;
use Linnet\Core\Rule\Condition\Group;
use Linnet\Core\Rule\Condition\Joined;
use Linnet\Core\Rule\Condition\Opening;
use Linnet\Core\Rule\Condition\Replied;
use Linnet\Core\Rule\Condition\Test;
use Linnet\Core\Rule\Rule;
use Linnet\Core\Rule\Step\End;
use Linnet\Core\Rule\Step\GoOnlyIf;
use Linnet\Core\Rule\Step\Text;
use Linnet\Core\Rule\Step\TextKind;
use Linnet\Core\Rule\Step\Wait;
use Linnet\Core\Rule\Step\WaitUntil;
use Linnet\Core\Rule\Trigger\RecordChanged;
use Linnet\Core\Time\Unit;

/** A rule as sentences to be read, with the words that can be changed. */
final readonly class Prose
{
    /** @var array<string, string> line names by key */
    private array $lines;

    private ?RecordType $type;

    public function __construct(private Rule $rule)
    {
        $this->lines = Line::query()->orderBy('id')->pluck('name', 'key')->all();
        $this->type = RecordType::query()->where('key', $rule->trigger->type())->with('fields')->first();
    }

    /** @return list<Paragraph> */
    public function paragraphs(): array
    {
        $paragraphs = [new Paragraph($this->opening())];
        $parts = [];
        $marks = range('a', 'z');
        foreach ($this->rule->steps as $i => $step) {
            $joins = ($this->rule->steps[$i + 1] ?? null) instanceof Text;
            if ($step instanceof Wait || $step instanceof WaitUntil) {
                array_push($parts, ...$this->wait($step), ...[$joins ? ', then ' : '.']);
            } elseif ($step instanceof GoOnlyIf) {
                array_push($parts, 'Go on only if ', ...$this->goOnlyIf($step->condition), ...[$joins ? ', then ' : '.']);
            } elseif ($step instanceof End) {
                $parts[] = "End: $step->outcome.";
            } elseif ($step instanceof Text) {
                array_push($parts, ...$this->text($step, $parts === []));
            }
            if (! $joins || $step instanceof Text) {
                $mark = $step instanceof Text ? array_shift($marks) : null;
                $paragraphs[] = new Paragraph($parts, $step instanceof Text ? $step : null, $mark);
                $parts = [];
            }
        }

        return [...$paragraphs, new Paragraph($this->closing())];
    }

    /** The rule in one plain sentence, for lists. */
    public function inOneSentence(): string
    {
        $texts = count(array_filter($this->rule->steps, fn ($step): bool => $step instanceof Text));
        $plain = implode('', array_map(fn (string|Word $part): string => $part instanceof Word ? $part->says : $part, $this->opening()));

        return rtrim($plain, ':').': '.($texts === 1 ? 'one text' : "$texts texts").($this->rule->stopOnReply ? ', until they reply.' : '.');
    }

    /** @return list<string|Word> */
    private function opening(): array
    {
        $noun = mb_strtolower($this->type->name ?? $this->rule->trigger->type());
        $conditions = $this->rule->conditions;
        $tests = $conditions instanceof Group && $conditions->joined === Joined::All ? $conditions->parts : [$conditions];
        $trigger = $this->rule->trigger;
        $parts = ['When '.(preg_match('/^[aeiou]/', $noun) === 1 ? 'an' : 'a')." $noun "];
        $changed = $trigger instanceof RecordChanged;
        $parts[] = $changed ? 'has its '.$this->fieldName($trigger->field).' changed'.($trigger->to === null ? '' : " to “{$this->plain($trigger->to)}”") : '';
        $choice = $this->testOf($tests, FieldKind::Choice);
        if ($choice !== null) {
            array_push($parts, ...[$changed ? ' and is ' : 'is ', $this->choiceWord($choice)]);
        } elseif (! $changed) {
            $parts[] = 'comes in';
        }
        if ($this->fieldOf(FieldKind::Line) !== null) {
            $on = $this->testOf($tests, FieldKind::Line);
            $key = $on === null ? '' : $this->plain($on->value);
            array_push($parts, ...[' on ', new Word($key === '' ? 'any line' : 'the '.($this->lines[$key] ?? $key), 'line', null, 'Which line', ['' => 'any line'] + array_map(fn (string $n): string => "the $n", $this->lines), ['value' => $key])]);
        }
        $hours = array_values(array_filter($tests, fn (Condition $test): bool => $test instanceof Opening))[0] ?? null;
        $says = $hours instanceof Opening ? ($hours->open ? 'while we are open' : 'while we are closed') : 'at any time';
        array_push($parts, ...[', ', new Word($says, 'hours', null, 'At what times', [
            'any' => 'at any time', 'open' => 'while we are open', 'closed' => 'while we are closed',
        ], ['value' => $hours instanceof Opening ? ($hours->open ? 'open' : 'closed') : 'any'])]);
        foreach ($tests as $test) {
            if ($test !== $choice && ! $test instanceof Opening && ! ($test instanceof FieldTest && $this->kind($test) === FieldKind::Line)) {
                $parts[] = ', and '.$this->condition($test);
            }
        }

        return array_values(array_filter([...$parts, ':'], fn (string|Word $part): bool => $part !== ''));
    }

    /** @return list<string|Word> */
    private function closing(): array
    {
        $again = $this->rule->again;
        $noun = mb_strtolower($this->type->name ?? 'record');
        $choices = [
            'once_per_record' => "once for each $noun", 'once_per_person' => 'once ever for each person',
            'once_per_occasion' => 'every time it comes about', 'not_within' => 'not again for the same person within some days',
        ];

        return [
            'It ', new Word($this->rule->stopOnReply ? 'stops as soon as they reply' : 'goes on even if they reply', 'reply', null, 'When they reply', [
                'yes' => 'stops as soon as they reply', 'no' => 'goes on even if they reply',
            ], ['value' => $this->rule->stopOnReply ? 'yes' : 'no']),
            ', and always when they say stop. It starts ',
            new Word($again->policy === AgainPolicy::NotWithin ? 'at most once in '.($again->days === 1 ? 'a day' : "$again->days days").' for the same person' : $choices[$again->policy->value],
                'again', null, 'How often it may start', $choices, ['value' => $again->policy->value, 'days' => $again->days ?? 1]),
            '.',
        ];
    }

    /** @return list<string|Word> */
    private function wait(Wait|WaitUntil $step): array
    {
        if ($step instanceof Wait) {
            $unit = $step->span->amount === 1 ? rtrim($step->span->unit->value, 's') : $step->span->unit->value;

            return ['Wait ', new Word("{$step->span->amount} $unit", 'wait', $step->id, 'How long', array_combine(
                array_column(Unit::cases(), 'value'), array_column(Unit::cases(), 'value'),
            ), ['amount' => $step->span->amount, 'value' => $step->span->unit->value])];
        }

        return ['Wait until it is ', new Word("$step->time ".($step->theirs ? 'where they are' : 'here'), 'until', $step->id, 'By whose clock', [
            'ours' => 'here, by our clock', 'theirs' => 'where they are, by their clock',
        ], ['time' => (string) $step->time, 'value' => $step->theirs ? 'theirs' : 'ours'])];
    }

    /** @return list<string|Word> */
    private function text(Text $step, bool $begins): array
    {
        $who = $this->rule->trigger->type() === 'call' ? 'the caller' : 'the person';

        return [
            $begins ? "At once, text $who from " : "text $who from ",
            new Word($step->line === null ? 'the line they called' : 'the '.($this->lines[$step->line] ?? $step->line), 'from', $step->id, 'From which line',
                ['contacted' => 'the line they called'] + array_map(fn (string $n): string => "the $n", $this->lines), ['value' => $step->line ?? 'contacted']),
            ', as a ',
            new Word($step->kind->value.' text', 'kind', $step->id, 'What kind of text', [
                TextKind::Service->value => 'a service text: about what they asked for', TextKind::Marketing->value => 'a marketing text: only to those who agreed to them',
            ], ['value' => $step->kind->value]),
            ':',
        ];
    }

    /** @return list<string|Word> */
    private function goOnlyIf(Condition $condition): array
    {
        return [$this->condition($condition)];
    }

    private function condition(Condition $condition): string
    {
        return match (true) {
            $condition instanceof Replied => $condition->replied ? 'they have replied' : 'they have not replied',
            $condition instanceof Opening => $condition->open ? 'we are open' : 'we are closed',
            $condition instanceof FieldTest => $this->fieldTest($condition),
            $condition instanceof Group => match ($condition->joined) {
                Joined::All => implode(' and ', array_map($this->condition(...), $condition->parts)) ?: 'always',
                Joined::Any => implode(' or ', array_map($this->condition(...), $condition->parts)) ?: 'never',
                Joined::None => 'none of these: '.implode(', ', array_map($this->condition(...), $condition->parts)),
            },
        };
    }

    private function fieldTest(FieldTest $test): string
    {
        $value = is_array($test->value) ? implode(' or ', array_map($this->plain(...), $test->value)) : $this->plain($test->value);
        $says = match ($test->test) {
            Test::Is => "is “{$value}”", Test::IsNot => "is not “{$value}”", Test::OneOf => "is $value", Test::Contains => "contains “{$value}”",
            Test::BeginsWith => "begins with “{$value}”", Test::Empty => 'is empty', Test::Filled => 'is filled in', Test::More => "is more than $value",
            Test::Less => "is less than $value", Test::Between => 'is between '.str_replace(' or ', ' and ', $value), Test::Before => "is before $value",
            Test::After => "is after $value", Test::WithinNext => "is within the next $value days", Test::WithinLast => "is within the last $value days",
            Test::Today => 'is today', Test::Weekday => "falls on $value",
        };

        return 'the '.$this->fieldName($test->field)." $says";
    }

    private function choiceWord(FieldTest $test): Word
    {
        $options = $this->field($test)->options ?? [];

        return new Word($this->plain($test->value), 'choice', null, $this->fieldName($test->field), array_combine($options, $options), ['value' => $this->plain($test->value), 'field' => $test->field]);
    }

    /** @param  array<int, Condition>  $tests */
    private function testOf(array $tests, FieldKind $kind): ?FieldTest
    {
        foreach ($tests as $test) {
            if ($test instanceof FieldTest && $test->test === Test::Is && $this->kind($test) === $kind) {
                return $test;
            }
        }

        return null;
    }

    private function kind(FieldTest $test): ?FieldKind
    {
        return $this->field($test)?->kind;
    }

    private function field(FieldTest $test): ?Field
    {
        [$type, $key] = [...explode('.', $test->field, 2), ''];

        return $this->type !== null && $type === $this->type->key ? $this->fields()->firstWhere('key', $key) : null;
    }

    private function fieldOf(FieldKind $kind): ?Field
    {
        return $this->fields()->firstWhere('kind', $kind);
    }

    private function fieldName(string $path): string
    {
        $parts = explode('.', $path);

        return mb_strtolower($this->fields()->firstWhere('key', end($parts))->name ?? str_replace(['_', '.'], ' ', $path));
    }

    /** @return Collection<int, Field> */
    private function fields(): Collection
    {
        return $this->type === null ? new Collection : $this->type->fields;
    }

    private function plain(mixed $value): string
    {
        return is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');
    }
}
