<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\Consent;
use App\Models\Form;
use Illuminate\Support\Facades\DB;

/** What somebody agreed to on a form counts once they say yes to the text that asks. */
final readonly class Confirmation
{
    private const DAYS = 7;

    private const YES = ['yes', 'y', 'ok', 'okay', 'start'];

    public function __construct(private SaidOfThemselves $said)
    {
    }

    /** @return bool whether the text was the yes that was waited for */
    public function by(int $personId, string $number, string $text, \DateTimeImmutable $now): bool
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
        $form = Form::query()->whereKey((int) $asked->form_id)->first();
        $form === null || $this->said->confirmed($form->id, $personId, $form->name, $now);
        Consent::query()->create([
            'person_id' => $personId, 'number' => $number, 'act' => 'granted', 'scope' => 'marketing', 'how' => 'form',
            'wording' => "$asked->wording (confirmed by text: $text)", 'from' => $asked->from, 'at' => $now,
        ]);

        return true;
    }
}
