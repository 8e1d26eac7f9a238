<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\Field;
use Linnet\Core\Text\Template\Node\Node;

/** A text with merge fields, parsed once. */
final readonly class Template
{
    /** @param  list<Node>  $nodes */
    private function __construct(public string $source, public array $nodes)
    {
    }

    /** @throws TemplateError where a merge field cannot be read */
    public static function parse(string $source): self
    {
        return new self($source, (new Parser($source))->nodes());
    }

    /** @return list<Field> the fields in the order they stand in the text */
    public function fields(): array
    {
        return array_values(array_filter($this->nodes, fn (Node $node): bool => $node instanceof Field));
    }

    /** @return list<string> the lists it takes codes from */
    public function codeLists(): array
    {
        return array_values(array_unique(array_map(fn (Code $code): string => $code->list, array_filter($this->nodes, fn (Node $node): bool => $node instanceof Code))));
    }
}
