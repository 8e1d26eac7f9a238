<?php

declare(strict_types=1);

namespace App\Forecast;

use App\Models\Business;
use Illuminate\Support\Facades\DB;

/** A fingerprint of all that holds for everybody: rules, safeguards, lines, types, pools, audiences, staff, and whether there is budget. */
final class ConfigurationStamp
{
    private const TABLES = [
        'businesses' => ['*'],
        'rules' => ['id', 'name', 'version_id', 'power', 'paused_until', 'broadcast_at', 'start_cursor'],
        'lines' => ['id', 'key', 'name', 'number', 'power', 'pace', 'hours', 'countries', 'staff_id', 'problem', 'pool'],
        'record_types' => ['*'],
        'fields' => ['*'],
        'pools' => ['*'],
        'audiences' => ['*'],
        'staff' => ['id', 'name', 'email', 'number', 'texts_allowed', 'number_confirmed_at'],
    ];

    /** @param  string  $today  YYYY-MM-DD by the business's own clock */
    public static function of(Business $business, string $today): string
    {
        $budget = $business->gatePolicy()->monthMicros;
        $spent = $budget === null ? 0 : (int) DB::table('spent_days')->where('day', '>=', substr($today, 0, 7).'-01')->sum('micros');
        $said = ['spent' => $budget !== null && $spent >= $budget];
        foreach (self::TABLES as $table => $columns) {
            $said[$table] = DB::table($table)->orderBy('id')->get($columns)->all();
        }

        return hash('sha256', json_encode($said, JSON_THROW_ON_ERROR));
    }
}
