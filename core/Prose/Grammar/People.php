<?php

declare(strict_types=1);

namespace Linnet\Core\Prose\Grammar;

use Linnet\Core\Prose\Phrase\Phrase;
use Linnet\Core\Prose\Slot\OneOf;
use Linnet\Core\Prose\Slot\Quoted;
use Linnet\Core\Prose\Slot\Sign;
use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\RecordType;

/** Whom sentences speak of. */
final class People
{
    public function __construct(private readonly Vocabulary $words, private readonly Fields $fields)
    {
    }

    /** The person a run is about: "the guest". */
    public function person(string $type): Phrase
    {
        $noun = $this->words->type($type)->person;
        // "The owner" is whose the record is among the staff.
        $noun = in_array(mb_strtolower($noun, 'UTF-8'), ['owner', 'staff'], true) ? 'person' : $noun;
        $others = array_diff(['person', 'guest', 'customer', 'caller', 'client'], [$noun]);

        return Make::any(
            Make::turn("the $noun", 'who'),
            Make::also('them'),
            ...array_map(fn (string $other): Phrase => Make::also("the $other"), array_values($others)),
        );
    }

    /** Whoever else has to do with the record: "the booking's host". */
    public function beside(string $type): Phrase
    {
        return Make::seq(Make::means(['who' => 'person_field']), $this->fields->people($type, 'field'));
    }

    /** Anybody: the person among them. */
    public function anybody(string $type): Phrase
    {
        return Make::any($this->staff($type), Make::seq(Make::means(['who' => 'person']), $this->person($type)));
    }

    /** Somebody of the business, a number, or an address. */
    public function staff(string $type, bool $addresses = true, bool $numbers = true): Phrase
    {
        $who = fn (string $who): Phrase => Make::means(['who' => $who]);
        $email = Make::seq($who('address'), Make::slot('email', Sign::mailAddress()));

        return Make::any(
            Make::seq($who('owner'), Make::turn('the owner', 'who')),
            Make::seq($who('staff_field'), $this->fields->staff($type, 'field')),
            Make::seq($who('staff'), Make::slot('email', OneOf::names('staff', $this->words->staff, isOpen: false))),
            ...$numbers ? [Make::seq($who('number'), Make::slot('number', Sign::phoneNumber()))] : [],
            ...$addresses ? [$email] : [Make::last($email)],
            ...[
                Make::last($who('staff'), 'the member of staff', Make::slot('email', new Quoted)),
                Make::last($who('staff_field'), 'whoever is in the field', Make::slot('field', new Quoted)),
            ],
        );
    }

    /** "the line they called": by what a rule is about, they called it or they texted it. */
    public function contacted(string $type, string $what): string
    {
        return $what === 'the line'
            ? ($type === RecordType::PERSON ? 'the line they texted' : 'the line they called')
            : ($type === RecordType::PERSON ? 'the number that texted' : 'the number that called');
    }
}
