<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;

/** What carriers filter: links behind somebody else's short name, and shouting. */
final class FilteredWords implements Check
{
    /** A short host with a short path hides where it leads. */
    private const SHORT_LINK = '~https?://(?:www\.)?[a-z0-9-]{1,6}\.[a-z]{2,3}/[A-Za-z0-9]{3,10}(?![\w/.])~';

    public function findings(Question $of): iterable
    {
        foreach ($of->rule->flow->texts() as $step) {
            foreach ($of->wordsOf($step) as $template) {
                $words = preg_replace('/\{\{.*?\}\}/su', '', $template->source) ?? '';
                if (preg_match(self::SHORT_LINK, $words, $link) === 1) {
                    yield new Finding(new Reason('check.short_link', ['link' => $link[0]]), false, $step->id());
                }
                if (self::isShouted($words)) {
                    yield new Finding(new Reason('check.shouting'), false, $step->id());
                }
            }
        }
    }

    /** Mostly capitals beyond the words one is to answer with, or marks of exclamation in a row. */
    private static function isShouted(string $words): bool
    {
        $letters = preg_match_all('/\p{L}/u', $words);
        $capitals = preg_match_all('/\p{Lu}/u', $words);

        return preg_match('/!{2,}/', $words) === 1 || ($letters >= 20 && $capitals / $letters > 0.6);
    }
}
