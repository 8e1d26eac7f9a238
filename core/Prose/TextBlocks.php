<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Reason;

/** What stands in the block of a text: its wordings, and of a question the answers. */
final class TextBlocks
{
    /** @var list<array<array-key, mixed>> */
    public array $wordings = [];

    /** @var array<array-key, mixed>|null */
    public ?array $closing = null;

    /** @var list<array<array-key, mixed>> */
    public array $answers = [];

    public ?string $unclear = null;

    public mixed $within = null;

    /** @var list<array<array-key, mixed>> */
    public array $noAnswer = [];

    /** @var list<ProseError> */
    public array $errors = [];

    /** @var array<string, int> */
    public array $lines = [];

    /** @param  \Closure(list<OutlineNode>, string): list<array<array-key, mixed>>  $steps  reads a block of steps at a place */
    public function __construct(private readonly Language $language, private readonly string $type, private readonly \Closure $steps)
    {
    }

    /** Whether a sentence looks like one of these. */
    public static function isBlock(OutlineNode $node): bool
    {
        return preg_match('/^\s*(wording|and at the end|if they (answer|say something|have not answered))\b/iu', $node->sentence) === 1;
    }

    /** @param  list<OutlineNode>  $nodes */
    public function read(array $nodes, bool $asks, string $id, string $path): void
    {
        foreach ($nodes as $node) {
            [$sentence, $from] = $node->sentences()[0];
            $isWording = preg_match('/^\s*(wording|and at the end)\b/iu', $sentence) === 1;
            if (! $asks && ! $isWording) {
                $this->errors[] = $node->located(new ProseError(1, 1, new Reason('prose.holds_nothing')), 0);

                continue;
            }
            $read = Sentences::read($this->language->inside($this->type, $isWording ? 'wording' : 'answer'), $sentence);
            if ($read instanceof ProseError) {
                $this->errors[] = $node->located($read, $from);
                ($this->steps)($node->inside, '$.lost');

                continue;
            }
            $this->collect($read, $node, $id, $path);
        }
    }

    /** @param  array<array-key, mixed>  $read */
    private function collect(array $read, OutlineNode $node, string $id, string $path): void
    {
        $block = is_string($read['block'] ?? null) ? $read['block'] : '';
        $options = array_diff_key($read, ['block' => 1, 'number' => 1]);
        $holdsWords = in_array($block, ['wording', 'closing', 'unclear'], true);
        $words = $node->words === null ? '' : implode("\n", $node->words);
        $this->refuse($holdsWords && $node->words === null, $node, 'no_words');
        $this->refuse(! $holdsWords && $node->words !== null, $node, 'words_of_nothing');
        $this->refuse($holdsWords && $node->inside !== [], $node, 'holds_nothing');
        $twice =
            ($block === 'closing' && $this->closing !== null) ||
            ($block === 'unclear' && $this->unclear !== null) ||
            ($block === 'no_answer' && $this->within !== null);
        $this->refuse($twice, $node, 'said_twice');
        if ($block === 'wording') {
            $this->lines["{$path}.wordings[".count($this->wordings).']'] = $node->line();
            $this->wordings[] = ['id' => $id.'-'.(count($this->wordings) + 1), 'text' => $words] + $options;
        } elseif ($block === 'closing') {
            $this->lines["$path.closing"] = $node->line();
            $this->closing = ['id' => "$id-end", 'text' => $words] + $options;
        } elseif ($block === 'unclear') {
            $this->lines["$path.unclear"] = $node->line();
            $this->unclear = $words;
        } elseif ($block === 'answer') {
            $place = "{$path}.answers[".count($this->answers).']';
            $this->lines[$place] = $node->line();
            $steps = ($this->steps)($node->inside, "$place.steps");
            $this->answers[] = $options + ($steps === [] ? [] : ['steps' => $steps]);
        } else {
            $this->within = $read['within'] ?? null;
            $this->lines["$path.no_answer"] = $this->lines["$path.within"] = $node->line();
            $this->noAnswer = ($this->steps)($node->inside, "$path.no_answer");
        }
    }

    private function refuse(bool $wrong, OutlineNode $node, string $code): void
    {
        if ($wrong) {
            $this->errors[] = $node->located(new ProseError(1, 1, new Reason("prose.$code")), 0);
        }
    }
}
