<?php

declare(strict_types=1);

namespace Linnet\Core\Engine;

/** What somebody decided of one text of one run, before it left. */
final readonly class OwnText
{
    /**
     * @param  string|null  $words  with merge fields; null for those of its rule
     * @param  \DateTimeImmutable|null  $at  when it is wanted instead; null for when its rule wants it
     * @param  bool  $skip  it does not leave, and its run goes on behind it
     * @param  string  $by  who decided last
     */
    public function __construct(
        public ?string $words = null,
        public ?\DateTimeImmutable $at = null,
        public bool $skip = false,
        public string $by = '',
    ) {
    }

    public function isAsItWas(): bool
    {
        return $this->words === null && $this->at === null && ! $this->skip;
    }

    /** @return array<string, string|bool> */
    public function toArray(): array
    {
        return array_filter(
            ['words' => $this->words, 'at' => $this->at?->format(DATE_ATOM), 'skip' => $this->skip, 'by' => $this->by],
            fn (string|bool|null $one): bool => $one !== null && $one !== false && $one !== '',
        );
    }

    /** @param  array<string, mixed>  $stored */
    public static function fromArray(array $stored): self
    {
        return new self(
            is_string($stored['words'] ?? null) ? $stored['words'] : null,
            is_string($stored['at'] ?? null) ? new \DateTimeImmutable($stored['at']) : null,
            ($stored['skip'] ?? false) === true,
            is_string($stored['by'] ?? null) ? $stored['by'] : '',
        );
    }
}
