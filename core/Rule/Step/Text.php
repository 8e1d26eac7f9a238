<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** A text to the run's person. */
final readonly class Text implements Step
{
    /** @param  string|null  $line key of the line it leaves from; null for the line the person called or texted */
    public function __construct(
        public string $id,
        public TextKind $kind,
        public ?string $line,
        public string $wordingId,
        public Template $wording,
    ) {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'kind', 'from', 'wordings');
        /** @var array{id: string, kind: TextKind, line: string|null, wordings: non-empty-list<array{string, Template}>} $read */
        $read = $doc->gather([
            'id' => fn (): string => $doc->name('id'),
            'kind' => fn (): TextKind => $doc->choice('kind', TextKind::class),
            'line' => fn (): ?string => self::line($doc->object('from')),
            'wordings' => fn (): array => $doc->each('wordings', self::wording(...), 1, 1),
        ]);

        return new self($read['id'], $read['kind'], $read['line'], $read['wordings'][0][0], $read['wordings'][0][1]);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return [
            'id' => $this->id,
            'do' => 'text',
            'kind' => $this->kind->value,
            'from' => $this->line === null ? ['line' => 'contacted'] : ['line' => 'fixed', 'key' => $this->line],
            'wordings' => [['id' => $this->wordingId, 'text' => $this->wording->source]],
        ];
    }

    private static function line(Doc $from): ?string
    {
        return $from->oneOf('line', [
            'contacted' => function (Doc $d): ?string {
                $d->allow('line');

                return null;
            },
            'fixed' => function (Doc $d): string {
                $d->allow('line', 'key');

                return $d->name('key');
            },
        ]);
    }

    /** @return array{string, Template} */
    private static function wording(Doc $doc): array
    {
        $doc->allow('id', 'text');
        $id = $doc->name('id');
        try {
            return [$id, Template::parse($doc->text('text', 2000))];
        } catch (TemplateError $e) {
            throw Unreadable::of("$doc->path.text", $e->reason()->with(['at' => $e->at]));
        }
    }
}
