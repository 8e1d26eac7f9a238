<?php

declare(strict_types=1);

namespace Linnet\Core\Rule\Step;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;
use Linnet\Core\Text\Template\Template;

/** Posts a JSON body with merge fields to an outside address. */
final readonly class CallOut implements Step
{
    /**
     * @param  array<array-key, mixed>  $body  as it is written, texts with merge fields in them
     * @param  array<string, Template>  $templates  the texts of the body by their source
     */
    private function __construct(public string $id, public string $address, public array $body, public array $templates)
    {
    }

    public static function read(Doc $doc): self
    {
        $doc->allow('id', 'do', 'address', 'body');
        /** @var array{string, string, array<string, Template>} $read */
        $read = $doc->gather([
            fn (): string => $doc->name('id'),
            fn (): string => $doc->webAddress('address'),
            fn (): array => self::texts($doc->object('body'), 0),
        ]);
        /** @var array<array-key, mixed> $body */
        $body = $doc->object('body')->value;

        return new self($read[0], $read[1], $body, $read[2]);
    }

    /**
     * The body filled in.
     *
     * @param  \Closure(Template): string  $fill
     * @return array<array-key, mixed>
     */
    public function filled(\Closure $fill): array
    {
        $body = $this->body;
        array_walk_recursive($body, function (mixed &$value) use ($fill): void {
            $value = is_string($value) && isset($this->templates[$value]) ? $fill($this->templates[$value]) : $value;
        });

        return $body;
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toDocument(): array
    {
        return ['id' => $this->id, 'do' => 'call_out', 'address' => $this->address, 'body' => $this->body];
    }

    /** @return array<string, Template> */
    private static function texts(Doc $doc, int $depth): array
    {
        if ($depth > 8) {
            throw Unreadable::at($doc->path, 'too_deep');
        }
        $found = [];
        foreach (is_array($doc->value) ? $doc->value : [] as $key => $value) {
            $at = Doc::of($value, is_int($key) ? "{$doc->path}[$key]" : "$doc->path.$key");
            if (is_array($value)) {
                $found += self::texts($at, $depth + 1);
            } elseif (is_string($value) && str_contains($value, '{{')) {
                $found[$value] = Template::read(Doc::of(['text' => $value], $at->path), 'text', 2000);
            }
        }

        return $found;
    }
}
