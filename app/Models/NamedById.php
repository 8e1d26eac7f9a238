<?php

declare(strict_types=1);

namespace App\Models;

/** What an address names by its number. Anything else in its place names nothing: a database may take it for a mistake of ours. */
trait NamedById
{
    /**
     * @param  mixed  $value
     * @param  string|null  $field
     */
    public function resolveRouteBinding($value, $field = null): ?static
    {
        $isNumber = is_scalar($value) && preg_match('/^\d{1,18}$/D', (string) $value) === 1;
        $found = ($field ?? $this->getRouteKeyName()) === 'id' && ! $isNumber ? null : parent::resolveRouteBinding($value, $field);

        return $found instanceof static ? $found : null;
    }
}
