<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Words;

/** What is listened for on a line from one person, in the order in which it counts. */
final readonly class Listening
{
    /**
     * @param  array<array-key, list<Keywords>>  $questions  the answers of each open question, the newest question first
     * @param  array<array-key, array{Keywords, bool}>  $rules  keyword rules by id, and whether they keep still while a question is open
     */
    public function __construct(private ReservedWords $reserved, private array $questions = [], private array $rules = [])
    {
    }

    /** Opt-out words, then the answers of an open question, then keyword rules, then a human. */
    public function to(string $text): Heard
    {
        $reserved = $this->reserved->meaning($text);
        // CANCEL may be asked for as an answer, and is one only while that question is open.
        $mayAnswer = $reserved === Meaning::Talk || Folded::of($text) === 'cancel';
        foreach ($mayAnswer ? $this->questions : [] as $question => $answers) {
            foreach ($answers as $i => $answer) {
                if ($answer->remark($text) !== null) {
                    return new Heard(Meaning::Answer, question: (string) $question, answer: $i, remark: (string) $answer->remark($text));
                }
            }
        }
        if ($reserved !== Meaning::Talk) {
            return new Heard($reserved);
        }
        if (OptOutSentence::reads($text)) {
            return new Heard(Meaning::LikelyOptOut);
        }
        foreach ($this->rules as $rule => [$keywords, $keepsStill]) {
            $remark = $keepsStill && $this->questions !== [] ? null : $keywords->remark($text);
            if ($remark !== null) {
                return new Heard(Meaning::Keyword, rule: (string) $rule, remark: $remark);
            }
        }

        // Unclear to the newest open question, if there is one.
        return new Heard(Meaning::Talk, question: $this->questions === [] ? null : (string) array_key_first($this->questions));
    }
}
