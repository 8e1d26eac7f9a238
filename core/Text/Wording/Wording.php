<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Wording;

use Linnet\Core\Document\Doc;
use Linnet\Core\Text\Template\Template;

/** One version of a text's content. */
final readonly class Wording
{
    /** @param  int|null  $most  how often it may be sent, to everybody together; null for as often as one likes */
    public function __construct(public string $id, public Template $text, public int $weight = 1, public ?int $most = null)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'text', 'weight', 'most');
        /** @var array{string, Template, int, int|null} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): Template => Template::read($doc, 'text', 2000),
            fn (): int => $doc->has('weight') ? $doc->integer('weight', 0, 1000) : 1,
            fn (): ?int => $doc->has('most') ? $doc->integer('most', 1, 100_000_000) : null,
        ]);

        return new self(...$read);
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['id' => $this->id, 'text' => $this->text->source]
            + ($this->weight === 1 ? [] : ['weight' => $this->weight])
            + ($this->most === null ? [] : ['most' => $this->most]);
    }
}
