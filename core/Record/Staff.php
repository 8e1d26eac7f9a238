<?php

declare(strict_types=1);

namespace Linnet\Core\Record;

/** One of those who log in, as rules see them. */
final readonly class Staff implements Somebody
{
    /**
     * @param  string|null  $number  E.164
     * @param  bool  $textsAllowed  their own switch: whether rules may text them
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $email,
        public ?string $number = null,
        public bool $textsAllowed = true,
    ) {
    }

    /** @return list<string> what somebody goes by where a field names them, in small letters */
    public static function names(int $id, string $name, string $email): array
    {
        return array_map(fn (string $one): string => mb_strtolower($one, 'UTF-8'), ["#$id", $name, $email, (string) strtok($name, ' ')]);
    }

    public function __toString(): string
    {
        return $this->name;
    }

    public function part(string $key): string|bool|null
    {
        return match ($key) {
            'name' => $this->name,
            'first_name' => explode(' ', $this->name)[0],
            'email' => $this->email,
            'number' => $this->number,
            'texts_allowed' => $this->textsAllowed,
            default => null,
        };
    }
}
