<?php

declare(strict_types=1);

namespace Linnet\Core\Intake;

use Linnet\Core\Document\Doc;
use Linnet\Core\Document\Unreadable;

/** Where a field's value comes from: a path in the delivery with its cleaning, or always the same. */
final readonly class Taken
{
    private function __construct(private ?string $at, private Cleaning $cleaning, private string|int|float|null $always)
    {
    }

    public static function read(Doc $doc): self
    {
        if ($doc->has('always')) {
            $doc->allow('always');
            $always = $doc->get('always')->value;

            return is_string($always) || is_int($always) || is_float($always)
                ? new self(null, Cleaning::Text, $always)
                : throw Unreadable::at("$doc->path.always", 'value_expected');
        }
        $doc->allow('at', 'clean');

        return new self($doc->text('at'), $doc->has('clean') ? $doc->choice('clean', Cleaning::class) : Cleaning::Text, null);
    }

    /** @throws Refused */
    public function from(mixed $delivery, string $country): string|int|float|null
    {
        return $this->at === null ? $this->always : $this->cleaning->clean(self::at($this->at, $delivery), $this->at, $country);
    }

    /** The value as it came. */
    public function raw(mixed $delivery): mixed
    {
        return $this->at === null ? $this->always : self::at($this->at, $delivery);
    }

    /** The value at a dotted path, or null. */
    public static function at(string $path, mixed $delivery): mixed
    {
        foreach (explode('.', $path) as $key) {
            $delivery = is_array($delivery) ? ($delivery[$key] ?? null) : null;
        }

        return $delivery;
    }
}
