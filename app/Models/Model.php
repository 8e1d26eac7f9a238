<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model as Eloquent;

/** Moments are set by Linnet's own clock, which the framework's timestamps do not obey. */
abstract class Model extends Eloquent
{
    use NamedById;

    /** So many moments are remembered. */
    private const MOST = 4000;

    public $timestamps = false;

    protected $guarded = [];

    /** @var array<string, CarbonImmutable> as they were read, by how they are written in a row */
    private static array $moments = [];

    /**
     * A moment that was read stays as it is: a page asks the same row for it several times, and many rows for the same.
     *
     * @param  string  $key
     * @param  mixed  $value
     */
    protected function castAttribute($key, $value): mixed
    {
        if (! is_string($value) || $this->getCasts()[$key] !== 'immutable_datetime') {
            return parent::castAttribute($key, $value);
        }
        count(self::$moments) < self::MOST || self::$moments = [];
        $moment = self::$moments[$value] ??= parent::castAttribute($key, $value);

        return $moment;
    }
}
