<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\Consent;
use App\Models\Person;
use Illuminate\Support\Facades\DB;

/** What somebody agreed to on a form counts once they say yes to the text that asks. */
final class Confirmation
{
    private const DAYS = 7;

    private const YES = ['yes', 'y', 'ok', 'okay', 'start'];

    /** @return bool whether the text was the yes that was waited for */
    public static function by(int $personId, string $number, string $text, \DateTimeImmutable $now): bool
    {
        if (! in_array(preg_replace('/[^a-z]/', '', strtolower($text)), self::YES, true)) {
            return false;
        }
        $asked = DB::table('confirmations')
            ->where('number', $number)
            ->whereNull('confirmed_at')
            ->where('at', '>', $now->modify('-'.self::DAYS.' days')->format('Y-m-d H:i:s'))
            ->orderByDesc('id')
            ->lockForUpdate()
            ->first();
        if ($asked === null) {
            return false;
        }
        DB::table('confirmations')->where('id', $asked->id)->update(['confirmed_at' => $now->format('Y-m-d H:i:s')]);
        if ($asked->name !== null) {
            // Whoever has the number has said that it was them.
            Person::query()->whereKey($personId)->whereNull('first_name')->update(['first_name' => $asked->name]);
        }
        Consent::query()->create([
            'person_id' => $personId, 'number' => $number, 'act' => 'granted', 'scope' => 'marketing', 'how' => 'form',
            'wording' => "$asked->wording (confirmed by text: $text)", 'from' => $asked->from, 'at' => $now,
        ]);

        return true;
    }
}
