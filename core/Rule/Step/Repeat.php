<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Rule\Condition\Condition;
use Linnet\Core\Rule\Condition\Conditions;
use Linnet\Core\Time\Span;

/** Back to an earlier step, so many times at most or until a condition holds, every so often. */
final readonly class Repeat implements Step
{
    /**
     * @param  int  $times  how often it goes back at most
     * @param  Span|null  $every  how long it waits before
     */
    public function __construct(public string $id, public string $to, public int $times, public ?Condition $until, public ?Span $every)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'to', 'times', 'until', 'every');
        /** @var array{string, string, int, Condition|null, Span|null} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): string => $doc->name('to'),
            fn (): int => $doc->integer('times', 1, 100),
            fn (): ?Condition => $doc->has('until') ? Conditions::read($doc->object('until')) : null,
            fn (): ?Span => $doc->has('every') ? Span::under($doc, 'every') : null,
        ]);

        return new self(...$read);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'repeat', 'to' => $this->to, 'times' => $this->times]
            + ($this->until === null ? [] : ['until' => $this->until->toDocument()])
            + ($this->every === null ? [] : ['every' => $this->every->toDocument()]);
    }
}
