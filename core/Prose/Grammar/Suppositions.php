<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Dependent;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Slot\DaySlot;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Slot\Sign;
use Linnet\Core\Prose\Slot\SpanSlot;
use Linnet\Core\Prose\Slot\TimeSlot;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\FieldKind;

/** What might happen: "they answer YES after text a", "its state becomes paid after 30 minutes". */
final class Suppositions
{
    public function __construct(private readonly Vocabulary $words, private readonly Fields $fields, private readonly Values $values)
    {
    }

    /** In a rule about a type: "text" or "field" and "value", and "after" with "step" or without. */
    public function of(string $type): Phrase
    {
        $says = Make::any(Make::slot('text', Sign::keyword()), Make::slot('text', new Quoted));
        $writes = Make::any(
            Make::seq(Make::turn('they answer', 'what happens'), $says),
            Make::seq(Make::turn('they write', 'what happens'), Make::slot('text', new Quoted)),
            Make::seq(Make::means(['text' => 'STOP']), Make::turn('they text STOP', 'what happens')),
        );
        $changes = new Dependent($this->fields->any($type), function (array $known): Phrase {
            $path = is_string($known['field'] ?? null) ? $known['field'] : '';
            $field = $this->words->field($path);

            return $field?->kind === FieldKind::DateTime
                ? Make::seq(
                    Make::any(Make::turn('moves to', 'what happens'), Make::also('becomes')), Make::slot('day', new DaySlot), 'at',
                    Make::slot('time', new TimeSlot),
                )
                : Make::seq(
                    Make::any(Make::turn('becomes', 'what happens'), Make::also('is'), Make::also('moves to')),
                    $this->values->of($field, $path, 'value'),
                );
        });

        return Make::seq(Make::any($writes, $changes), Make::any(
            Make::seq(Make::free(','), Make::slot('after', new SpanSlot), 'after', Make::slot('step', new Target)),
            Make::seq(Make::free(','), 'after', Make::slot('step', new Target)),
            Make::seq(Make::free(','), 'after', Make::slot('after', new SpanSlot)),
        ));
    }
}
