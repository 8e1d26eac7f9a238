<?php

declare(strict_types=1);

namespace Linnet\Core\Text\Template;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\MergeField;
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

    /** The text under a key; what is wrong with it is said at its character. */
    public static function read(Doc $doc, string $key, int $most): self
    {
        try {
            return self::parse($doc->text($key, $most));
        } catch (TemplateError $e) {
            throw Unreadable::of("$doc->path.$key", $e->reason()->with(['at' => $e->at]));
        }
    }

    /** @return list<MergeField> the fields in the order they stand in the text */
    public function fields(): array
    {
        return array_values(array_filter($this->nodes, fn (Node $node): bool => $node instanceof MergeField));
    }

    /** @return list<string> the lists it takes codes from */
    public function codeLists(): array
    {
        return array_values(
            array_unique(
                array_map(
                    fn (Code $code): string => $code->list,
                    array_filter($this->nodes, fn (Node $node): bool => $node instanceof Code),
                ),
            ),
        );
    }
}
