<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

use Linnet\Core\Money;
use Linnet\Core\Text\Template\Values;
use Linnet\Core\Time\Moment;

/**
 * What is known about a person and a record at one moment, reached by path: "first_name", "call.started_at", "line.name".
 *
 * The person's own fields stand at the top; everything else under the name of what it belongs to.
 */
final readonly class Facts implements Values
{
    /** @param  array<array-key, mixed>  $tree */
    private function __construct(private array $tree)
    {
    }

    /** @param  array<array-key, mixed>  $tree values may be Moment, Day, Money, scalars, null, lists, or further arrays */
    public static function of(array $tree): self
    {
        return new self($tree);
    }

    /**
     * Facts from a JSON object. {"at": ISO 8601, "zone": name} is a moment at a place, {"amount": "12.50", "currency": "GBP"} money.
     *
     * @param  array<array-key, mixed>  $json
     */
    public static function fromJson(array $json): self
    {
        return new self(array_map(self::typed(...), $json));
    }

    /** The value at a path, or null where there is none. */
    public function at(string $path): mixed
    {
        $value = $this->tree;
        foreach (explode('.', $path) as $key) {
            if ($value instanceof Somebody) {
                $value = $value->part($key);

                continue;
            }
            if (! is_array($value) || ! array_key_exists($key, $value)) {
                return null;
            }
            $value = $value[$key];
        }

        return is_array($value) && ! array_is_list($value) ? null : $value;
    }

    /** @return array<array-key, mixed> */
    public function tree(): array
    {
        return $this->tree;
    }

    /** The same, with one thing at the top known otherwise. */
    public function with(string $name, mixed $value): self
    {
        return new self([$name => $value] + $this->tree);
    }

    private static function typed(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        if (isset($value['at'], $value['zone']) && is_string($value['at']) && is_string($value['zone'])) {
            $moment = Moment::parse($value['at']);

            return $moment === null ? $value['at'] : new Moment($moment->at, $value['zone']);
        }
        if (isset($value['amount'], $value['currency']) && is_numeric($value['amount']) && is_string($value['currency'])) {
            return new Money((string) $value['amount'], $value['currency']);
        }

        return array_map(self::typed(...), $value);
    }
}
