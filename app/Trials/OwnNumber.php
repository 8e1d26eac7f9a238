<?php

declare(strict_types=1);

namespace App\Trials;

use App\Carrier\Carriers;
use App\Carrier\Handover;
use App\Engine\Store\DatabaseBusinessReader;
use App\Models\Business;
use App\Models\Line;
use App\Models\Staff;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Linnet\Core\Number\NotANumber;
use Linnet\Core\Number\Numbers;
use Linnet\Core\Reason;
use Linnet\Core\Record\ActivationState;
use Psr\Clock\ClockInterface;

/** The telephone number of a member of staff: theirs once a code that was sent there has come back. */
final readonly class OwnNumber
{
    private const MINUTES = 10;

    private const TRIES = 5;

    public function __construct(private ClockInterface $clock, private Carriers $carriers)
    {
    }

    /** The number that waits for its code; null for none. */
    public function asked(Staff $staff): ?string
    {
        $number = DB::table('number_codes')
            ->where('staff_id', $staff->id)
            ->where('until', '>', $this->clock->now()->format('Y-m-d H:i:s'))
            ->value('number');

        return is_string($number) ? $number : null;
    }

    /** @return Reason|null why no code was sent */
    public function requestCode(Staff $staff, string $written): ?Reason
    {
        try {
            $number = Numbers::read($written, Business::ours()->country);
        } catch (NotANumber $e) {
            return $e->reason();
        }
        $line = Line::query()->where('power', ActivationState::On)->whereNotNull('number')->orderBy('id')->first();
        if ($line === null) {
            return new Reason('trial.no_line');
        }
        if ($this->saidStop($number->e164)) {
            return new Reason('trial.said_stop', ['number' => Numbers::pretty($number->e164)]);
        }
        $code = (string) random_int(100_000, 999_999);
        DB::table('number_codes')->updateOrInsert(
            ['staff_id' => $staff->id],
            [
                'number' => $number->e164,
                'code' => Hash::make($code),
                'tries' => 0,
                'until' => $this->clock
                    ->now()
                    ->modify('+'.self::MINUTES.' minutes')
                    ->format('Y-m-d H:i:s'),
            ],
        );

        return $this->handOver(
            $line, $number->e164, "Your code for Linnet is $code. It holds for ".self::MINUTES.' minutes.', (string) Str::uuid7(),
        );
    }

    /** @return bool whether it was the code; the number is theirs then */
    public function confirm(Staff $staff, string $code): bool
    {
        return DB::transaction(function () use ($staff, $code): bool {
            $asked = DB::table('number_codes')
                ->where('staff_id', $staff->id)
                ->where('until', '>', $this->clock->now()->format('Y-m-d H:i:s'))
                ->lockForUpdate()
                ->first();
            if ($asked === null || $asked->tries >= self::TRIES) {
                return false;
            }
            DB::table('number_codes')->where('id', $asked->id)->increment('tries');
            if (! Hash::check(preg_replace('/\D/', '', $code) ?? '', (string) $asked->code)) {
                return false;
            }
            $staff->update(['number' => $asked->number, 'number_confirmed_at' => $this->clock->now()]);
            DB::table('number_codes')->where('id', $asked->id)->delete();

            return true;
        });
    }

    /** @return Reason|null why it does not go */
    public function handOver(Line $line, string $number, string $body, string $key, ?string $picture = null): ?Reason
    {
        $text = new Handover($key, $line->number ?? $line->name, $number, $body, $picture);
        $answer = $this->carriers->of($line->carrier)->handOver([$text])[$key];

        return $answer->accepted ? null : new Reason('trial.not_taken', ['detail' => $answer->detail]);
    }

    /** A stop is a stop, whosever number it is. */
    public function saidStop(string $number): bool
    {
        return (new DatabaseBusinessReader($this->clock->now(), Business::ours()))->consent($number)['optedOut'];
    }
}
