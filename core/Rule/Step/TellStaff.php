<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Text\Template\Template;

/** A text, an email or a notice on the screen to somebody of the business. */
final readonly class TellStaff implements Step
{
    public function __construct(public string $id, public Channel $by, public Recipient $to, public Template $words)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'by', 'to', 'words');
        /** @var array{string, Channel, Recipient, Template} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): Channel => $doc->choice('by', Channel::class),
            fn (): Recipient => Recipient::read($doc->object('to')),
            fn (): Template => Template::read($doc, 'words', 2000),
        ]);
        [, $by, $to] = $read;
        $fits = match ($to->who) {
            Who::Person, Who::PersonField => false,
            Who::Number => $by === Channel::Text,
            Who::Address => $by === Channel::Email,
            default => true,
        };

        return $fits ? new self(...$read) : throw Unreadable::at("$doc->path.to", 'not_reached_by', ['by' => $by->value]);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return [
            'id' => $this->id, 'do' => 'tell_staff', 'by' => $this->by->value, 'to' => $this->to->toDocument(),
            'words' => $this->words->source,
        ];
    }
}
