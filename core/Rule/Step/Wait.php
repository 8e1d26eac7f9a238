<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Time\Span;

/** A wait for a length of time, counted from when the run came to it. */
final readonly class Wait implements Step
{
    public function __construct(public string $id, public Span $span)
    {
    }

    /** Reads every form of waiting. */
    public static function read(Doc $doc): Step
    {
        $doc->allow('id', 'do', 'for', 'until');
        $id = $doc->name('id');
        if ($doc->has('for') === $doc->has('until')) {
            throw Unreadable::at($doc->path, 'for_or_until');
        }
        if ($doc->has('until')) {
            $until = $doc->object('until');

            return match (true) {
                $until->has('date') => WaitForDate::read($id, $until),
                $until->has('reply') || $until->has('condition') => WaitFor::read($id, $until),
                default => WaitUntil::read($id, $until),
            };
        }

        return new self($id, Span::under($doc, 'for'));
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'wait', 'for' => $this->span->toDocument()];
    }
}
