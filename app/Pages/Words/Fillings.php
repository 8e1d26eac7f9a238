<?php

declare(strict_types=1);

namespace App\Pages\Words;

use App\Database\DistinctValues;
use Linnet\Core\Prose\Vocabulary\FieldWords;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Record\RecordType;
use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\MergeField;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Node\Pick;

/** What can be filled into a text, with what each comes to for the sample. */
final readonly class Fillings
{
    private const STAFF = ['first_name', 'name', 'number', 'email'];

    public function __construct(private WordsFor $page)
    {
    }

    /** @return array<string, string> what each field is called, by its path */
    public function fields(): array
    {
        $tokens = $this->page->tokens();
        $paths = array_keys($this->kinds());

        return array_combine($paths, array_map($tokens->field(...), $paths));
    }

    /** @return list<string> the lists of codes there are */
    public static function codes(): array
    {
        return DistinctValues::of('codes', 'list');
    }

    /** @return list<array{says: string, whole: string, beside: string}> */
    public function offered(): array
    {
        $nodes = [];
        foreach ($this->kinds() as $path => $kind) {
            if ($kind === FieldKind::Link && $this->page->hasLinks()) {
                $nodes[] = new Link(0, $path);
            }
            $nodes[] = new MergeField(0, $path, []);
        }
        $tokens = $this->page->tokens();

        return array_map(
            fn (Node $node): array => ['says' => $tokens->says($node), 'whole' => $node->written(), 'beside' => $this->beside($node)],
            [
                ...$nodes,
                ...array_map(fn (string $list): Code => new Code(0, $list), $this->page->hasLinks() ? self::codes() : []),
                new Pick(0, ['Hello', 'Good day']),
            ],
        );
    }

    private function beside(Node $node): string
    {
        if (! $node instanceof MergeField && ! $node instanceof Link) {
            return $node instanceof Code ? 'one for each person' : 'one of several, by chance';
        }
        $result = (new TokenPage($node, $this->page))->result();

        return $result === '' ? ($this->page->who() === null ? '' : 'empty here') : mb_strimwidth($result, 0, 40, '…', 'UTF-8');
    }

    /** @return array<string, FieldKind> the fields the text may name, by path */
    private function kinds(): array
    {
        $vocabulary = $this->page->vocabulary();
        $kinds = [];
        $add = function (string $path, FieldWords $field) use (&$kinds): void {
            $kinds +=
                $field->kind === FieldKind::Staff
                    ? array_fill_keys(array_map(fn (string $part): string => "$path.$part", self::STAFF), FieldKind::Text)
                    : [$path => $field->kind];
        };
        $persons = $vocabulary->type(RecordType::PERSON)->fields;
        // Their name, what it is about, and then the rest of theirs.
        foreach (array_intersect_key($persons, ['first_name' => 1, 'last_name' => 1]) as $field) {
            $add($field->key, $field);
        }
        foreach ($this->page->types() as $type) {
            foreach ($vocabulary->type($type)->fields as $field) {
                $add("$type.$field->key", $field);
            }
        }
        foreach ($persons as $field) {
            $add($field->key, $field);
        }

        return $kinds + ['line.name' => FieldKind::Text, 'line.number' => FieldKind::Phone, 'business.name' => FieldKind::Text];
    }
}
