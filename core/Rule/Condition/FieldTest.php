<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Condition;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Money;
use Linnet\Core\Reason;
use Linnet\Core\Record\Named;
use Linnet\Core\Record\Somebody;
use Linnet\Core\Record\Staff;
use Linnet\Core\Rule\RuleContext;
use Linnet\Core\Rule\Same;
use Linnet\Core\Time\Day;
use Linnet\Core\Time\Moment;
use Linnet\Core\Time\TimeOfDay;
use Linnet\Core\Time\WeeklyHours;
use Linnet\Core\Time\Zone;

/** A field's value against a test. */
final readonly class FieldTest implements Condition
{
    public function __construct(public string $field, public Test $test, public mixed $value = null)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('field', 'test', 'value');
        $field = $doc->field('field');
        $test = $doc->choice('test', Test::class);
        $value = $doc->has('value') ? $doc->get('value')->value : null;
        if (! $test->takes()->accepts($value)) {
            throw Unreadable::at("$doc->path.value", 'test_value', ['test' => $test->value, 'takes' => $test->takes()->value]);
        }

        return new self($field, $test, $value);
    }

    public function weigh(RuleContext $context): Weighed
    {
        $value = $context->facts->at($this->field);
        $missing = $value === null || $value === '' || $value === [];
        $with = ['field' => $context->label($this->field), 'value' => $context->says[$this->field] ?? self::format($value, $context)];
        if ($this->test === Test::Empty || $this->test === Test::Filled) {
            return new Weighed(
                Truth::of($missing === ($this->test === Test::Empty)),
                new Reason($missing ? 'condition.is_empty' : 'condition.value', $with),
            );
        }
        if ($missing) {
            return new Weighed(Truth::Unknown, new Reason('condition.unknown', $with));
        }
        $holds = $this->passes($value, $context);

        return $holds === null
            ? new Weighed(Truth::Unknown, new Reason('condition.other_kind', $with))
            : new Weighed(Truth::of($holds), new Reason('condition.value', $with));
    }

    public function toDocument(): array
    {
        return ['field' => $this->field, 'test' => $this->test->value] + ($this->value === null ? [] : ['value' => $this->value]);
    }

    /** Null where the value is of a kind the test cannot be put to. */
    private function passes(mixed $value, RuleContext $context): ?bool
    {
        return match ($this->test) {
            Test::Is, Test::IsNot, Test::OneOf, Test::Contains, Test::BeginsWith => $this->passesAsWords($this->named($value)),
            Test::More, Test::Less, Test::Between => $this->passesAsNumber(self::number($value)),
            default => self::instant($value, $context) === null ? null : $this->passesAsDate($value, $context),
        };
    }

    private function passesAsWords(mixed $value): ?bool
    {
        return match ($this->test) {
            Test::Is => Same::as($value, $this->value),
            Test::IsNot => ! Same::as($value, $this->value),
            Test::OneOf => array_filter((array) $this->value, fn (mixed $one): bool => Same::as($value, $one)) !== [],
            Test::Contains => is_string($value) ? str_contains(Same::fold($value), Same::fold($this->wanted())) : null,
            default => is_string($value) ? str_starts_with(Same::fold($value), Same::fold($this->wanted())) : null,
        };
    }

    /** One of the staff goes by the email address where that is what is asked for, else by name. */
    private function named(mixed $value): mixed
    {
        return match (true) {
            $value instanceof Named => (string) $value,
            ! $value instanceof Staff => $value,
            mb_strtolower($value->email, 'UTF-8') === mb_strtolower($this->wanted(), 'UTF-8') => $value->email,
            default => $value->name,
        };
    }

    private function passesAsNumber(?float $number): ?bool
    {
        return match (true) {
            $number === null => null,
            $this->test === Test::More => $number > self::number($this->value),
            $this->test === Test::Less => $number < self::number($this->value),
            default => is_array($this->value) && $this->value !== []
                ? $number >= min($this->value) && $number <= max($this->value)
                : null,
        };
    }

    private function passesAsDate(mixed $value, RuleContext $context): bool
    {
        $at = (int) self::instant($value, $context);
        $days = (int) self::number($this->value);
        $day = self::day($value, $context);

        return match ($this->test) {
            Test::Before => $at < self::instant($this->value, $context),
            Test::After => $at > self::instant($this->value, $context),
            Test::WithinNext => $this->isWithin($value, $at, 0, $days, $context),
            Test::WithinLast => $this->isWithin($value, $at, -$days, 0, $context),
            Test::Today => $day === $context->now->setTimezone(self::zone($value, $context))->format('Y-m-d'),
            Test::Weekday => in_array(self::weekday($day ?? '2000-01-01'), (array) $this->value, true),
            default => throw new \LogicException('answered before'),
        };
    }

    /** @param  string  $day YYYY-MM-DD */
    private static function weekday(string $day): string
    {
        return WeeklyHours::DAYS[(int) (new \DateTimeImmutable($day, Zone::utc()))->format('N') - 1];
    }

    /** Between so many days of the clock on the wall from now; a date with no time is there for the whole of its day. */
    private function isWithin(mixed $value, int $at, int $from, int $to, RuleContext $context): bool
    {
        $local = $context->now->setTimezone(self::zone($value, $context));
        $then = fn (int $days): \DateTimeImmutable => $local->modify(sprintf('%+d days', $days));

        return self::date($value) instanceof Day
            ? self::day($value, $context) >= $then($from)->format('Y-m-d') && self::day($value, $context) <= $then($to)->format('Y-m-d')
            : $at >= $then($from)->getTimestamp() && $at <= $then($to)->getTimestamp();
    }

    private function wanted(): string
    {
        return is_string($this->value) ? $this->value : '';
    }

    private static function number(mixed $value): ?float
    {
        return match (true) {
            $value instanceof Money => (float) $value->amount,
            is_int($value), is_float($value) => (float) $value,
            is_string($value) && is_numeric(trim($value)) => (float) $value,
            default => null,
        };
    }

    /** Seconds since 1970; a date with no time counts from the midnight that begins it. */
    private static function instant(mixed $value, RuleContext $context): ?int
    {
        $date = self::date($value);

        return match (true) {
            $date instanceof Moment => $date->at->getTimestamp(),
            $date instanceof Day => TimeOfDay::parse('00:00')?->on($date->date, Zone::get($context->businessZone))->getTimestamp(),
            default => null,
        };
    }

    private static function day(mixed $value, RuleContext $context): ?string
    {
        $date = self::date($value);

        return $date instanceof Day ? $date->date : $date?->at->setTimezone(self::zone($value, $context))->format('Y-m-d');
    }

    private static function zone(mixed $value, RuleContext $context): \DateTimeZone
    {
        return ($value instanceof Moment ? $value->zone() : null) ?? Zone::get($context->businessZone);
    }

    private static function date(mixed $value): Moment|Day|null
    {
        return match (true) {
            $value instanceof Moment, $value instanceof Day => $value,
            is_string($value) => Moment::parse($value) ?? Day::parse($value),
            default => null,
        };
    }

    /** @return string|array{at: string, zone: string} */
    private static function format(mixed $value, RuleContext $context): string|array
    {
        return match (true) {
            $value instanceof Moment => Reason::moment($value->at, $value->zone ?? $context->businessZone),
            $value instanceof Day => $value->date,
            $value instanceof Money => "$value->amount $value->currency",
            $value instanceof Somebody => (string) $value,
            is_bool($value) => $value ? 'yes' : 'no',
            is_scalar($value) => (string) $value,
            is_array($value) => implode(', ', array_filter($value, is_scalar(...))),
            default => '',
        };
    }
}
