<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Reason;
use Linnet\Core\Rule\Same;

/** A test a delivery must pass to be taken. */
final readonly class OnlyIf
{
    private function __construct(private string $at, private string $test, private mixed $value, private ?string $otherwise)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('at', 'test', 'value', 'otherwise');

        return new self(
            $doc->text('at'),
            $doc->oneOf('test', ['not_null' => fn (): string => 'not_null', 'is' => fn (): string => 'is']),
            $doc->has('value') ? $doc->get('value')->value : null,
            $doc->optionalText('otherwise'),
        );
    }

    /** Why a delivery is left out, or null where it passes. */
    public function leavesOut(mixed $delivery): ?Reason
    {
        $value = Taken::at($this->at, $delivery);
        $passes = $this->test === 'not_null' ? $value !== null : Same::as($value, $this->value);

        return $passes ? null : ($this->otherwise === null
            ? new Reason('intake.left_out', ['path' => $this->at])
            : new Reason('intake.left_out_said', ['said' => $this->otherwise]));
    }
}
