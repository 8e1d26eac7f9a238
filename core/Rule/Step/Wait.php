<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Time\Span;
use Linnet\Core\Time\Unit;

/** A wait for a length of time, counted from when the run came to it. */
final readonly class Wait implements Step
{
    public function __construct(public string $id, public Span $span)
    {
    }

    public static function read(Doc $doc): Step
    {
        $doc->allow('id', 'do', 'for', 'until');
        $id = $doc->name('id');
        if ($doc->has('for') === $doc->has('until')) {
            throw Unreadable::at($doc->path, 'for_or_until');
        }
        if ($doc->has('until')) {
            return WaitUntil::read($id, $doc->object('until'));
        }
        $for = $doc->object('for');
        $for->allow('amount', 'unit');
        $unit = $for->choice('unit', Unit::class);
        $amount = $for->integer('amount', 0, $unit->most());

        return new self($id, Span::of($amount, $unit) ?? throw new \LogicException('bounded above'));
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'wait', 'for' => ['amount' => $this->span->amount, 'unit' => $this->span->unit->value]];
    }
}
