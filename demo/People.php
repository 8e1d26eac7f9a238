<?php

declare(strict_types=1);

namespace Demo;

/**
 * The invented people of Osier Quay Boathouse, with numbers reserved for fiction.
 *
 * @phpstan-type Somebody array{first_name?: string, last_name?: string, number: string, handset: 'mobile'|'landline'|'dead', zone?: string}
 */
final class People
{
    /** @return list<Somebody> */
    public static function all(): array
    {
        /** @var list<Somebody> */
        return json_decode((string) file_get_contents(__DIR__.'/people.json'), true, 8, JSON_THROW_ON_ERROR);
    }
}
