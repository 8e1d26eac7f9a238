<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** A field of a record type. */
final readonly class Field
{
    /** Dates are often called by a verb; sentences need the noun. */
    private const NOUNS = [
        'starts' => 'start', 'starts at' => 'start', 'started' => 'start', 'started at' => 'start', 'begins' => 'beginning',
        'ends' => 'end', 'ends at' => 'end', 'ended' => 'end', 'due' => 'due date', 'expires' => 'expiry', 'expires on' => 'expiry',
        'paid' => 'payment', 'paid on' => 'payment', 'paid at' => 'payment', 'sent' => 'sending', 'delivered' => 'delivery',
        'arrives' => 'arrival', 'leaves' => 'departure', 'born' => 'birthday', 'joined' => 'joining day', 'renews' => 'renewal',
        'renews on' => 'renewal',
    ];

    /**
     * @param  string  $key  what rules and mappings call it; never changes
     * @param  list<string>  $options  of a choice, in their order
     * @param  string|null  $of  the key of the record type another record is of
     * @param  bool  $atPlace  a date and time that is shown by the clock of the place where it happens
     * @param  string|null  $noun  what it is in a sentence, without an article: "start"; null where its name will do
     */
    public function __construct(
        public string $key,
        public string $name,
        public FieldKind $kind,
        public array $options = [],
        public ?string $of = null,
        public bool $atPlace = false,
        public ?string $noun = null,
    ) {
    }

    /** What it is in a sentence, without an article: its name, or the noun for what its name does. */
    public function noun(): string
    {
        $name = trim(preg_replace('/\s*\([^)]*\)/u', '', mb_strtolower($this->name, 'UTF-8')) ?? $this->name);

        return $this->noun ?? ($this->isDate() ? self::NOUNS[$name] ?? $name : $name);
    }

    private function isDate(): bool
    {
        return $this->kind === FieldKind::Date || $this->kind === FieldKind::DateTime;
    }
}
