<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Dependent;
use Linnet\Core\Prose\Phrase\Mapped;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Several;
use Linnet\Core\Prose\Phrase\Under;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Slot\Sign;
use Linnet\Core\Prose\Slot\SpanSlot;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** What starts a rule. */
final class Triggers
{
    private ?Phrase $made = null;

    public function __construct(
        private readonly Vocabulary $words,
        private readonly Types $types,
        private readonly Fields $fields,
        private readonly Values $values,
        private readonly Conditions $conditions,
    ) {
    }

    public function all(): Phrase
    {
        return $this->made ??= Make::any(
            Make::seq(
                Make::means(['on' => 'record_added']), 'when', $this->types->a('type'),
                Make::any(Make::turn('comes in', 'trigger'), Make::also('is added'), Make::also('arrives'), Make::also('is made')),
            ),
            Make::seq(Make::means(['on' => 'record_changed']), 'when', Make::lazy($this->changed(...))),
            Make::seq(Make::means(['on' => 'date_reached']), Make::lazy($this->date(...))),
            Make::seq(
                Make::means(['on' => 'gone_quiet']),
                Make::turn('when nothing has happened to', 'trigger'),
                Make::lazy($this->quiet(...)),
            ),
            Make::seq(Make::means(['on' => 'text_received']), 'when somebody', Make::lazy($this->texted(...))),
            Make::seq(Make::means(['on' => 'label_changed']), 'when somebody', Make::lazy($this->labelled(...))),
            Make::seq(
                Make::means(['on' => 'form_sent']), Make::turn('when somebody sends in', 'trigger'), 'the form',
                Make::slot('form', OneOf::names('form', $this->words->forms, quotes: true)),
            ),
            Make::seq(Make::means(['on' => 'calendar']), Recurrences::of(), Make::lazy($this->audience(...))),
            Make::seq(
                Make::means(['on' => 'text_fate']), 'when', $this->status(),
                Make::maybe('of the rule', Make::slot('of_rule', OneOf::names('rule', $this->words->rules, quotes: true))),
            ),
            Make::seq(Make::means(['on' => 'started']), Make::turn('when it is started for', 'trigger'), $this->types->a('type')),
        );
    }

    /**
     * The type a run of it is about.
     *
     * @param  array<array-key, mixed>  $trigger
     */
    public static function typeOf(array $trigger): string
    {
        $type = $trigger['type'] ?? (is_array($trigger['audience'] ?? null) ? $trigger['audience']['of'] ?? null : null);

        return is_string($type) ? $type : RecordType::PERSON;
    }

    private function changed(): Phrase
    {
        $field = new Mapped(
            ['type', 'field'],
            $this->fields->everywhere(),
            fn (array $document): ?array => isset($document['type'], $document['field']) &&
            is_string($document['type']) &&
            is_string($document['field'])
                ? ['path' => "{$document['type']}.{$document['field']}"]
                : null,
            function (array $said): ?array {
                $path = is_string($said['path'] ?? null) ? explode('.', $said['path'], 2) : [];

                return isset($path[1]) ? ['type' => $path[0], 'field' => $path[1]] : null;
            });

        return new Dependent($field, function (array $known): Phrase {
            $path =
                (is_string($known['type'] ?? null) ? $known['type'] : '').
                '.'.
                (is_string($known['field'] ?? null) ? $known['field'] : '');
            $value = fn (string $key): Phrase => $this->values->of($this->words->field($path), $path, $key);

            return Make::any(
                Make::seq(Make::turn('changes from', 'trigger'), $value('from'), 'to', $value('to')),
                Make::seq(Make::any(Make::turn('becomes', 'trigger'), Make::also('changes to')), $value('to')),
                Make::seq(Make::turn('changes from', 'trigger'), $value('from')),
                Make::turn('changes', 'trigger'),
            );
        });
    }

