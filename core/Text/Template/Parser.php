<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

use Linnet\Core\Document\Nearest;
use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Modifier;
use Linnet\Core\Text\Template\Node\ModifierName;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Node\Pick;
use Linnet\Core\Text\Template\Node\Words;

/**
 * Reads the merge language.
 *
 *     text   = { words | "{{" ( path | string | "pick:" string { "/" string } ) { "|" modifier } "}}" | "{{" ( "link:" path | "code:"
 * string ) "}}" }
 *     path   = name { "." name }
 *     string = '"' … '"', a backslash before a quote or a backslash
 */
final class Parser
{
    private const PATH = '/\G[\p{L}_][\p{L}\p{N}_]*(?:\.[\p{L}_][\p{L}\p{N}_]*)*/u';

    private int $offset = 0;

    public function __construct(private readonly string $source)
    {
    }

    /**
     * @return list<Node>
     *
     * @throws TemplateError
     */
    public function nodes(): array
    {
        if (! mb_check_encoding($this->source, 'UTF-8')) {
            throw TemplateError::at(0, 'not_utf8');
        }

        $nodes = [];
        while (($open = strpos($this->source, '{{', $this->offset)) !== false) {
            if ($open > $this->offset) {
                $nodes[] = new Words(substr($this->source, $this->offset, $open - $this->offset));
            }
            if (strpos($this->source, '}}', $open) === false) {
                throw $this->error($open, 'unclosed');
            }
            $this->offset = $open + 2;
            $nodes[] = $this->tag($open);
        }
        if ($this->offset < strlen($this->source)) {
            $nodes[] = new Words(substr($this->source, $this->offset));
        }

        return $nodes;
    }

    private function tag(int $open): Node
    {
        $this->space();
        $at = $this->offset;
        $literal = $this->string();
        if ($literal !== null) {
            $this->close();

            return new Words($literal);
        }

        $path = $this->match(self::PATH);
        if ($path === null) {
            throw $this->error($at, $this->peek('}}') ? 'empty' : 'not_a_field', ['found' => $this->found()]);
        }

        $this->space();
        if ($this->peek(':')) {
            return match ($path) {
                'pick' => $this->pick($at),
                'link' => $this->link($at),
                'code' => $this->code($at),
                default => throw $this->error($at, 'unknown_tag', ['name' => $path]),
            };
        }

        $modifiers = [];
        while ($this->accept('|')) {
            $modifiers[] = $this->modifier();
        }
        $this->close();

        return new MergeField($this->characters($at), $path, $modifiers);
    }

    private function pick(int $at): Pick
    {
        $this->accept(':');
        $choices = [];
        do {
            $this->space();
            $choices[] = $this->string() ?? throw $this->error($this->offset, 'quote_expected', ['after' => 'pick']);
            $this->space();
        } while ($this->accept('/'));
        $this->close();

        return new Pick($this->characters($at), $choices);
    }

    private function link(int $at): Link
    {
        $this->accept(':');
        $this->space();
        $path = $this->match(self::PATH) ?? throw $this->error($this->offset, 'field_expected', ['after' => 'link']);
        $this->space();
        $this->close();

        return new Link($this->characters($at), $path);
    }

    private function code(int $at): Code
    {
        $this->accept(':');
        $this->space();
        $list = $this->string();
        if ($list === null || preg_match('/^[a-z0-9][a-z0-9_-]{0,59}$/D', $list) !== 1) {
            throw $this->error($this->offset, 'list_expected', ['after' => 'code']);
        }
        $this->space();
        $this->close();

        return new Code($this->characters($at), $list);
    }

    private function modifier(): Modifier
    {
        $this->space();
        $at = $this->offset;
        $word = $this->match('/\G\p{L}+/u');
        if ($word === null) {
            throw $this->error($at, 'modifier_expected', ['found' => $this->found()]);
        }
        $name = ModifierName::tryFrom($word) ?? throw $this->error($at, 'unknown_modifier', [
            'name' => $word,
            'nearest' => Nearest::to($word, array_column(ModifierName::cases(), 'value')) ?? '',
        ]);
        $this->space();

        $argument = null;
        if ($name->argument() !== 'none') {
            if (! $this->accept(':')) {
                throw $this->error($this->offset, 'argument_expected', ['name' => $word]);
            }
            $this->space();
            $argumentAt = $this->offset;
            $argument = $name->argument() === 'text'
                ? $this->string() ?? throw $this->error($argumentAt, 'quote_expected', ['after' => $word])
                : (int) ($this->match('/\G[1-9]\d{0,3}/') ?? throw $this->error($argumentAt, 'number_expected', ['after' => $word]));
            if ($name === ModifierName::As) {
                $problem = Format::problem((string) $argument);
                if ($problem !== null) {
                    throw $this->error($argumentAt, $problem[0], $problem[1]);
                }
            }
            $this->space();
        }

        return new Modifier($this->characters($at), $name, $argument);
    }

    /** A quoted string, or null where none begins. Typographic quotes count: phones and word processors write them. */
    private function string(): ?string
    {
        if (preg_match('/\G(?:"|“|”)/u', $this->source, $quote, 0, $this->offset) !== 1) {
            return null;
        }
        $at = $this->offset;
        $inside = $this->match('/\G(?:"|“|”)(?:[^"“”\\\\]|\\\\.)*(?:"|“|”)/us');
        if ($inside === null) {
            throw $this->error($at, 'unclosed_quote');
        }
        $inside = preg_replace('/^(?:"|“|”)|(?:"|“|”)$/u', '', $inside) ?? '';

        return preg_replace('/\\\\(.)/us', '$1', $inside) ?? '';
    }

    private function close(): void
    {
        $this->space();
        if (! $this->accept('}}')) {
            throw $this->error($this->offset, 'close_expected', ['found' => $this->found()]);
        }
    }

    private function space(): void
    {
        $this->match('/\G[\s\x{00A0}\x{202F}]+/u');
    }

    private function peek(string $what): bool
    {
        return substr_compare($this->source, $what, $this->offset, strlen($what)) === 0;
    }

    private function accept(string $what): bool
    {
        $there = $this->offset < strlen($this->source) && $this->peek($what);
        $this->offset += $there ? strlen($what) : 0;

        return $there;
    }

    private function match(string $pattern): ?string
    {
        if (preg_match($pattern, $this->source, $found, 0, $this->offset) !== 1) {
            return null;
        }
        $this->offset += strlen($found[0]);

        return $found[0];
    }

    private function found(): string
    {
        return mb_substr(substr($this->source, $this->offset), 0, 12, 'UTF-8');
    }

    private function characters(int $bytes): int
    {
        return mb_strlen(substr($this->source, 0, $bytes), 'UTF-8');
    }

    /** @param  array<string, scalar|list<string>>  $with */
    private function error(int $bytes, string $code, array $with = []): TemplateError
    {
        return TemplateError::at($this->characters($bytes), $code, $with);
    }
}
