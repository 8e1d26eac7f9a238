<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Prose\Grammar\Steps;
use Linnet\Core\Prose\Grammar\Texts;
use Linnet\Core\Reason;

/** The steps of a rule's text, the blocks inside them included. Ids are given in the order in which steps stand. */
final class StepsReader
{
    /** @var list<ProseError> */
    private array $errors = [];

    /** @var array<string, int> */
    private array $lines = [];

    private int $many = 0;

    /** @var list<string> the ids of the texts */
    private array $texts = [];

    /** @param  string  $mint  what the ids of steps begin with */
    public function __construct(private readonly Language $language, private readonly string $type, private readonly string $mint = 's')
    {
    }

    /** @return list<ProseError> */
    public function errors(): array
    {
        return $this->errors;
    }

    /** @return array<string, int> by place of the document */
    public function lines(): array
    {
        return $this->lines;
    }

    /**
     * @param  list<OutlineNode>  $nodes
     * @return list<array<array-key, mixed>>
     */
    public function read(array $nodes, string $path): array
    {
        $steps = $this->block($nodes, $path);

        return $this->errors === [] ? $this->withTargets($steps) : $steps;
    }

    /**
     * @param  list<OutlineNode>  $nodes
     * @return list<array<array-key, mixed>>
     */
    private function block(array $nodes, string $path): array
    {
        $steps = [];
        foreach ($nodes as $node) {
            if (self::isGoOn($node)) {
                continue;
            }
            if (preg_match('/^\s*(or if|otherwise|else)\b/iu', $node->sentence) === 1) {
                $this->another($node, $steps, $path);

                continue;
            }
            array_push($steps, ...$this->node($node, $path, count($steps)));
        }

        return $steps;
    }

    /**
     * What stands inside a sentence that was not understood is looked at all the same.
     *
     * @param  list<OutlineNode>  $nodes
     */
    private function lost(array $nodes): void
    {
        foreach ($nodes as $node) {
            if (! TextBlocks::isBlock($node)) {
                $this->block([$node], '$.lost');

                continue;
            }
            $blocks = new TextBlocks($this->language, $this->type, $this->block(...));
            $blocks->read([$node], true, 'lost', '$.lost');
            array_push($this->errors, ...$blocks->errors);
        }
    }

    /** Nothing is done in a block, and the rule goes on. */
    private static function isGoOn(OutlineNode $node): bool
    {
        return preg_match('/^\s*go on[.\s]*$/iuD', $node->sentence) === 1 && $node->words === null && $node->inside === [];
    }

    /** @return list<array<array-key, mixed>> */
    private function node(OutlineNode $node, string $path, int $at): array
    {
        $steps = [];
        $sentences = $node->sentences();
        foreach ($sentences as $i => [$sentence, $from]) {
            $read = Sentences::read($this->language->steps($this->type), $sentence);
            if ($read instanceof ProseError) {
                $this->errors[] = $node->located($read, $from);
                // What stands inside is looked at all the same.
                $this->lost($i === count($sentences) - 1 ? $node->inside : []);

                continue;
            }
            $said = array_values(array_filter(is_array($read['steps'] ?? null) ? $read['steps'] : [], is_array(...)));
            foreach ($said as $k => $step) {
                $place = $path.'['.($at + count($steps)).']';
                $this->lines[$place] = $node->line();
                $isLast = $i === count($sentences) - 1 && $k === count($said) - 1;
                $steps[] = $this->step($step, $node, $isLast, $place, $from);
            }
        }

        return $steps;
    }

    /**
     * @param  array<array-key, mixed>  $said
     * @return array<array-key, mixed>
     */
    private function step(array $said, OutlineNode $node, bool $isLast, string $path, int $from): array
    {
        $id = $this->mint.(++$this->many);
        $do = is_string($said['do'] ?? null) ? $said['do'] : '';
        $step = ['id' => $id] + array_diff_key($said, [Texts::WORDINGS => 1, Steps::BODY => 1]);
        $words = $isLast && $node->words !== null ? implode("\n", $node->words) : null;
        $inside = $isLast ? $node->inside : [];
        if ($do === 'text' || $do === 'ask') {
            $this->texts[] = $id;

            return $this->texting($step, isset($said[Texts::WORDINGS]), $words, $inside, $node, $path);
        }
        if ($do === 'branch') {
            $step = [
                'id' => $id,
                'do' => 'branch',
                'cases' => [['if' => $said['if'] ?? [], 'steps' => $this->block($inside, "$path.cases[0].steps")]],
            ];
            $this->refuse($words !== null, $node, 'words_of_nothing');
            $this->refuse(! $isLast, $node, 'holds_steps', $from);

            return $step;
        }
        $wants = isset($said[Steps::BODY]) || $do === 'call_out';
        $this->refuse($wants && $words === null, $node, 'no_words');
        $this->refuse(! $wants && $words !== null, $node, 'words_of_nothing');
        $this->refuse($inside !== [], $node, 'holds_nothing');

        return match (true) {
            ! $wants || $words === null => $step,
            $do === 'call_out' => $step + ['body' => $this->json($words, $node)],
            default => $step + ['words' => $words],
        };
    }

