<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;

/** Which line a text leaves from. */
final readonly class Sender
{
    /**
     * @param  list<string>  $keys  of the lines, for a fixed one and a pool
     * @param  string  $called  what the lines of a pool go by, where it has a name
     */
    private function __construct(public SenderKind $kind, public array $keys = [], public string $called = '')
    {
    }

    public static function read(Doc $doc): self
    {
        $kind = $doc->choice('line', SenderKind::class);
        $doc->allow(...match ($kind) {
            SenderKind::Fixed => ['line', 'key'],
            SenderKind::Pool => ['line', 'keys'],
            SenderKind::LinePool => ['line', 'called'],
            default => ['line'],
        });

        return new self($kind, match ($kind) {
            SenderKind::Fixed => [$doc->name('key')],
            SenderKind::Pool => $doc->texts('keys', 1, 50, 60),
            default => [],
        }, $kind === SenderKind::LinePool ? $doc->text('called', 60) : '');
    }

    /** @return array<string, mixed> */
    public function toDocument(): array
    {
        return ['line' => $this->kind->value] + match ($this->kind) {
            SenderKind::Fixed => ['key' => $this->keys[0]],
            SenderKind::Pool => ['keys' => $this->keys],
            SenderKind::LinePool => ['called' => $this->called],
            default => [],
        };
    }
}