    private function date(): Phrase
    {
        return Offsets::of(
            ['type', 'field', 'each_year'], $this->fields->everywhere([FieldKind::Date, FieldKind::DateTime]),
            $this->fields->everywhere([FieldKind::Date]),
            Make::maybe(Make::means(['each_year' => true]), ',', Make::turn('every year', 'every year')), true,
        );
    }

    private function quiet(): Phrase
    {
        return new Dependent(
            Make::seq($this->types->a('type'), 'for', Make::slot('for', new SpanSlot), 'while'),
            fn (array $known): Phrase => new Under('while', $this->conditions->of(self::typeOf($known))),
        );
    }

    private function texted(): Phrase
    {
        $or = Make::seq('or');
        $words = new Several('words', Make::slot(Several::SELF, Sign::keyword()), Make::any(',', Make::also('or')), $or);
        $line = Make::slot(Several::SELF, OneOf::names('line', $this->words->lines, 'the'));

        return Make::seq(
            Make::any(
                Make::seq(Make::means(['match' => 'first']), Make::turn('texts something that begins with', 'trigger')),
                Make::seq(Make::means(['match' => 'anywhere']), Make::turn('texts something that contains', 'trigger')),
                Make::turn('texts', 'trigger'),
            ),
            $words,
            Make::maybe('to', new Several('lines', $line, Make::any(',', Make::also('or')), $or)),
            Make::maybe(Make::means(['forgive_typos' => true]), ',', Make::turn('typing errors forgiven', 'option')),
            Make::maybe(Make::means(['only_when_no_question' => true]), ',', Make::turn('while no question is open', 'option')),
        );
    }

    private function labelled(): Phrase
    {
        $tag = Make::seq(
            'the tag',
            Make::slot('tag', OneOf::names('tag', array_combine($this->words->tags, $this->words->tags), quotes: true)),
        );
        $list = Make::seq(
            'the list',
            Make::slot('list', OneOf::names('list', array_combine($this->words->lists, $this->words->lists), quotes: true)),
        );
        $kind = fn (string $change, string $words, Phrase $label, string $also): Phrase => Make::seq(
            Make::means(['change' => $change]),
            Make::any(Make::turn($words, 'trigger'), Make::also($also)),
            $label,
        );

        return Make::any(
            $kind('added', 'gets', $tag, 'is given'), $kind('removed', 'loses', $tag, 'no longer has'),
            $kind('added', 'comes onto', $list, 'joins'), $kind('removed', 'leaves', $list, 'comes off'),
        );
    }

    /** After "for": everybody, or the person of every record of a type, of whom something is so. "of" and "condition". */
    public function members(): Phrase
    {
        $people = Make::seq(
            Make::means(['of' => RecordType::PERSON]),
            Make::turn('everybody', 'audience'),
            Make::maybe(new Under('condition', $this->conditions->clause(RecordType::PERSON))),
        );
        $records = [];
        foreach ($this->words->records() as $type) {
            $records[] = Make::seq(
                Make::means(['of' => $type->key]),
                Make::any(Make::turn("the $type->person of every", 'audience'), Make::also('the person of every')), $type->noun,
                Make::maybe(new Under('condition', $this->conditions->clause($type->key))),
            );
        }
        $unknown = new Dependent(
            Make::seq('the person of every record of the type', Make::slot('of', new Quoted)),
            fn (array $known): Phrase => Make::maybe(
                new Under('condition', $this->conditions->clause(is_string($known['of'] ?? null) ? $known['of'] : '')),
            ),
        );

        return Make::any($people, ...$records, ...[Make::last($unknown)]);
    }

    private function audience(): Phrase
    {
        return Make::seq(', for', new Under('audience', $this->members()));
    }

    private function status(): Phrase
    {
        $fate = fn (string $fate, string $words): Phrase => Make::seq(Make::means(['fate' => $fate]), Make::turn($words, 'trigger'));

        return Make::any(
            $fate('failed', 'a text to somebody fails'),
            $fate('undeliverable', 'a text to somebody cannot be delivered'),
            $fate('link_opened', 'somebody opens the link in a text'),
        );
    }
}
