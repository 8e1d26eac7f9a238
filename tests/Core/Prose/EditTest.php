<?php

declare(strict_types=1);

namespace Tests\Core\Prose;

use Linnet\Core\Prose\Edit\Edits;
use Linnet\Core\Prose\Edit\Merge;
use Linnet\Core\Prose\Edit\Rereading;
use Linnet\Core\Prose\Edit\RuleText;
use Linnet\Core\Prose\Edit\TextLine;
use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\LineKind;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\TestCase;
use Tests\Support\RandomRules;
use Tests\Support\Vocabularies;

/** What is changed in a rule's text, line by line. */
final class EditTest extends TestCase
{
    private Language $language;

    protected function setUp(): void
    {
        $this->language = Vocabularies::language();
    }

    public function testASentenceThatIsRewordedKeepsItsIdAndWhatItHolds(): void
    {
        $rule = $this->rule('lesson-reminder');
        $text = RuleText::of($this->language, $rule);
        $read = $this->read(
            $rule,
            $text,
            Edits::rewrite($text, $this->line($text, 'ask the guest'), ['Ask the guest from the workshop, as a service text']),
        );
        self::assertSame(['line' => 'fixed', 'key' => 'workshop'], $read->toDocument()['steps'][0]['from']);
        self::assertSame(array_keys($rule->flow->steps), array_keys($read->flow->steps));
        self::assertSame('coming-1', $read->toDocument()['steps'][0]['wordings'][0]['id']);
    }

    public function testANewSentenceGetsAnIdOfItsOwnAndTheOthersKeepTheirs(): void
    {
        $rule = $this->rule('offer-unanswered');
        $text = RuleText::of($this->language, $rule);
        $read = $this->read(
            $rule,
            $text,
            Edits::insert($text, 1, 1, ['text the customer from the workshop, as a service text:', '  | First.']),
        );
        self::assertSame(['s1', 'nudge', 'again', 'lost'], array_keys($read->flow->steps));
        // It goes back to the text it went back to, though that is the second now.
        self::assertSame('nudge', $read->toDocument()['steps'][2]['to']);
    }

    public function testASentenceMovesWithAllThatItHolds(): void
    {
        $rule = $this->rule('did-not-come');
        $text = RuleText::of($this->language, $rule);
        $read = $this->read($rule, $text, Edits::move($text, $this->line($text, 'if they have replied'), true));
        self::assertSame(['wait', 'text', 'branch', 'wait'], array_column($read->toDocument()['steps'], 'do'));
        self::assertEqualsCanonicalizing(array_keys($rule->flow->steps), array_keys($read->flow->steps));
        $text = RuleText::of($this->language, $read);
        $out = $this->read($read, $text, Edits::lift($text, $this->line($text, 'give the booking')));
        self::assertSame(['wait', 'text', 'branch', 'task', 'wait'], array_column($out->toDocument()['steps'], 'do'));
        $text = RuleText::of($this->language, $out);
        $in = $this->read($out, $text, Edits::nest($text, $this->line($text, 'give the booking')));
        self::assertSame(['end', 'task'], array_column($in->toDocument()['steps'][2]['otherwise'], 'do'));
    }

    /**
     * Whatever is done to whichever sentence of a rule: it is read or said where it cannot be, no id comes twice, and none is lost that
     * stayed.
     */
    public function testALineIsFoundAgainWhereItStandsNowOrWhereSomethingStandsInItsPlace(): void
    {
        $lines = fn (string $text): array => array_map(fn (string $line): TextLine => new TextLine($line), str_split($text));
        foreach (
            [
                ['abcd', 'abcd', [0, 1, 2, 3, 4]], ['abcd', 'xabcd', [1, 2, 3, 4, 5]], ['abcd', 'abxd', [0, 1, 2, 3, 4]],
                ['abcd', 'abd', [0, 1, null, 2, 3]], ['abcd', 'xbyzcd', [0, 1, 4, 5, 6]], ['abcd', 'dxx', [null, null, null, 0, 3]],
                ['abcd', 'wxyz', [0, 1, 2, 3, 4]],
            ] as [$was, $is, $places]
        ) {
            self::assertSame(
                $places,
                array_map(fn (int $line): ?int => Merge::place($lines($was), $lines($is), $line), [0, 1, 2, 3, 4]),
                "$was is $is",
            );
        }
        self::assertSame(1, Merge::place($lines('abc'), $lines('c'), 5000));
    }

    public function testAnyEditOfAnyRuleKeepsItsIds(): void
    {
        $done = 0;
        for ($seed = 0; $seed < 60; $seed++) {
            $rule = RandomRules::of($seed);
            $text = RuleText::of($this->language, $rule);
            mt_srand($seed);
            $lines = array_keys(array_filter($text->sentences, fn ($line): bool => $line->kind === LineKind::Steps));
            $line = $lines[mt_rand(0, count($lines) - 1)];
            $edits = [
                'up' => Edits::move($text, $line, true), 'down' => Edits::move($text, $line, false), 'lift' => Edits::lift($text, $line),
                'nest' => Edits::nest($text, $line), 'copy' => Edits::copy($text, $line),
                'same' => Edits::rewrite($text, $line, [$text->lines[$line]->text]),
                'more' => Edits::insert($text, $line, $text->lines[$line]->depth(), ['end: so.']),
            ];
            foreach ($edits as $which => $changed) {
                $read = Rereading::of($this->language, $rule, $text, $changed);
                if ($read->rule === null) {
                    // A step that goes back may come to stand before its aim.
                    self::assertContains(
                        $read->errors[0]->reason->code,
                        ['document.not_before', 'document.count_expected'],
                        "$seed $which ".json_encode($read->errors),
                    );

                    continue;
                }
                $done++;
                $ids = array_map(strval(...), array_keys($read->rule->flow->steps));
                $were = array_map(strval(...), array_keys($rule->flow->steps));
                self::assertSame([], array_diff($were, $ids), "$seed $which lost an id");
                self::assertSame(in_array($which, ['copy', 'more'], true) ? true : false, count($ids) > count($were), "$seed $which");
                if ($which === 'same') {
                    self::assertEquals($rule->toDocument(), $read->rule->toDocument(), "$seed");
                }
            }
        }
        self::assertGreaterThan(350, $done);
    }

    /** @param  list<TextLine>  $lines */
    private function read(Rule $rule, RuleText $text, array $lines): Rule
    {
        $read = Rereading::of($this->language, $rule, $text, $lines);

        return $read->rule ?? self::fail(json_encode($read->errors).RuleText::join($lines));
    }

    private function line(RuleText $text, string $begins): int
    {
        foreach ($text->sentences as $i => $line) {
            if (str_starts_with($line->sentence(), $begins)) {
                return $i;
            }
        }

        self::fail("No sentence begins “{$begins}” in\n".$text->text());
    }

    private function rule(string $key): Rule
    {
        return Rule::fromJson((string) file_get_contents(dirname(__DIR__, 3)."/demo/rules/$key.json"));
    }
}
