<?php

declare(strict_types=1);

namespace Linnet\Core\Rehearsal;

enum WorldEventKind: string
{
    /** A record is added, or changed if it is there. */
    case Record = 'record';
    /** Fields of a person change. */
    case Person = 'person';
    /** A person texts one of the lines. */
    case Text = 'text';
    case Label = 'label';
    case Form = 'form';
    case Fate = 'fate';
    /** A rule is started by hand. */
    case Start = 'start';
    /** A rule is paused, switched on again, or retired. */
    case Rule = 'rule';
    case Line = 'line';
    /** The texts of a rule that wait for it are let go. */
    case Release = 'release';
    /** Somebody stops what a rule does for a person. */
    case Stop = 'stop';
    /** One of us writes to a person by hand. */
    case Wrote = 'wrote';
    /** A run that stood aside since then goes on. */
    case GiveBack = 'give_back';
    /** Somebody leaves out the texts of a rule that wait for a person. */
    case Skip = 'skip';
    /** Somebody decides of one text of a rule to a person, before it leaves. */
    case OwnText = 'own_text';

    /** A record may be nobody's; what people do is somebody's. */
    public function isAboutSomebody(): bool
    {
        return $this !== self::Record && in_array('person', $this->keys(), true);
    }

    /** @return list<string> */
    public function keys(): array
    {
        return match ($this) {
            self::Record => ['id', 'type', 'person', 'values'],
            self::Person => ['person', 'values'],
            self::Text => ['person', 'line', 'text'],
            self::Label => ['person', 'tag', 'list', 'change'],
            self::Form => ['person', 'form'],
            self::Fate => ['person', 'fate', 'of_rule'],
            self::Start => ['person', 'rule', 'record'],
            self::Rule => ['rule', 'power'],
            self::Line => ['line', 'power'],
            self::Release => ['rule'],
            self::Stop, self::Skip, self::GiveBack => ['person', 'rule'],
            self::Wrote => ['person'],
            self::OwnText => ['person', 'rule', 'step', 'words', 'to', 'skip'],
        };
    }
}
