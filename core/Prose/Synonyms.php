<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

/** What is understood in the place of a word that Linnet writes: the one list of them, shown by nobody. */
final class Synonyms
{
    /** Single words, by the word that is written. */
    private const OTHERS = [
        'the' => ['a', 'an'], 'a' => ['the', 'an'], 'an' => ['the', 'a'], 'is' => ['equals', 'are'], 'are' => ['is'], 'has' => ['have'],
        'have' => ['has'], 'do' => ['does'], 'does' => ['do'], 'was' => ['is'], 'they' => ['he', 'she'], 'their' => ['his', 'her'],
        'them' => ['him', 'her'], 'who' => ['that'], 'us' => ['me'], 'somebody' => ['someone', 'anybody', 'anyone'],
        'somebody\'s' => ['someone\'s'], 'everybody' => ['everyone', 'anybody', 'anyone'], 'when' => ['if', 'whenever'], 'if' => ['when'],
        'until' => ['till'], 'within' => ['in'], 'text' => ['send'], 'texts' => ['sends'], 'notify' => ['tell'],
        'mail' => ['email', 'e-mail'], 'wait' => ['pause'], 'stops' => ['ends'], 'staff' => ['team'], 'answer' => ['reply'],
        'answered' => ['replied'], 'replied' => ['answered'], 'reply' => ['answer'], 'clear' => ['empty'], 'remove' => ['delete'],
        'more' => ['greater'], 'less' => ['fewer', 'smaller'], 'once' => ['1'],
    ];

    /** Two words that are written as one. */
    private const DRAWN_TOGETHER = [
        "isn't" => ['is', 'not'], "aren't" => ['are', 'not'], "haven't" => ['have', 'not'], "hasn't" => ['has', 'not'],
        "don't" => ['do', 'not'], "doesn't" => ['does', 'not'], "they've" => ['they', 'have'], "they're" => ['they', 'are'],
        "we're" => ['we', 'are'], "it's" => ['it', 'is'],
    ];

    private const FREE = ['the', 'a', 'an', ','];

    /** @return list<string> the word itself first */
    public static function of(string $word): array
    {
        return [$word, ...self::OTHERS[$word] ?? []];
    }

    /** @return list<string> what a word stands for, itself or the two it draws together */
    public static function apart(string $word): array
    {
        return self::DRAWN_TOGETHER[$word] ?? [$word];
    }

    /** Whether it may be left out. */
    public static function isFree(string $word): bool
    {
        return in_array($word, self::FREE, true);
    }
}
