<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;

/** More than one part for some of those it reaches, the first text with what Linnet adds. */
final class SeveralParts implements Check
{
    public function findings(Question $of): iterable
    {
        foreach ($of->reached === [] ? [] : $of->rule->flow->texts() as $i => $step) {
            if (! $step->outgoing()->to->isPerson()) {
                continue;
            }
            foreach ($of->wordsOf($step) as $template) {
                $parts = $costly = [];
                foreach (array_filter($of->lengths($template, $i === 0)) as $length) {
                    $parts[] = $length->parts;
                    $costly += $length->parts > 1 ? array_flip($length->culprits) : [];
                }
                $over = count(array_filter($parts, fn (int $many): bool => $many > 1));
                if ($over > 0 && $parts !== []) {
                    // What is filled in may hold a mark that no plain text has.
                    yield new Finding(
                        new Reason($costly === [] ? 'check.several_parts' : 'check.several_parts_by', [
                            'many' => $over, 'of' => count($parts), 'most' => max($parts),
                            'characters' => array_map(strval(...), array_slice(array_keys($costly), 0, 6)),
                        ]),
                        false,
                        $step->id(),
                    );
                }
            }
        }
    }
}
