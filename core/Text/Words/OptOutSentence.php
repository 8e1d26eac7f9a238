<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** Sentences that read like an opt-out without being one of the words that are one. */
final class OptOutSentence
{
    private const READS = [
        '/\b(stop|quit|cease)\b.*\b(text|texts|texting|messag\w*|sms|sending|contact\w*|this|these)\b/u',
        '/\b(do not|don\'t|dont|never|no longer|no more)\b.*\b(text|texts|texting|messag\w*|sms|contact\w*|write)\b/u',
        '/\b(no more|no further)\b.*\b(text|texts|messag\w*|sms|please)\b/u',
        '/\b(take|remove|delete|get|want) (me |my (number|name|details) )?(off|out|from|of)\b.*\b(list|lists|database|system|this|it|texts|messag\w*)\b/u',
        '/\b(remove|delete|forget) (me|my number)\b/u',
        '/\b(unsubscribe|unsubscribed|opt me out|opt out|opt-out)\b/u',
        '/\b(leave me alone|lose my number|wrong number)\b/u',
        '/\bplease stop\b/u',
        '/^s+t+o+p+$/u',
        '/^(pls|plz|please|just)? ?stop( it| now| please| pls| plz)?$/u',
    ];

    /** What such a sentence must not also say: what follows a "don't" may be about something else. */
    private const BUT_NOT = '/\b(don\'t|do not|dont|never|please) (stop|quit) (texting|sending|messaging)?\b.*\b(love|great|thanks)\b|\bdon\'t (hesitate|forget)\b/u';

    public static function reads(string $text): bool
    {
        $folded = Folded::latin($text);
        if (preg_match(self::BUT_NOT, $folded) === 1) {
            return false;
        }
        foreach (self::READS as $pattern) {
            if (preg_match($pattern, $folded) === 1) {
                return true;
            }
        }

        return false;
    }
}
