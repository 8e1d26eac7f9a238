<?php

declare(strict_types=1);

namespace Linnet\Core\Check;

use Linnet\Core\Reason;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Template;

/** A field that is empty for some of those it reaches, with nothing to say instead: their text is set aside. */
final class EmptyField implements Check
{
    public function findings(Question $of): iterable
    {
        foreach ($of->reached === [] ? [] : $of->rule->flow->texts() as $step) {
            if (! $step->outgoing()->to->isPerson()) {
                continue;
            }
            foreach ($of->wordsOf($step) as $template) {
                foreach ($template->fields() as $field) {
                    $empty =
                        $field->fallback() !== null
                            ? 0
                            : count(
                                array_filter(
                                    $of->reached,
                                    fn (array $one): bool => in_array($one[0]->facts->at($field->path), [null, '', []], true),
                                ),
                            );
                    if ($empty > 0) {
                        yield new Finding(
                            new Reason('check.empty_field', ['field' => $field->path, 'many' => $empty, 'of' => count($of->reached)]),
                            false, $step->id(), self::mend($step->id(), $template, $field),
                        );
                    }
                }
            }
        }
    }

    /** Something to say instead, for the fields where one thing fits everybody. */
    private static function mend(string $step, Template $template, MergeField $field): ?Mend
    {
        $instead = ['first_name' => 'there', 'owner.first_name' => 'We'][$field->path] ?? null;
        $mended =
            $instead === null
                ? null
                : preg_replace(
                    '/\{\{\s*'.preg_quote($field->path, '/').'\s*(\|[^}]*)?\}\}/', '{{ '.$field->path.' | or: "'.$instead.'" $1}}',
                    $template->source, 1,
                );

        return $mended === null || $mended === $template->source
            ? null
            : new Mend($step, $template->source, str_replace('  }}', ' }}', $mended));
    }
}
