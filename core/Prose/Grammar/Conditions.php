<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Dependent;
use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Phrase\Recursive;
use Linnet\Core\Prose\Phrase\Several;
use Linnet\Core\Prose\Phrase\Under;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Whole;
use Linnet\Core\Prose\Vocabulary\FieldWords;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;

/** Conditions, as the second half of a sentence and as a clause about people or records. */
final class Conditions
{
    /** @var array<string, Phrase> */
    private array $made = [];

    public function __construct(
        private readonly Vocabulary $words,
        private readonly Fields $fields,
        private readonly Values $values,
        private readonly Types $types,
    ) {
    }

    /** In a rule about a type: "its state is booked and they have not replied". */
    public function of(string $type): Phrase
    {
        return $this->made["of $type"] ??= new Recursive(fn (): Phrase => $this->condition($type));
    }

    /** About one of a type, or about people: "whose start is within the next 7 days", "who have agreed to offers". */
    public function clause(string $type): Phrase
    {
        return $this->made["clause $type"] ??= new Recursive(fn (): Phrase => $this->makeClause($type));
    }

    private function condition(string $type): Phrase
    {
        $atom = $this->atom($type, 'they');
        $whole = Make::seq('(', $this->of($type), ')');
        $single = Make::any($atom, $whole);
        $and = Make::seq(Make::free(','), Make::turn('and', 'join'));
        $or = Make::seq(Make::free(','), Make::turn('or', 'join'));
        $semicolon = Make::seq(';');
        $either = Make::seq('either', new Several('any', $single, $or, $or, 2));

        return Make::any(
            $atom,
            new Several('all', Make::any($atom, $either, $whole), $and, $and, 2),
            $either,
            Make::seq('it is not so that', new Several('none', $single, $semicolon, $semicolon, 1, 1)),
            Make::seq('none of these:', new Several('none', $single, $semicolon, $semicolon)),
            Make::last('all of these:', new Several('all', $single, $semicolon, $semicolon)),
            Make::last('one of these:', new Several('any', $single, $semicolon, $semicolon)),
            Make::last('always', Make::means(['all' => []])),
            Make::last('never', Make::means(['any' => []])),
            Make::last('none of nothing', Make::means(['none' => []])),
            Make::also(new Several('any', $single, $or, $or, 2)),
            Make::also($whole),
        );
    }

    private function makeClause(string $type): Phrase
    {
        $isPeople = $type === RecordType::PERSON;
        $and = Make::seq(Make::free(','), 'and');
        $atoms = [];
        foreach (array_filter($this->words->type($type)->fields, $this->counts(...)) as $field) {
            $atoms[] = Make::seq(
                Make::means(['field' => ($isPeople ? '' : "$type.").$field->key]),
                $isPeople ? 'who has' : 'that has',
                $this->values->counts($field),
            );
        }
        $atoms[] = Make::seq('whose', $this->field($this->fields->bare($type)));
        // A date's noun that is a verb too: "that starts within 7 days".
        foreach ($isPeople ? [] : $this->words->type($type)->fields as $field) {
            if (in_array($field->noun, ['start', 'end'], true) && in_array($field->kind, [FieldKind::Date, FieldKind::DateTime], true)) {
                $atoms[] = Make::also(Make::means(['field' => "$type.$field->key"]), "that {$field->noun}s", $this->values->when());
            }
        }
        $atom = Make::any(
            ...$atoms,
            ...($isPeople ? [$this->ofPerson('who')] : [$this->belongs($type, 'that is in', 'that is not in')]),
        );

        return Make::any(
            $atom,
            new Several('all', $atom, $and, $and, 2),
            Make::last($isPeople ? 'for whom' : 'for which', '(', $this->of($type), ')'),
        );
    }

    private function atom(string $type, string $subject): Phrase
    {
        $atoms = $short = [];
        foreach ($this->words->type($type)->fields as $field) {
            $path = RecordType::path($type, $field->key);
            if ($this->counts($field)) {
                $atoms[] = Make::seq(
                    Make::means(['field' => $path]),
                    $type === RecordType::PERSON ? 'they have' : 'it has',
                    $this->values->counts($field),
                );
                $short[] = Make::also(Make::means(['field' => $path]), 'has', $this->values->counts($field));
            }
            // "While it is open or left": what it is, is its stage.
            if ($field->kind === FieldKind::Choice && $type !== RecordType::PERSON) {
                $short[] = Make::also(Make::means(['field' => $path]), 'it', $this->values->tests($field, $path));
            }
        }

        return Make::any(
            ...$atoms,
            ...[$this->field($this->fields->any($type))],
            ...[
                Make::seq(Make::means(['hours' => 'open']), Make::turn('we are open')),
                Make::seq(Make::means(['hours' => 'closed']), Make::turn('we are closed')),
                Make::also(Make::means(['hours' => 'closed']), 'we are not open'),
                ...($type === RecordType::PERSON ? [] : [$this->belongs($type, 'it is in', 'it is not in')]),
                $this->ofPerson($subject),
                ...$short,
            ],
        );
    }

