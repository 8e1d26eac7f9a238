<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Reading;
use Linnet\Core\Prose\Slot\Slot;

/**
 * A step that another goes back to: a text by its letter ("text a"), any other by its number ("step 3"); by its id while a rule is
 * changed.
 */
final readonly class Target implements Slot
{
    public function kind(): string
    {
        return 'step';
    }

    public function write(mixed $value): ?string
    {
        return is_string($value) ? $value : null;
    }

    public function read(Reading $in, int $at): iterable
    {
        $kind = $in->tokens[$at]->folded ?? '';
        $which = $in->tokens[$at + 1]->folded ?? '';
        if (
            ($kind === 'text' && preg_match('/^[a-z]{1,2}$/D', $which) === 1) ||
            ($kind === 'step' && preg_match('/^\d{1,3}$/D', $which) === 1)
        ) {
            yield ["$kind $which", $at + 2];
        }
        $id = $kind === 'step' ? ($in->tokens[$at + 1] ?? null)?->quoted() : null;
        if ($id !== null) {
            yield ["id $id", $at + 2];
        }
    }

    public function suggest(string $written): array
    {
        return array_values(array_filter(['text a', 'text b'], fn (string $one): bool => str_starts_with($one, trim($written))));
    }
}
