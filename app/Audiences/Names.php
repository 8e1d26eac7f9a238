<?php

declare(strict_types=1);

namespace App\Audiences;

use App\Models\Field;
use App\Models\Line;
use App\Models\RecordType;
use App\Models\Staff;
use Linnet\Core\Rule\Same;

/** What the names in a condition stand for, each looked up once. */
final class Names
{
    /** @var array<string, RecordType>|null */
    private ?array $types = null;

    /** @var list<array{int, string, string}>|null id, name and mail address */
    private ?array $staff = null;

    /** @var array<string, string|null>|null numbers by their line's key */
    private ?array $lines = null;

    public function __construct(public readonly \DateTimeImmutable $now, public readonly \DateTimeZone $zone)
    {
    }

    public function type(string $key): ?RecordType
    {
        $this->types ??= RecordType::query()->with('fields')->get()->keyBy('key')->all();

        return $this->types[$key] ?? null;
    }

    public function field(string $type, string $key): ?Field
    {
        return $this->type($type)?->field($key);
    }

    /** @return list<int> colleagues who are called so, or have that address */
    public function staff(mixed $wanted, bool $byAddress): array
    {
        $this->staff ??= array_values(Staff::query()->get()->map(fn (Staff $one): array => [$one->id, $one->name, $one->email])->all());
        $address = is_string($wanted) ? mb_strtolower($wanted, 'UTF-8') : '';

        return array_column(array_filter(
            $this->staff,
            fn (array $one): bool => $byAddress && mb_strtolower($one[2], 'UTF-8') === $address
                ? Same::as($one[2], $wanted)
                : Same::as($one[1], $wanted),
        ), 0);
    }

    /** @return list<string> numbers of the lines with that key */
    public function lines(string $key): array
    {
        $this->lines ??= Line::query()->pluck('number', 'key')->all();

        return array_values(array_filter(array_filter(
            $this->lines, fn (int|string $one): bool => Same::as((string) $one, $key), ARRAY_FILTER_USE_KEY,
        )));
    }
}
