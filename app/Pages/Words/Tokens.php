<?php

declare(strict_types=1);

namespace App\Pages\Words;

use Linnet\Core\Prose\Vocabulary\Vocabulary;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Modifier;
use Linnet\Core\Text\Template\Node\ModifierName;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Node\Pick;
use Linnet\Core\Text\Template\Node\Words;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Text\Template\TemplateError;

/** What is filled into a text, as one reads it: "start · weekday time · or “soon”". */
final readonly class Tokens
{
    /** A tag as the parser finds its end: words in quotes may hold brackets. */
    private const TAG = '/\{\{(?:["“”](?:[^"“”\\\\]|\\\\.)*["“”]|[^"“”}]|\}(?!\}))*\}\}/us';

    /** Long enough to be told apart. */
    private const LONGEST = 60;

    /** @param  string  $type  what the rule is about: its own fields need no type before them */
    public function __construct(private Vocabulary $vocabulary, private string $type)
    {
    }

    /** @return array<string, string> what each tag of a text says, by the tag as it is written; without those that cannot be read */
    public function in(string $words): array
    {
        preg_match_all(self::TAG, $words, $tags);
        $said = [];
        foreach (array_unique($tags[0]) as $tag) {
            $node = self::node($tag);
            if ($node !== null) {
                $said[$tag] = $this->says($node);
            }
        }

        return $said;
    }

    public function says(Node $node): string
    {
        $says = match (true) {
            $node instanceof Words => $node->words,
            $node instanceof MergeField => implode(' · ', [$this->field($node->path), ...array_map(self::modifier(...), $node->modifiers)]),
            $node instanceof Link => "short link to {$this->field($node->path)}",
            $node instanceof Code => "a code of “{$node->list}”",
            $node instanceof Pick => 'one of '.implode(' / ', $node->choices),
        };

        return mb_strimwidth($says, 0, self::LONGEST, '…', 'UTF-8');
    }

    /** What a field is called in a text about the rule's own things. */
    public function field(string $path): string
    {
        // A member of staff has parts of their own.
        [$type, $key, $part] = [...explode('.', str_contains($path, '.') ? $path : "$this->type.$path", 3), '', ''];
        $field = $this->vocabulary->field($path) ?? ($part === '' ? null : $this->vocabulary->field("$type.$key"));

        return match (true) {
            $field === null => str_replace(['_', '.'], ' ', $path),
            default => trim($this->whose($path, $type, $field->noun)."$field->noun ".str_replace('_', ' ', $part)),
        };
    }

    /** A person's own is theirs where what the rule is about has one of the same name. */
    private function whose(string $path, string $type, string $noun): string
    {
        $isPersons = ! str_contains($path, '.');

        return match (true) {
            $isPersons && $this->type !== RecordType::PERSON => in_array(
                $noun,
                array_column($this->vocabulary->type($this->type)->fields, 'noun'),
                true,
            )
                ? 'their '
                : '',
            $isPersons || $type === $this->type => '',
            default => $this->vocabulary->type($type)->noun.' ',
        };
    }

    /** The one tag that some words are; null where they are anything else. */
    public static function node(string $tag): ?Node
    {
        try {
            $nodes = Template::parse($tag)->nodes;
        } catch (TemplateError) {
            return null;
        }

        return count($nodes) === 1 && str_starts_with($tag, '{{') ? $nodes[0] : null;
    }

    private static function modifier(Modifier $modifier): string
    {
        return match ($modifier->name) {
            ModifierName::Or => $modifier->argument === '' ? 'or nothing' : "or “{$modifier->argument}”",
            ModifierName::As => (string) $modifier->argument,
            ModifierName::Limit => "at most $modifier->argument",
            ModifierName::Upper => 'CAPITALS', ModifierName::Lower => 'small letters', ModifierName::Title => 'Each Word',
        };
    }
}
