<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Same;

/** A test that what came must pass to be taken. */
final readonly class OnlyIf
{
    private function __construct(public Path $at, public OnlyIfTest $test, public mixed $value, public ?string $otherwise)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('at', 'test', 'value', 'otherwise');
        $test = $doc->choice('test', OnlyIfTest::class);
        $value = $doc->has('value') ? $doc->get('value')->value : null;
        if ($test->takesList() ? ! is_array($value) : ($test->takesValue() && ! is_scalar($value))) {
            throw Unreadable::at("$doc->path.value", $test->takesList() ? 'list_expected' : 'value_expected');
        }

        return new self(
            Path::parse($doc->text('at', 300)) ??
                throw Unreadable::at("$doc->path.at", 'path_expected', ['written' => $doc->text('at', 300)]),
            $test,
            $value,
            $doc->optionalText('otherwise'),
        );
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['at' => (string) $this->at, 'test' => $this->test->value]
            + ($this->test->takesValue() || $this->test->takesList() ? ['value' => $this->value] : [])
            + ($this->otherwise === null ? [] : ['otherwise' => $this->otherwise]);
    }

    /** Why what came is left out, or null where it passes. */
    public function leavesOut(mixed $tree): ?Reason
    {
        $found = $this->at->find($tree);
        $passes = match ($this->test) {
            OnlyIfTest::Exists => $this->at->exists($tree),
            OnlyIfTest::NotNull => $found !== null && $found !== '' && $found !== [],
            OnlyIfTest::Is => Same::as($found, $this->value),
            OnlyIfTest::IsNot => ! Same::as($found, $this->value),
            OnlyIfTest::OneOf => array_filter((array) $this->value, fn (mixed $one): bool => Same::as($found, $one)) !== [],
        };

        return $passes
            ? null
            : ($this->otherwise === null
                ? new Reason("intake.left_out_{$this->test->value}", [
                    'path' => (string) $this->at,
                    'written' => is_scalar($found) ? mb_substr(mb_scrub((string) $found, 'UTF-8'), 0, 80, 'UTF-8') : '',
                    'value' => implode(', ', array_filter((array) $this->value, is_scalar(...))),
                ])
                : new Reason('intake.left_out_said', ['said' => $this->otherwise]));
    }
}
