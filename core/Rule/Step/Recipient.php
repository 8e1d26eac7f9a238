<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;

/** Whom a text or a notice goes to. */
final readonly class Recipient
{
    /** @param  string  $which  the field, email or number, by {@see Who} */
    private function __construct(public Who $who, public string $which = '')
    {
    }

    public static function person(): self
    {
        return new self(Who::Person);
    }

    public static function read(Doc $doc): self
    {
        $who = $doc->choice('who', Who::class);
        $key = $who->key();
        $doc->allow('who', ...($key === null ? [] : [$key]));
        $which = match ($key) {
            null => '',
            'field' => $doc->field('field'),
            'number' => preg_match('/^\+[1-9]\d{6,14}$/D', $doc->text('number', 20)) === 1
                ? $doc->text('number', 20)
                : throw Unreadable::at("$doc->path.number", 'e164_expected'),
            default => filter_var($doc->text('email', 200), FILTER_VALIDATE_EMAIL) !== false
                ? $doc->text('email', 200)
                : throw Unreadable::at("$doc->path.email", 'email_expected'),
        };

        return new self($who, $which);
    }

    /** Whom of the business a reply is told. @throws Unreadable where nobody of theirs could be */
    public static function ofReplies(Doc $doc): self
    {
        $to = self::read($doc);

        return in_array($to->who, [Who::Person, Who::PersonField, Who::Number], true)
            ? throw Unreadable::at("$doc->path.who", 'not_told_of_replies')
            : $to;
    }

    public function isPerson(): bool
    {
        return $this->who === Who::Person;
    }

    /** Somebody who can be texted, and is another than the run is about. */
    public function isBeside(): bool
    {
        return $this->who === Who::PersonField;
    }

    /** @return array<string, string> */
    public function toDocument(): array
    {
        $key = $this->who->key();

        return ['who' => $this->who->value] + ($key === null ? [] : [$key => $this->which]);
    }
}
