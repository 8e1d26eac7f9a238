<?php

declare(strict_types=1);

namespace App\View\Rules;

use App\Models\Field;
use App\Models\Line;
use App\Models\RecordType;
use App\Models\Rule;
use App\Models\Staff;
use Illuminate\Support\Collection;
use Linnet\Core\Record\FieldKind;
use Linnet\Core\Text\Template\Node\Code;
use Linnet\Core\Text\Template\Node\Field as Merged;
use Linnet\Core\Text\Template\Node\Link;
use Linnet\Core\Text\Template\Node\Node;
use Linnet\Core\Text\Template\Node\Pick;
use Linnet\Core\Text\Template\Node\Words;
use Linnet\Core\Text\Template\Template;
use Linnet\Core\Time\Span;

/** What things that a rule names by their keys are called on the screen. */
final class Names
{
    /** @var array<string, string> line names by key */
    public readonly array $lines;

    /** @var Collection<string, RecordType> by key */
    private readonly Collection $types;

    public function __construct()
    {
        $this->lines = Line::query()->orderBy('id')->pluck('name', 'key')->all();
        $this->types = RecordType::query()->with('fields')->get()->keyBy('key');
    }

    public function type(string $key): string
    {
        return mb_strtolower($this->types[$key]->name ?? str_replace('_', ' ', $key), 'UTF-8');
    }

    public function types(string $key): string
    {
        return mb_strtolower($this->types[$key]->plural ?? $this->type($key).'s', 'UTF-8');
    }

    /** @return Collection<int, Field> */
    public function fields(string $type): Collection
    {
        return isset($this->types[$type]) ? $this->types[$type]->fields : new Collection;
    }

    /** The field a path leads to. */
    public function field(string $path): ?Field
    {
        [$type, $key] = str_contains($path, '.') ? explode('.', $path) : ['person', $path];

        return $this->fields($type)->firstWhere('key', $key);
    }

    public function fieldOf(string $type, FieldKind $kind): ?Field
    {
        return $this->fields($type)->firstWhere('kind', $kind);
    }

    /** "starts", "first name", "instructor’s own switch for texts". */
    public function path(string $path): string
    {
        $parts = explode('.', $path);
        $field = $this->field($path);
        $name = mb_strtolower($field->name ?? str_replace('_', ' ', count($parts) > 1 ? $parts[1] : $parts[0]), 'UTF-8');

        return isset($parts[2]) ? $name.'’s '.($parts[2] === 'texts_allowed' ? 'own switch for texts' : str_replace('_', ' ', $parts[2])) : $name;
    }

    public function line(string $key): string
    {
        return 'the '.($this->lines[$key] ?? $key);
    }

    public function rule(string $key): string
    {
        return '“'.(Rule::query()->firstWhere('key', $key)->name ?? $key).'”';
    }

    public function staff(string $email): string
    {
        return Staff::query()->firstWhere('email', $email)->name ?? $email;
    }

    public function span(Span $span): string
    {
        $unit = str_replace('_', ' ', $span->unit->value);

        return $span->amount.' '.($span->amount === 1 ? rtrim($unit, 's') : $unit);
    }

    public function plain(mixed $value): string
    {
        return is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');
    }

    /** A text with its merge fields as a reader would name them. */
    public function words(Template $template): string
    {
        return implode('', array_map(fn (Node $node): string => match (true) {
            $node instanceof Words => $node->words,
            $node instanceof Merged => '['.$this->path($node->path).']',
            $node instanceof Link => '[short link]',
            $node instanceof Code => "[a code of “{$node->list}”]",
            $node instanceof Pick => '['.implode(' or ', $node->choices).']',
        }, $template->nodes));
    }

    /** A date field as what something comes before or after. */
    public function date(string $path): string
    {
        [$type, $key] = str_contains($path, '.') ? explode('.', $path, 2) : ['person', $path];
        $name = $this->field($path)->name ?? str_replace('_', ' ', $key);

        return $type === 'person' ? "their date “{$name}”" : "the date “{$name}” of ".self::a($this->type($type));
    }

    public static function a(string $noun): string
    {
        return (preg_match('/^[aeiou]/', $noun) === 1 ? 'an ' : 'a ').$noun;
    }
}
