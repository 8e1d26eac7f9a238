<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;

/** The business's name or the way to stop, written into the words of a text that Linnet adds them to. */
final class SaidTwice implements Check
{
    public function findings(Question $of): iterable
    {
        foreach (array_slice($of->rule->flow->texts(), 0, 1) as $step) {
            foreach ($of->wordsOf($step) as $template) {
                if ($of->business->name !== '' && mb_stripos($template->source, $of->business->name, 0, 'UTF-8') !== false) {
                    yield new Finding(new Reason('check.name_twice', ['name' => $of->business->name]), false, $step->id());
                }
                if (preg_match('/\b(?:reply|text|send|answer)\s+"?STOP\b/iu', $template->source) === 1) {
                    yield new Finding(new Reason('check.stop_twice'), false, $step->id());
                }
            }
        }
    }
}
