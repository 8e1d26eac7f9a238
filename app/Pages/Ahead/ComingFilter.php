<?php

declare(strict_types=1);

namespace App\Pages\Ahead;

/** Which of the coming texts are asked for. */
final readonly class ComingFilter
{
    /** Those that leave later than they would, for decent hours. */
    public const HOURS = 'hours';

    /** Those that somebody has to act for. */
    public const YOU = 'you';

    public const ALL = 'all';

    /**
     * @param  string  $at  a day or an hour of it by the business's clock, as YYYY-MM-DD or YYYY-MM-DDTHH; empty for none
     * @param  string  $show  one of the above; empty where it is a day or an hour
     */
    public function __construct(
        public ?int $rule = null,
        public ?int $line = null,
        public ?int $type = null,
        public string $find = '',
        public string $at = '',
        public string $show = '',
    ) {
    }

    /** @param  array<string, mixed>  $asked  what a request asks for, once it was checked */
    public static function of(array $asked): self
    {
        $id = fn (string $key): ?int => is_numeric($asked[$key] ?? null) ? (int) $asked[$key] : null;
        $word = fn (string $key): string => is_string($asked[$key] ?? null) ? $asked[$key] : '';

        return new self($id('rule'), $id('line'), $id('type'), $word('find'), $word('at'), $word('show'));
    }

    public function at(string $at): self
    {
        return new self($this->rule, $this->line, $this->type, $this->find, $at);
    }

    public function isNarrowed(): bool
    {
        return $this->rule !== null || $this->line !== null || $this->type !== null || $this->find !== '';
    }

    /**
     * What the page's address says behind its path, with some of it otherwise.
     *
     * @param  array<string, string>  $with
     */
    public function query(array $with): string
    {
        $own = ['rule' => $this->rule, 'line' => $this->line, 'type' => $this->type, 'find' => $this->find];

        return '?'.http_build_query(array_filter([...$own, ...$with], fn (string|int|null $one): bool => $one !== null && $one !== ''));
    }
}
