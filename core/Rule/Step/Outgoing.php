<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\Wording\Wordings;

/** What a text step says of its text: to whom, from what, in which words, and what to do if it is late. */
final readonly class Outgoing
{
    /** The keys of a step's document that say it. */
    public const KEYS = ['kind', 'to', 'numbers', 'from', 'wordings', 'turns', 'closing', 'pool', 'picture', 'if_late'];

    /**
     * @param  non-empty-list<NumberChoice>  $numbers  which of the person's numbers, the first there is
     * @param  string|null  $picture  address of a picture sent with it
     */
    public function __construct(
        public TextKind $kind,
        public Recipient $to,
        public array $numbers,
        public Sender $from,
        public Wordings $wordings,
        public ?string $picture = null,
        public IfLate $ifLate = new IfLate,
    ) {
    }

    public static function read(Doc $doc): self
    {
        /**
         * @var array{
         *   kind: TextKind, to: Recipient, numbers: non-empty-list<NumberChoice>, from: Sender, wordings: Wordings, picture: string|null,
         *   ifLate: IfLate} $read
         */
        $read = $doc->gather([
            'kind' => fn (): TextKind => $doc->choice('kind', TextKind::class),
            'to' => fn (): Recipient => $doc->has('to') ? Recipient::read($doc->object('to')) : Recipient::person(),
            'numbers' => fn (): array => $doc->has('numbers') ? $doc->each('numbers', fn (Doc $one): NumberChoice => $one->self(
                fn (mixed $v): ?NumberChoice => is_string($v) ? NumberChoice::tryFrom($v) : null, 'number_choice_expected',
            ), 1, 4) : [NumberChoice::Preferred],
            'from' => fn (): Sender => Sender::read($doc->object('from')),
            'wordings' => fn (): Wordings => Wordings::read($doc),
            'picture' => fn (): ?string => $doc->has('picture') ? $doc->webAddress('picture') : null,
            'ifLate' => fn (): IfLate => $doc->has('if_late') ? IfLate::read($doc->get('if_late')) : new IfLate,
        ]);

        return new self(...$read);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['kind' => $this->kind->value]
            + ($this->to->isPerson() ? [] : ['to' => $this->to->toDocument()])
            + ($this->numbers === [NumberChoice::Preferred] ? [] : ['numbers' => array_column($this->numbers, 'value')])
            + ['from' => $this->from->toDocument()]
            + $this->wordings->toDocument()
            + ($this->picture === null ? [] : ['picture' => $this->picture])
            + ($this->ifLate->isAtOnce() ? [] : ['if_late' => $this->ifLate->toDocument()]);
    }
}
