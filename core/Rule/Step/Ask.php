<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Time\Span;

/** A text that expects an answer. */
final readonly class Ask implements Nested, Step, Texting
{
    /**
     * @param  non-empty-list<Answer>  $answers
     * @param  Span  $within  for how long an answer counts, from when the text left
     * @param  list<Step>  $noAnswer  what is done when none came in time
     * @param  string|null  $unclear  what an unclear answer gets, once; null leaves it to a human
     */
    public function __construct(
        public string $id,
        public Outgoing $outgoing,
        public array $answers,
        public Span $within,
        public array $noAnswer,
        public ?string $unclear,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'answers', 'within', 'no_answer', 'unclear', ...Outgoing::KEYS);
        /** @var array{string, Outgoing, non-empty-list<Answer>, Span, list<Step>, string|null} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): Outgoing => Outgoing::read($doc),
            fn (): array => $doc->each('answers', Answer::read(...), 1, 20),
            fn (): Span => Span::under($doc, 'within'),
            fn (): array => $doc->has('no_answer') ? $doc->each('no_answer', Steps::read(...), 0, 100) : [],
            fn (): ?string => $doc->optionalText('unclear', 600),
        ]);

        if ($read[1]->to->isBeside()) {
            throw Unreadable::at("$doc->path.to", 'asked_of_another');
        }

        return new self(...$read);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function outgoing(): Outgoing
    {
        return $this->outgoing;
    }

    public function inside(): array
    {
        return [...array_column($this->answers, 'steps'), $this->noAnswer];
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'ask'] +
            $this->outgoing->toDocument() + [
                'answers' => array_map(fn (Answer $answer): array => $answer->toDocument(), $this->answers),
                'within' => $this->within->toDocument(),
            ] +
            ($this->noAnswer === [] ? [] : ['no_answer' => Steps::toDocument($this->noAnswer)]) +
            ($this->unclear === null ? [] : ['unclear' => $this->unclear]);
    }
}
