<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Vocabulary;

use Linnet\Core\Record\FieldKind;

/** What a field is called in sentences. */
final readonly class FieldWords
{
    /**
     * @param  string  $noun  without an article: "start", "number of people"
     * @param  list<string>  $options  of a choice
     */
    public function __construct(
        public string $key,
        public string $noun,
        public string $label,
        public FieldKind $kind,
        public array $options = [],
    ) {
    }

    public function isDate(): bool
    {
        return $this->kind === FieldKind::Date || $this->kind === FieldKind::DateTime;
    }

    /**
     * What else it is understood by: its name on screen, and its key.
     *
     * @return list<string>
     */
    public function others(): array
    {
        $others = [mb_strtolower($this->label, 'UTF-8'), mb_strtolower(str_replace('_', ' ', $this->key), 'UTF-8')];

        return array_values(array_diff(array_unique($others), [mb_strtolower($this->noun, 'UTF-8')]));
    }
}
