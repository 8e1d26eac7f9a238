<?php

declare(strict_types=1);

namespace App\Carrier;

/** What a carrier said to a text handed over. */
final readonly class Answer
{
    /**
     * @param  string|null  $ref  the carrier's own name for it
     * @param  string  $code  the carrier's own word for why not
     * @param  \DateTimeImmutable|null  $until  not to be offered again before
     * @param  string  $said  the beginning of its answer, word for word; empty where there was none
     * @param  bool  $isKnown  whether it is sure that the carrier has not taken it, where it was not accepted
     */
    private function __construct(
        public bool $accepted,
        public bool $final,
        public ?string $ref,
        public string $detail,
        public string $code = '',
        public ?\DateTimeImmutable $until = null,
        public bool $isKnown = true,
        public string $said = '',
    ) {
    }

    /** With what the carrier said, word for word. */
    public function saying(string $said): self
    {
        return new self(
            $this->accepted, $this->final, $this->ref, $this->detail, $this->code, $this->until, $this->isKnown,
            mb_substr(mb_scrub($said, 'UTF-8'), 0, 500, 'UTF-8'),
        );
    }

    public static function accepted(string $ref): self
    {
        return new self(true, true, $ref, '');
    }

    /** It will not be taken, however often it is offered. */
    public static function refused(string $detail, string $code = ''): self
    {
        return new self(false, true, null, $detail, $code);
    }

    /** Not now: too many at once, or the carrier's own trouble. It has not taken it. */
    public static function busy(string $detail, ?\DateTimeImmutable $until = null): self
    {
        return new self(false, false, null, $detail, '', $until);
    }

    /** No answer: it may have taken it, or not. */
    public static function none(string $detail): self
    {
        return new self(false, false, null, $detail, isKnown: false);
    }
}
