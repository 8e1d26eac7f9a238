<?php

declare(strict_types=1);

namespace App\Pages\Mapping;

use App\Models\Business;
use App\Models\RecordType;
use App\Sentences\Sentence;
use Linnet\Core\Intake\Clean\Clean;
use Linnet\Core\Intake\Leaf;
use Linnet\Core\Intake\LeftOut;
use Linnet\Core\Intake\Mapping;
use Linnet\Core\Intake\OnlyIf;
use Linnet\Core\Intake\Outline;
use Linnet\Core\Intake\Refused;
use Linnet\Core\Intake\Targets;

/** What came on the one side, the fields on the other, and what each value becomes on its way. */
final class MappingPage
{
    /** @var list<Leaf> */
    public readonly array $leaves;

    /** @var array<string, list<Slot>> by the group's heading */
    public readonly array $groups;

    public readonly RecordType $type;

    /** Why the sample would not be taken; null if it would. */
    public readonly ?string $notTaken;

    /**
     * @param  mixed  $sample  what came, opened; null where there is none
     * @param  string  $action  where changes are sent
     * @param  string|null  $changed  the target that was changed last
     * @param  array<string, string>  $wrong  messages by place
     */
    public function __construct(
        public readonly Mapping $mapping,
        public readonly mixed $sample,
        public readonly string $action,
        public readonly ?string $changed = null,
        public readonly array $wrong = [],
    ) {
        $people = RecordType::people();
        $this->type =
            $mapping->type === $people->key ? $people : RecordType::query()->where('key', $mapping->type)->with('fields')->firstOrFail();
        $this->leaves = Outline::of($sample);
        $targets = Targets::of($this->type->read(), $people->read());
        $tried = $sample === null ? [] : $mapping->trial($sample, $targets);
        $becomes = new Becomes($this->type, Business::current());
        $groups = [];
        foreach ($targets as $target => $field) {
            $followed = $tried[$target] ?? null;
            $taken = $mapping->taken[$target] ?? null;
            $groups[$this->heading($target)][] = new Slot(
                $target, $field, $taken, $followed, $this->steps($taken->steps ?? [], $followed->after ?? [], $followed?->raw),
                $followed === null || $followed->value === null ? '' : $becomes->says($target, $followed->value),
                $wrong[$target] ?? ($followed?->refused === null ? null : Sentence::of($followed->refused)),
            );
        }
        $this->groups = $groups;
        $this->notTaken = $this->whyNot($targets);
    }

    /** Where a leaf's value goes. */
    public function goesTo(Leaf $leaf): string
    {
        $names = [];
        foreach ($this->groups as $slots) {
            foreach ($slots as $slot) {
                if ($slot->taken?->at !== null && (string) $slot->taken->at === (string) $leaf->path) {
                    $names[] = $slot->field->name;
                }
            }
        }

        return implode(', ', $names);
    }

    /** @return list<string> the tests in words */
    public function tests(): array
    {
        return array_map(function (OnlyIf $test): string {
            $value = is_array($test->value)
                ? implode(', ', array_filter($test->value, is_scalar(...)))
                : (is_scalar($test->value)
                    ? (string) $test->value
                    : '');

            return "$test->at {$test->test->says()}".($value === '' ? '' : " “{$value}”");
        }, $this->mapping->onlyIf);
    }

    private function heading(string $target): string
    {
        return match (explode('.', $target)[0]) {
            'fields', 'external_id' => 'The '.mb_strtolower($this->type->name),
            'person' => 'The person',
            'consent' => 'What the person agreed to',
            default => 'Order',
        };
    }

    /**
     * @param  list<Clean>  $steps
     * @param  list<mixed>  $after
     * @return list<array{says: string, result: string}>
     */
    private function steps(array $steps, array $after, mixed $raw): array
    {
        $skipped = is_array($raw) ? 1 : 0;

        return array_map(fn (Clean $step, int $i): array => [
            'says' => CleaningSentence::of($step->toDocument()),
            'result' => array_key_exists($i + $skipped, $after) ? Becomes::plain($after[$i + $skipped]) : '',
        ], $steps, array_keys($steps));
    }

    /** @param  array<string, \Linnet\Core\Record\Field>  $targets */
    private function whyNot(array $targets): ?string
    {
        if ($this->sample === null) {
            return null;
        }
        try {
            $cleaned = $this->mapping->clean($this->sample, $targets);

            return $cleaned instanceof LeftOut ? Sentence::of($cleaned->reason) : null;
        } catch (Refused $e) {
            return Sentence::of($e->reason());
        }
    }
}
