<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model as Eloquent;

/** Moments are set by Linnet's own clock, which the framework's timestamps do not obey. */
abstract class Model extends Eloquent
{
    public $timestamps = false;

    protected $guarded = [];
}
