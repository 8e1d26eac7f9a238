<?php

declare(strict_types=1);

namespace Linnet\Core\Document;

/** A place in a JSON document that knows its path, and throws there when something else stands than was asked for. */
final readonly class Doc
{
    private function __construct(public mixed $value, public string $path)
    {
    }

    public static function of(mixed $value, string $path = '$'): self
    {
        return new self($value, $path);
    }

    /** @throws Unreadable if the text is not JSON */
    public static function fromJson(string $json): self
    {
        try {
            return new self(json_decode($json, true, 64, JSON_THROW_ON_ERROR), '$');
        } catch (\JsonException $e) {
            throw Unreadable::at('$', 'not_json', ['detail' => $e->getMessage()]);
        }
    }

    /** @throws Unreadable naming every key that is none of these */
    public function allow(string ...$keys): void
    {
        $problems = [];
        foreach (array_keys($this->asObject()) as $key) {
            if (! in_array($key, $keys, true)) {
                $problems[] = Unreadable::at("$this->path.$key", 'unknown_key', [
                    'key' => (string) $key,
                    'nearest' => Nearest::to((string) $key, $keys) ?? '',
                    'known' => array_values($keys),
                ])->problems[0];
            }
        }
        if ($problems !== []) {
            throw new Unreadable($problems);
        }
    }

    public function has(string $key): bool
    {
        return array_key_exists($key, $this->asObject());
    }

    public function object(string $key): self
    {
        $there = $this->get($key);
        $there->asObject();

        return $there;
    }

    /** The value here, whatever it is, made into something by a function that gives null for what it cannot take.
     *
     * @template T
     *
     * @param  callable(mixed): (T|null)  $make
     * @return T
     */
    public function self(callable $make, string $code): mixed
    {
        return $make($this->value) ?? throw Unreadable::at($this->path, $code);
    }

    /** Text of 1 to $most characters. */
    public function text(string $key, int $most = 200): string
    {
        $value = $this->get($key)->value;
        if (! is_string($value) || trim($value) === '') {
            throw Unreadable::at("$this->path.$key", 'text_expected');
        }
        if (mb_strlen($value, 'UTF-8') > $most) {
            throw Unreadable::at("$this->path.$key", 'too_long', ['most' => $most]);
        }

        return $value;
    }

    public function optionalText(string $key, int $most = 200): ?string
    {
        return $this->has($key) ? $this->text($key, $most) : null;
    }

    /** A short name of lower-case letters, digits, hyphens and underscores. */
    public function name(string $key): string
    {
        $name = $this->text($key, 60);

        return preg_match('/^[a-z0-9][a-z0-9_-]*$/', $name) === 1 ? $name : throw Unreadable::at("$this->path.$key", 'name_expected');
    }

    public function integer(string $key, int $least, int $most): int
    {
        $value = $this->get($key)->value;

        return is_int($value) && $value >= $least && $value <= $most
            ? $value
            : throw Unreadable::at("$this->path.$key", 'integer_expected', ['least' => $least, 'most' => $most]);
    }

    public function number(string $key, float $least, float $most): int|float
    {
        $value = $this->get($key)->value;

        return (is_int($value) || is_float($value)) && $value >= $least && $value <= $most
            ? $value
            : throw Unreadable::at("$this->path.$key", 'number_expected', ['least' => $least, 'most' => $most]);
    }

    /** A way to a value such as booking.starts_at. */
    public function field(string $key): string
    {
        $path = $this->text($key, 120);

        return preg_match('/^[\p{L}_][\p{L}\p{N}_]*(\.[\p{L}_][\p{L}\p{N}_]*)*$/Du', $path) === 1
            ? $path
            : throw Unreadable::at("$this->path.$key", 'field_expected', ['written' => $path]);
    }

    /** An address on the web, http or https, with no name and password in it. */
    public function webAddress(string $key): string
    {
        $address = $this->text($key, 500);
        $parts = parse_url($address);

        return is_array($parts) &&
            in_array($parts['scheme'] ?? '', ['http', 'https'], true) &&
            ($parts['host'] ?? '') !== '' &&
            ! isset($parts['user'])
            ? $address
            : throw Unreadable::at("$this->path.$key", 'address_expected');
    }

    /** A text, number or yes/no. */
    public function scalar(string $key): string|int|float|bool
    {
        $value = $this->get($key)->value;

        return is_scalar($value) ? $value : throw Unreadable::at("$this->path.$key", 'value_expected');
    }

    /** @return list<string> */
    public function texts(string $key, int $least = 1, int $most = 100, int $longest = 120): array
    {
        return $this->each($key, fn (self $one): string => $one->self(
            fn (mixed $v): ?string => is_string($v) && trim($v) !== '' && mb_strlen($v, 'UTF-8') <= $longest ? $v : null, 'text_expected',
        ), $least, $most);
    }

    public function yesNo(string $key): bool
    {
        $value = $this->get($key)->value;

        return is_bool($value) ? $value : throw Unreadable::at("$this->path.$key", 'yes_no_expected');
    }

    /**
     * One of an enum's values.
     *
     * @template E of \BackedEnum
     *
     * @param  class-string<E>  $enum
     * @return E
     */
    public function choice(string $key, string $enum): \BackedEnum
    {
        $value = $this->get($key)->value;

        return (is_string($value) ? $enum::tryFrom($value) : null)
            ?? throw $this->notOneOf($key, $value, array_map(strval(...), array_column($enum::cases(), 'value')));
    }

    /**
     * Reads by the kind a key names.
     *
     * @template T
     *
     * @param  array<string, callable(self): T>  $readers
     * @return T
     */
    public function oneOf(string $key, array $readers): mixed
    {
        $value = $this->get($key)->value;
        if (! is_string($value) || ! isset($readers[$value])) {
            throw $this->notOneOf($key, $value, array_keys($readers));
        }

        return $readers[$value]($this);
    }

    /**
     * Reads every item of a list, collecting what is wrong with all of them.
     *
     * @template T
     *
     * @param  callable(self): T  $read
     * @return list<T>
     */
    public function each(string $key, callable $read, int $least = 0, int $most = 1000): array
    {
        $list = $this->get($key);
        if (! is_array($list->value) || ! array_is_list($list->value)) {
            throw Unreadable::at($list->path, 'list_expected');
        }
        if (count($list->value) < $least || count($list->value) > $most) {
            throw Unreadable::at($list->path, 'count_expected', ['least' => $least, 'most' => $most]);
        }

        return array_values($this->gather(array_map(
            fn (mixed $item, int $i): \Closure => fn () => $read(new self($item, "{$list->path}[$i]")),
            $list->value,
            array_keys($list->value),
        )));
    }

    /**
     * Runs every reader and throws once with everything that was wrong.
     *
     * @template K of array-key
     * @template T
     *
     * @param  array<K, \Closure(): T>  $readers
     * @return array<K, T>
     */
    public function gather(array $readers): array
    {
        $problems = [];
        $read = [];
        foreach ($readers as $name => $reader) {
            try {
                $read[$name] = $reader();
            } catch (Unreadable $e) {
                array_push($problems, ...$e->problems);
            }
        }
        if ($problems !== []) {
            throw new Unreadable($problems);
        }

        return $read;
    }

    public function get(string $key): self
    {
        return $this->has($key)
            ? new self($this->asObject()[$key], "$this->path.$key")
            : throw Unreadable::at("$this->path.$key", 'missing', ['key' => $key]);
    }

    /** @return array<array-key, mixed> */
    private function asObject(): array
    {
        return is_array($this->value) && ($this->value === [] || ! array_is_list($this->value))
            ? $this->value
            : throw Unreadable::at($this->path, 'object_expected');
    }

    /** @param  list<string>  $known */
    private function notOneOf(string $key, mixed $value, array $known): Unreadable
    {
        $written = is_scalar($value) ? (string) $value : gettype($value);

        return Unreadable::at("$this->path.$key", 'not_one_of', [
            'written' => $written, 'known' => $known, 'nearest' => Nearest::to($written, $known) ?? '',
        ]);
    }
}
