<?php

declare(strict_types=1);

namespace Linnet\Core\Prose;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Prose\Grammar\Triggers;
use Linnet\Core\Reason;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Rule\Rule;

/** A rule's text as the document it stands for. One bad sentence leaves the others standing. */
final class RuleReader
{
    private const HEADERS = ['rule' => 'name', 'folder' => 'folder', 'known as' => 'key'];

    /** @var list<ProseError> */
    private array $errors = [];

    /** @var array<string, int> the line on which a place of the document is written */
    private array $lines = [];

    /** @param  string  $mint  what the ids of steps begin with */
    public function __construct(private readonly Language $language, private readonly string $mint = 's')
    {
    }

    /** @param  string  $name  of the rule, where the text gives none */
    public function read(string $text, string $name = 'A new rule'): ReadRule
    {
        $document = $this->document($text) + ['name' => $name];

        return $this->errors === [] ? $this->checked($document) : new ReadRule(null, self::inOrder($this->errors));
    }

    /**
     * The lines on which places of the document are written, as they were read last.
     *
     * @return array<string, int>
     */
    public function lines(): array
    {
        return $this->lines;
    }

    /** @return list<ProseError> what was not understood, as it was read last */
    public function errors(): array
    {
        return self::inOrder($this->errors);
    }

    /**
     * What the sentences say, not yet held to what a rule may say.
     *
     * @return array<array-key, mixed>
     */
    public function document(string $text): array
    {
        $this->errors = $this->lines = [];
        $nodes = Outline::of($text);
        $document = ['linnet_rule' => Rule::VERSION] + $this->headers($nodes);
        $first = array_shift($nodes);
        if ($first === null) {
            $this->errors = [new ProseError(1, 1, new Reason('prose.no_beginning'))];

            return $document;
        }
        $began = $this->beginning($first);
        $trigger = is_array($began['trigger'] ?? null) ? $began['trigger'] : [];
        $type = $began === null ? $this->likelyType($first->sentence) : Triggers::typeOf($trigger);
        $closing = [];
        $steps = $first->inside;
        foreach ($nodes as $node) {
            if ($this->isClosing($node, $type, $trigger)) {
                $this->closing($node, $type, $trigger, $closing);
            } else {
                // Steps that nobody indented are steps all the same.
                $steps[] = $node;
            }
        }
        $block = new StepsReader($this->language, $type, $this->mint);
        $read = $block->read($steps, '$.steps');
        array_push($this->errors, ...$block->errors());
        $this->lines += $block->lines();
        if ($read === [] && $this->errors === []) {
            $this->errors[] = new ProseError($first->line(), $first->column(), new Reason('prose.no_steps'));
        }

        return $document + ($began ?? []) + array_intersect_key($closing, ['goal' => 1, 'release' => 1, 'replies' => 1, 'days' => 1]) + [
            'again' => $closing['again'] ?? ['policy' => 'once_per_occasion'],
            'stop_early' => ['reply' => $closing['reply'] ?? true] + array_intersect_key($closing, ['while' => 1, 'we_write' => 1]),
            'steps' => $read,
        ];
    }

    /**
     * What stands before the first sentence.
     *
     * @param  list<OutlineNode>  $nodes  from which they are taken
     * @return array<string, string>
     */
    private function headers(array &$nodes): array
    {
        $headers = [];
        while (
            ($node = $nodes[0] ?? null) !== null &&
            preg_match('/^(rule|folder|known as)\s*:\s*(.+)$/isuD', $node->sentence, $part) === 1
        ) {
            array_shift($nodes);
            $key = self::HEADERS[mb_strtolower($part[1], 'UTF-8')] ?? '';
            $this->lines["\$.$key"] = $node->line();
            if (isset($headers[$key])) {
                $this->errors[] = new ProseError($node->line(), $node->column(), new Reason('prose.said_twice'));
            }
            $tokens = Token::all($part[2]);
            $headers[$key] = (count($tokens) === 1 ? $tokens[0]->quoted() : null) ?? trim($part[2]);
            // A line like these needs no last sign, so what stands deeper below it is not its own.
            array_unshift($nodes, ...$node->inside);
        }

        return $headers;
    }

