<?php

declare(strict_types=1);

namespace App\Setup;

use App\Counts\AccountOffsets;
use App\Models\Business;
use App\Models\RecordType;
use App\Models\Role;
use App\Models\Staff;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Linnet\Core\Record\ActivationState;
use Linnet\Core\Record\RecordType as CoreType;

/**
 * Makes a business and its first administrator where there is none.
 *
 * @phpstan-import-type Said from SetupForm
 */
final class Setup
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    public static function isDone(): bool
    {
        return Staff::query()->exists();
    }

    /**
     * @param  Said  $said
     * @return Staff|null null where somebody else has been quicker
     */
    public static function run(#[\SensitiveParameter] array $said): ?Staff
    {
        return DB::transaction(function () use ($said): ?Staff {
            // Held until the end: two who open the first page at once make one business.
            DB::table('forecast_states')->lockForUpdate()->value('id');
            if (self::isDone()) {
                return null;
            }
            Business::query()->exists() || self::business($said);
            RecordType::query()->where('key', CoreType::PERSON)->exists() ||
                RecordType::query()->create(['key' => CoreType::PERSON, 'name' => 'Person', 'plural' => 'People']);

            return Staff::query()->create([
                'name' => $said['name'], 'email' => mb_strtolower($said['email'], 'UTF-8'), 'password' => $said['password'],
                'role' => Role::Administrator,
            ]);
        });
    }

    /** @param  array<string, string>  $said */
    private static function business(array $said): void
    {
        $every = fn (string $from, string $to, array $days = self::DAYS): array => [
            'week' => array_fill_keys($days, [[$from, $to]]), 'closed' => [],
        ];
        Business::query()->create([
            'install' => (string) Str::uuid(), 'name' => $said['business'], 'country' => $said['country'], 'zone' => $said['zone'],
            'locale' => "en_{$said['country']}", 'sending' => ActivationState::On,
            'opening_hours' => $every('09:00', '17:00', array_slice(self::DAYS, 0, 5)),
            'policy' => [
                'decent_hours' => ['service' => $every('08:00', '20:00'), 'marketing' => $every('09:00', '19:00')],
                'same_text_seconds' => 3600,
            ],
            'words' => [
                'opt_out' => ['STOP', 'STOPALL', 'UNSUBSCRIBE', 'END', 'QUIT'], 'opt_in' => ['START', 'UNSTOP'],
                'help' => ['HELP', 'INFO'],
            ],
            // What a text costs is between them and their carrier.
            'tariff' => ['currency' => $said['currency'], 'per_part' => (object) [], 'elsewhere' => 0],
        ]);
        AccountOffsets::fill($said['zone']);
    }
}
