<?php

declare(strict_types=1);

namespace App\Pages\Texts;

use App\Models\Message;
use App\Models\MessageState;
use App\Models\Receipt;
use App\Models\Trace;
use App\Sentences\TraceSentence;
use Illuminate\Support\Str;

/** One thing that happened to a text, or to its run. */
final readonly class Moment
{
    /** @param  Message|null  $text  where it is a text of the run, to be opened */
    public function __construct(
        public \DateTimeImmutable $at,
        public string $says,
        public string $tone = 'plain',
        public ?Message $text = null,
        public bool $isThis = false,
    ) {
    }

    public static function traced(Trace $trace): self
    {
        return new self($trace->at, TraceSentence::of($trace));
    }

    public static function received(Receipt $receipt): self
    {
        $detail = $receipt->detail === null || $receipt->detail === '' ? '' : ": $receipt->detail";

        return match ($receipt->fate) {
            'arrived' => new self($receipt->at, 'Arrived, the carrier says.', 'well'),
            'failed' => new self($receipt->at, "Failed, the carrier says$detail.", 'bad'),
            default => new self($receipt->at, "The carrier says “{$receipt->fate}”$detail."),
        };
    }

    public static function text(Message $text, bool $isThis): self
    {
        $went = $text->state === MessageState::Received || $text->left_at !== null;

        return new self(
            $text->left_at ?? $text->wanted_at, Str::limit($text->body === '' ? '(no words yet)' : $text->body, 90),
            $went ? 'well' : $text->state->tone(), $text, $isThis,
        );
    }
}
