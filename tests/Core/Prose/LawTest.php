<?php

declare(strict_types=1);

namespace Tests\Core\Prose;

use Linnet\Core\Prose\Language;
use Linnet\Core\Prose\ProseError;
use Linnet\Core\Prose\ReadRule;
use Linnet\Core\Prose\RuleReader;
use Linnet\Core\Prose\RuleWriter;
use Linnet\Core\Rule\Rule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\RandomRules;
use Tests\Support\Vocabularies;

/** What is written can be read, and says the same. */
final class LawTest extends TestCase
{
    private const RULES = 90;

    /** @return iterable<string, array{Language}> */
    public static function languages(): iterable
    {
        yield 'of the boathouse' => [Vocabularies::language()];
        yield 'where everything is called what something else is' => [new Language(Vocabularies::awkward())];
    }

    #[DataProvider('languages')]
    public function testEveryRuleIsReadAsItWasWritten(Language $language): void
    {
        for ($seed = 0; $seed < self::RULES; $seed++) {
            $this->holds($language, RandomRules::of($seed), "the rule of seed $seed");
        }
    }

    public function testTheSameForEveryRuleOfTheBoathouseAndForTheCases(): void
    {
        $files = [...(glob(dirname(__DIR__, 3).'/demo/rules/*.json') ?: []), ...(glob(dirname(__DIR__, 2).'/cases/*/rule.json') ?: [])];
        self::assertGreaterThan(40, count($files));
        foreach ($files as $file) {
            $this->holds(Vocabularies::language(), Rule::fromJson((string) file_get_contents($file)), $file);
        }
    }

    public function testAStepGoesBackToTheOneItWentBackTo(): void
    {
        $rule = Rule::fromJson((string) file_get_contents(dirname(__DIR__, 3).'/demo/rules/service-due.json'));
        $read = $this->read(Vocabularies::language(), (new RuleWriter(Vocabularies::language()))->text($rule))->rule;
        self::assertNotNull($read);
        $places = array_flip(array_keys($rule->flow->steps));
        $again = array_values(array_filter($rule->flow->steps, fn ($step): bool => $step instanceof \Linnet\Core\Rule\Step\Repeat))[0];
        $readAgain = array_values(array_filter($read->flow->steps, fn ($step): bool => $step instanceof \Linnet\Core\Rule\Step\Repeat))[0];
        self::assertSame($places[$again->to], array_flip(array_keys($read->flow->steps))[$readAgain->to]);
    }

    /** A sentence with a word too many, too few or another is an error at a place, and never an exception. */
    public function testBrokenSentencesSayWhereTheyAreBroken(): void
    {
        $language = Vocabularies::language();
        mt_srand(5);
        $texts = array_map(
            fn (string $file): string => (new RuleWriter($language))->text(Rule::fromJson((string) file_get_contents($file))),
            glob(dirname(__DIR__, 3).'/demo/rules/*.json') ?: [],
        );
        for ($i = 0, $broken = 0; $broken < 400 && $i < 20_000; $i++) {
            $lines = explode("\n", $texts[$i % count($texts)]);
            $sentences = array_keys(
                array_filter(
                    $lines,
                    fn (string $line): bool => trim($line) !== '' &&
                        ! str_starts_with(ltrim($line), '|') &&
                        preg_match('/^(Rule|Folder|Known as):/', $line) !== 1,
                ),
            );
            $at = $sentences[mt_rand(0, count($sentences) - 1)];
            $lines[$at] = self::broken($lines[$at]);
            $text = implode("\n", $lines);
            $read = $this->read($language, $text);
            if ($read->rule !== null) {
                continue;
            }
            $broken++;
            foreach ($read->errors as $error) {
                self::assertGreaterThanOrEqual(1, $error->line);
                self::assertLessThanOrEqual(count($lines), $error->line, $text);
                self::assertLessThanOrEqual(
                    mb_strlen($lines[$error->line - 1], 'UTF-8') + 2,
                    $error->column,
                    json_encode($error)."\n$text",
                );
            }
            self::assertNotSame([], $read->errors, $text);
        }
        self::assertSame(400, $broken);
    }

    public function testOneBadSentenceLeavesTheOthersStanding(): void
    {
        $read = $this->read(
            Vocabularies::language(),
            "When a booking comes in:\n  text the gest from the front desk, as a service text:\n    | Hello\n  wayt 2 minutes.\n  end: done.\n",
        );
        self::assertSame(
            [[2, 12, 'prose.expected'], [4, 3, 'prose.begins']],
            array_map(fn (ProseError $error): array => [$error->line, $error->column, $error->reason->code], $read->errors),
        );
        self::assertSame('wait', $read->errors[1]->reason->with['nearest']);
    }

    private static function broken(string $line): string
    {
        $words = explode(' ', $line);
        $at = mt_rand(0, count($words) - 1);

        return implode(' ', match (mt_rand(0, 3)) {
            0 => array_values(array_diff_key($words, [$at => 1])),
            1 => [...array_slice($words, 0, $at), ['wrong', '"', '(', 'if', '17', 'the', '“'][mt_rand(0, 6)], ...array_slice($words, $at)],
            2 => [...array_slice($words, 0, $at), strrev($words[$at]), ...array_slice($words, $at + 1)],
            default => [...array_slice($words, 0, $at), 'x'.$words[$at], ...array_slice($words, $at + 1)],
        });
    }

    private function holds(Language $language, Rule $rule, string $which): void
    {
        $writer = new RuleWriter($language);
        $text = $writer->text($rule);
        $read = $this->read($language, $text);
        self::assertSame(
            [],
            array_map(fn (ProseError $error): string => "$error->line:$error->column {$error->reason->code}", $read->errors),
            "$which\n$text",
        );
        self::assertNotNull($read->rule);
        self::assertEquals(self::withoutIds($rule->toDocument()), self::withoutIds($read->rule->toDocument()), "$which\n$text");
        self::assertSame($text, $writer->text($read->rule), "$which settles");
    }

    private function read(Language $language, string $text): ReadRule
    {
        return (new RuleReader($language))->read($text);
    }

    /**
     * @param  array<array-key, mixed>  $document
     * @return array<array-key, mixed>
     */
    private static function withoutIds(array $document): array
    {
        $without = [];
        foreach ($document as $key => $value) {
            if ($key !== 'id' && ! ($key === 'to' && is_string($value))) {
                $without[$key] = is_array($value) ? self::withoutIds($value) : $value;
            }
        }

        return $without;
    }
}
