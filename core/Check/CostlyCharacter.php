<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Text\Length;
use Linnet\Core\Text\PlainTwin;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Node\Words;
use Linnet\Core\Text\Template\Template;

/** A character in the words themselves that makes the whole text cost more. */
final class CostlyCharacter implements Check
{
    public function findings(Question $of): iterable
    {
        foreach ($of->rule->flow->texts() as $step) {
            foreach ($of->wordsOf($step) as $template) {
                $culprits = Length::of(self::words($template))->culprits;
                if ($culprits !== []) {
                    $plain = self::plain($template);
                    yield new Finding(
                        new Reason('check.costly_character', [
                            'characters' => array_values(array_slice(array_map(strval(...), $culprits), 0, 6)),
                        ]),
                        false,
                        $step->id(),
                        $plain === $template->source ? null : new Mend($step->id(), $template->source, $plain),
                    );
                }
            }
        }
    }

    private static function words(Template $template): string
    {
        return implode('', array_map(fn (Node $node): string => $node instanceof Words ? $node->words : '', $template->nodes));
    }

    /** Its plain twin; the merge fields stay as they are. */
    private static function plain(Template $template): string
    {
        return preg_replace_callback(
            '/\{\{.*?\}\}|[^{]+|\{/su',
            fn (array $part): string => str_starts_with($part[0], '{{') ? $part[0] : PlainTwin::of($part[0]),
            $template->source,
        ) ?? $template->source;
    }
}