    /**
     * @param  array<array-key, mixed>  $step
     * @param  list<OutlineNode>  $inside
     * @return array<array-key, mixed>
     */
    private function texting(array $step, bool $several, ?string $words, array $inside, OutlineNode $node, string $path): array
    {
        $id = is_string($step['id']) ? $step['id'] : '';
        $blocks = new TextBlocks($this->language, $this->type, $this->block(...));
        $blocks->read($inside, $step['do'] === 'ask', $id, $path);
        array_push($this->errors, ...$blocks->errors);
        $this->lines += $blocks->lines;
        $pool = isset($step['pool']);
        $wants = ! $pool && ! $several && $blocks->wordings === [];
        $this->refuse($wants && $words === null, $node, 'no_words');
        $this->refuse(! $wants && $words !== null, $node, 'words_twice');
        $this->refuse($pool && $blocks->wordings !== [], $node, 'words_twice');
        $this->refuse($several && $blocks->wordings === [] && $words === null, $node, 'no_words');
        $this->lines["$path.wordings"] = $node->wordsLine;
        $step += $pool ? [] : ['wordings' => $blocks->wordings === [] ? [['id' => "$id-1", 'text' => $words ?? '']] : $blocks->wordings];
        $step += $blocks->closing === null ? [] : ['closing' => $blocks->closing];
        if ($step['do'] === 'ask') {
            $this->refuse($blocks->answers === [], $node, 'no_answers');
            $this->refuse($blocks->within === null, $node, 'no_limit');
            $step +=
                ['answers' => $blocks->answers, 'within' => $blocks->within ?? []] +
                ($blocks->noAnswer === [] ? [] : ['no_answer' => $blocks->noAnswer]) +
                ($blocks->unclear === null ? [] : ['unclear' => $blocks->unclear]);
        }

        return $step;
    }

    /**
     * A further case of the branch before it.
     *
     * @param  list<array<array-key, mixed>>  $steps
     */
    private function another(OutlineNode $node, array &$steps, string $path): void
    {
        $last = count($steps) - 1;
        [$sentence, $from] = $node->sentences()[0];
        $read = Sentences::read($this->language->inside($this->type, 'case'), $sentence);
        if ($read instanceof ProseError) {
            $this->errors[] = $node->located($read, $from);
        }
        $this->refuse($node->words !== null, $node, 'words_of_nothing');
        $branch = $last >= 0 && ($steps[$last]['do'] ?? '') === 'branch' ? $steps[$last] : null;
        $this->refuse($branch === null || isset($branch['otherwise']), $node, 'no_if_before');
        if ($branch === null || $read instanceof ProseError || ! is_array($branch['cases'] ?? null)) {
            $this->lost($node->inside);

            return;
        }
        if ($read['block'] === 'otherwise') {
            $this->lines["{$path}[$last].otherwise"] = $node->line();
            $inside = $this->block($node->inside, "{$path}[$last].otherwise");
            $branch += $inside === [] ? [] : ['otherwise' => $inside];
        } else {
            $place = "{$path}[$last].cases[".count($branch['cases']).']';
            $this->lines[$place] = $node->line();
            $branch['cases'][] = ['if' => $read['if'] ?? [], 'steps' => $this->block($node->inside, "$place.steps")];
        }
        $steps[$last] = $branch;
    }

    /** @return array<array-key, mixed> */
    private function json(string $words, OutlineNode $node): array
    {
        try {
            $body = json_decode($words, true, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $e) {
            $body = $e->getMessage();
        }
        $this->refuse(! is_array($body), $node, 'no_json');

        return is_array($body) ? $body : [];
    }

    private function refuse(bool $wrong, OutlineNode $node, string $code, int $from = 0): void
    {
        if ($wrong) {
            $this->errors[] = $node->located(new ProseError(1, 1, new Reason("prose.$code")), $from);
        }
    }

    /**
     * What others go back to, by its id.
     *
     * @param  list<array<array-key, mixed>>  $steps
     * @return list<array<array-key, mixed>>
     */
    private function withTargets(array $steps): array
    {
        array_walk_recursive($steps, function (mixed &$value, int|string $key): void {
            if ($key === Steps::TARGET && is_string($value)) {
                [$kind, $which] = explode(' ', $value, 2);
                $value = match ($kind) {
                    'id' => $which, 'step' => "$this->mint$which", default => $this->texts[self::number($which)] ?? "text-$which",
                };
            }
        });

        return array_values(array_filter(self::renamed($steps), is_array(...)));
    }

    /**
     * @param  array<array-key, mixed>  $tree
     * @return array<array-key, mixed>
     */
    private static function renamed(array $tree): array
    {
        $renamed = [];
        foreach ($tree as $key => $value) {
            $renamed[$key === Steps::TARGET ? 'to' : $key] = is_array($value) ? self::renamed($value) : $value;
        }

        return $renamed;
    }

    /** a is 0, aa is 26. */
    private static function number(string $letter): int
    {
        return strlen($letter) === 1 ? ord($letter) - ord('a') : (ord($letter[0]) - ord('a') + 1) * 26 + ord($letter[1]) - ord('a');
    }
}