    /** @return array<array-key, mixed>|null */
    private function beginning(OutlineNode $node): ?array
    {
        $this->lines['$.trigger'] = $this->lines['$.conditions'] = $node->line();
        $sentences = $node->sentences();
        $read = Sentences::read($this->language->beginning(), $sentences[0][0]);
        if ($read instanceof ProseError) {
            $this->errors[] = $node->located($read, $sentences[0][1]);

            return null;
        }
        foreach (array_slice($sentences, 1) as [, $from]) {
            $this->errors[] = $node->located(new ProseError(1, 1, new Reason('prose.one_sentence')), $from);
        }
        if ($node->words !== null) {
            $this->errors[] = new ProseError($node->wordsLine, 1, new Reason('prose.words_of_nothing'));
        }

        return $read;
    }

    /** What a first sentence that is not understood speaks of, so that the others can be read. */
    private function likelyType(string $sentence): string
    {
        $tokens = array_column(Token::all($sentence), 'folded');
        foreach ($this->language->words->records() as $type) {
            if (array_diff(array_column(Token::all($type->noun), 'folded'), $tokens) === []) {
                return $type->key;
            }
        }

        return RecordType::PERSON;
    }

    /** @param  array<array-key, mixed>  $trigger */
    private function isClosing(OutlineNode $node, string $type, array $trigger): bool
    {
        return ! Sentences::read($this->language->closing($type, self::on($trigger)), $node->sentences()[0][0]) instanceof ProseError
            || preg_match('/^\s*(it|its texts|each of its texts)\b/iu', $node->sentence) === 1;
    }

    /**
     * @param  array<array-key, mixed>  $trigger
     * @param  array<array-key, mixed>  $closing
     */
    private function closing(OutlineNode $node, string $type, array $trigger, array &$closing): void
    {
        foreach ($node->sentences() as [$sentence, $from]) {
            $read = Sentences::read($this->language->closing($type, self::on($trigger)), $sentence);
            if ($read instanceof ProseError) {
                $this->errors[] = $node->located($read, $from);

                continue;
            }
            foreach ($read as $key => $value) {
                $this->lines[in_array($key, ['reply', 'while', 'we_write'], true) ? "\$.stop_early.$key" : "\$.$key"] = $node->line();
                if (array_key_exists($key, $closing)) {
                    $this->errors[] = $node->located(new ProseError(1, 1, new Reason('prose.said_twice')), $from);
                }
                $closing[$key] = $value;
            }
        }
        if ($node->words !== null || $node->inside !== []) {
            $this->errors[] = new ProseError($node->line(), $node->column(), new Reason('prose.holds_nothing'));
        }
    }

    /** @param  array<array-key, mixed>  $trigger */
    private static function on(array $trigger): string
    {
        return is_string($trigger['on'] ?? null) ? $trigger['on'] : '';
    }

    /**
     * What the sentences say is held to what a rule may say.
     *
     * @param  array<array-key, mixed>  $document
     */
    public function checked(array $document): ReadRule
    {
        try {
            return new ReadRule(Rule::read(Doc::of($document)), []);
        } catch (Unreadable $e) {
            $errors = array_map(
                fn ($problem): ProseError => new ProseError(
                    $this->lineOf($problem->path) ?? ($this->lines['$.trigger'] ?? 1),
                    1,
                    $problem->reason,
                ),
                $e->problems,
            );

            return new ReadRule(null, self::inOrder($errors));
        }
    }

    private function lineOf(string $path): ?int
    {
        $found = null;
        $longest = 0;
        foreach ($this->lines as $place => $line) {
            if (str_starts_with($path, $place) && strlen($place) > $longest) {
                [$found, $longest] = [$line, strlen($place)];
            }
        }

        return $found;
    }

    /**
     * @param  list<ProseError>  $errors
     * @return list<ProseError>
     */
    private static function inOrder(array $errors): array
    {
        usort($errors, fn (ProseError $a, ProseError $b): int => [$a->line, $a->column] <=> [$b->line, $b->column]);

        return $errors;
    }
}
