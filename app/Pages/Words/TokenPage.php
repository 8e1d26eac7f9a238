<?php

declare(strict_types=1);

namespace App\Pages\Words;

use Linnet\Core\Text\Template\Format;
use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Modifier;
use Linnet\Core\Text\Template\Node\ModifierName;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Node\Pick;

/** One thing that is filled into a text: what it is, how it is written, and what it comes to for the sample. */
final readonly class TokenPage
{
    /** What may be chosen of it, as a form sends it. */
    public const RULES = [
        'token' => 'required|string|max:600', 'path' => 'nullable|string|max:120', 'missing' => 'nullable|in:error,nothing,words',
        'fallback' => 'nullable|string|max:200', 'as' => 'nullable|string|max:60', 'letters' => 'nullable|in:,upper,lower,title',
        'limit' => 'nullable|integer|min:0|max:9999', 'choices' => 'nullable|string|max:2000', 'list' => 'nullable|string|max:60',
    ];

    private const LETTERS = ['upper' => ModifierName::Upper, 'lower' => ModifierName::Lower, 'title' => ModifierName::Title];

    public function __construct(public Node $node, public WordsFor $page)
    {
    }

    /**
     * With what somebody chose of it.
     *
     * @param  array<string, mixed>  $said  "path", "missing" (error, nothing, words), "fallback", "as", "letters",
     *   "limit", "choices" a line each, "list"
     */
    public static function chosen(Node $node, WordsFor $page, array $said): self
    {
        $text = fn (string $key): string => is_scalar($said[$key] ?? null) ? trim((string) $said[$key]) : '';
        $path = $text('path');
        $choices = array_values(array_filter(array_map(trim(...), explode("\n", $text('choices'))), fn (string $one): bool => $one !== ''));

        return new self(match (true) {
            $node instanceof Link && $path !== '' => new Link(0, $path),
            $node instanceof Code && $text('list') !== '' => new Code(0, $text('list')),
            $node instanceof Pick && $choices !== [] => new Pick(0, $choices),
            $node instanceof MergeField && $path !== '' => new MergeField(0, $path, self::modifiers($text)),
            default => $node,
        }, $page);
    }

    /** What it comes to for the sample; empty where there is nothing to say. */
    public function result(?Node $node = null): string
    {
        return $this->page->result($node ?? $this->node);
    }

    /** @return array<string, string> what each way of writing it comes to, by its name; those that do not fit it left out */
    public function formats(): array
    {
        if (! $this->node instanceof MergeField) {
            return [];
        }
        $formats = [];
        foreach (Format::cases() as $format) {
            $result = $this->result(new MergeField(0, $this->node->path, [new Modifier(0, ModifierName::As, $format->value)]));
            if ($result !== '' || $this->node->format() === $format->value) {
                $formats[$format->value] = $result;
            }
        }
        $own = $this->node->format();

        return $formats +
            ($own === null ? [] : [$own => $this->result(new MergeField(0, $this->node->path, [new Modifier(0, ModifierName::As, $own)]))]);
    }

    /** As the value stands, with no way of writing named. */
    public function plain(): string
    {
        return $this->node instanceof MergeField ? $this->result(new MergeField(0, $this->node->path, [])) : '';
    }

    public function letters(): string
    {
        $used = array_map(fn (Modifier $one): ModifierName => $one->name, $this->node instanceof MergeField ? $this->node->modifiers : []);

        return array_key_first(array_filter(self::LETTERS, fn (ModifierName $one): bool => in_array($one, $used, true))) ?? '';
    }

    public function limit(): ?int
    {
        foreach ($this->node instanceof MergeField ? $this->node->modifiers : [] as $one) {
            if ($one->name === ModifierName::Limit) {
                return (int) $one->argument;
            }
        }

        return null;
    }

    /**
     * @param  \Closure(string): string  $text
     * @return list<Modifier>
     */
    private static function modifiers(\Closure $text): array
    {
        $letters = self::LETTERS[$text('letters')] ?? null;
        $limit = min(9999, max(0, (int) $text('limit')));

        return array_values(
            array_filter([
                $text('as') === '' || Format::problem($text('as')) !== null ? null : new Modifier(0, ModifierName::As, $text('as')),
                $letters === null ? null : new Modifier(0, $letters),
                $limit === 0 ? null : new Modifier(0, ModifierName::Limit, $limit),
                match ($text('missing')) {
                    'words' => new Modifier(0, ModifierName::Or, $text('fallback')),
                    'nothing' => new Modifier(0, ModifierName::Or, ''),
                    default => null,
                },
            ]),
        );
    }
}