    /** Numbers of things are said as such: "it has more than 3 places". */
    private function counts(FieldWords $field): bool
    {
        return $field->kind === FieldKind::Number && preg_match('/(s|people)$/D', $field->noun) === 1;
    }

    private function field(Phrase $field): Phrase
    {
        return new Dependent($field, function (array $known): Phrase {
            $path = is_string($known['field'] ?? null) ? $known['field'] : '';

            return $this->values->tests($this->words->field($path), $path);
        });
    }

    /** @param  string  $subject  "they", or "who" in a clause */
    private function ofPerson(string $subject): Phrase
    {
        [$have, $are, $not] =
            $subject === 'they' ? ['they have', 'they are', 'they do not have'] : ['who has', 'who is', 'who does not have'];
        $their = $subject === 'they' ? 'their' : 'whose';
        $tag = Make::slot('tag', OneOf::names('tag', array_combine($this->words->tags, $this->words->tags), quotes: true));
        $list = Make::slot('list', OneOf::names('list', array_combine($this->words->lists, $this->words->lists), quotes: true));
        $no = Make::means(['has' => false]);
        $offers = Make::any('agreed to offers', Make::also('agreed to marketing'), Make::also('agreed to marketing texts'));
        $text = Make::seq(
            Make::turn('a text'),
            Make::any(
                Make::seq(Make::means(['had_text' => 'of_this_rule']), Make::turn('from this rule')),
                Make::seq(Make::means(['had_text' => 'of_any_rule']), Make::turn('from any rule')),
            ),
            'in the last',
            Make::slot('days', new Whole(1, 365, 'day', 'days', true)),
        );
        $number = fn (string $test, string $words): Phrase => Make::seq(
            Make::means(['number' => $test]),
            Make::turn("$their number is $words"),
        );

        return Make::any(
            Make::seq(Make::means(['replied' => true]), Make::turn("$have replied")),
            Make::seq(Make::means(['replied' => false]), Make::turn("$have not replied")), Make::seq(Make::turn($have), 'the tag', $tag),
            Make::seq($no, Make::turn($not), 'the tag', $tag), Make::seq(Make::turn("$are on"), 'the list', $list),
            ...$subject === 'who'
                ? [Make::also('on the list', $list), Make::also('with the tag', $tag), Make::also($this->related('with'))]
                : [],
            ...[
                Make::seq($no, Make::turn("$are not on"), 'the list', $list),
                Make::seq(Make::means(['consent' => 'marketing']), Make::turn($have), $offers),
                Make::seq(Make::means(['consent' => 'marketing', 'has' => false]), Make::turn("$have not"), $offers),
                Make::seq(Make::means(['consent' => 'opted_out']), Make::turn("$have said stop")),
                Make::seq(Make::means(['consent' => 'opted_out', 'has' => false]), Make::turn("$have not said stop")),
                $number('mobile', 'a mobile'), $number('landline', 'a landline'), $number('alive', 'in use'), $number('dead', 'not in use'),
                Make::seq(Make::means(['number' => 'none']), Make::turn("$have no number")), $this->related($have),
                $this->related($have, false), Make::seq(Make::turn("$have had"), $text), Make::seq($no, Make::turn("$have not had"), $text),
                $this->belongs(RecordType::PERSON, "$are in", "$are not in"),
            ],
        );
    }

    /** To an audience made of a type; one that nobody knows is people's. */
    private function belongs(string $type, string $is, string $isNot): Phrase
    {
        $names = array_map(strval(...), array_keys($this->words->audiences, $type, true));
        $name = Make::slot(
            'audience',
            OneOf::names('audience', array_combine($names, $names), quotes: true, isOpen: $type === RecordType::PERSON),
        );

        return Make::any(
            Make::seq(Make::turn($is), 'the audience', $name),
            Make::seq(Make::means(['has' => false]), Make::turn($isNot), 'the audience', $name),
        );
    }

    private function related(string $have, bool $has = true): Phrase
    {
        $type = $has
            ? Make::seq($have, $this->types->a('related'))
            : Make::seq(Make::means(['has' => false]), "$have no", $this->types->bare('related'));

        return new Dependent(
            $type,
            fn (array $known): Phrase => ($this->made['that '.json_encode($known['related'] ?? '')] ??= Make::maybe(
                new Under('that', $this->clause(is_string($known['related'] ?? null) ? $known['related'] : '')),
            )),
        );
    }
}
