<?php

declare(strict_types=1);

namespace App\Staff;

use App\Models\Business;
use App\Models\Role;
use App\Models\Staff;
use App\Outside\Mailbox;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Psr\Clock\ClockInterface;

/** Staff who are invited, choose a password, get another role, and leave. */
final readonly class Members
{
    /** An invitation that nobody has taken by then leads nowhere. */
    private const DAYS = 7;

    public function __construct(private ClockInterface $clock)
    {
    }

    /** @return string the link that leads to a password once; it is known to nobody but its reader */
    public function invite(Staff $staff): string
    {
        $token = Str::random(40);
        $staff->update([
            'invited_hash' => self::hash($token), 'invited_until' => $this->clock->now()->modify('+'.self::DAYS.' days'),
        ]);
        $link = route('invitations.show', $token);
        Mailbox::isThere() && Mail::to($staff->email)->queue(new Invitation($staff->name, Business::current()->name, $link, self::DAYS));

        return $link;
    }

    public function add(string $name, string $email, Role $role): Staff
    {
        return Staff::query()->create([
            'name' => $name, 'email' => mb_strtolower($email, 'UTF-8'), 'role' => $role,
            // Nobody knows it.
            'password' => Str::random(60),
        ]);
    }

    public function invited(string $token): ?Staff
    {
        return Staff::query()
            ->where('invited_hash', self::hash($token))
            ->where('invited_until', '>', $this->clock->now())
            ->whereNull('off_at')
            ->first();
    }

    /** @return Staff|null null where the link leads nowhere by now */
    public function choosePassword(string $token, #[\SensitiveParameter] string $password): ?Staff
    {
        return DB::transaction(function () use ($token, $password): ?Staff {
            $staff = $this->invited($token);
            $staff?->forceFill([
                'password' => $password, 'invited_hash' => null, 'invited_until' => null, 'remember_token' => Str::random(60),
            ])->save();

            return $staff;
        });
    }

    /** Whether there would be nobody left who looks after Linnet without them. */
    public function isLastAdministrator(Staff $staff): bool
    {
        return $staff->role->administers()
            && Staff::query()
                ->whereKeyNot($staff->id)
                ->where('role', Role::Administrator)
                ->whereNull('off_at')
                ->whereNull('invited_hash')
                ->doesntExist();
    }

    /** They log in no more, and get no text; what was theirs to do is another's. */
    public function switchOff(Staff $staff, ?Staff $heir): void
    {
        DB::transaction(function () use ($staff, $heir): void {
            $staff->update(['off_at' => $this->clock->now(), 'invited_hash' => null, 'invited_until' => null, 'tasks_hash' => null]);
            $staff->forceFill(['remember_token' => null])->save();
            DB::table('tasks')->where('staff_id', $staff->id)->whereNull('done_at')->update(['staff_id' => $heir?->id]);
            DB::table('notices')->where('staff_id', $staff->id)->whereNull('put_away_at')->update(['staff_id' => $heir?->id]);
            DB::table('conversations')->where('staff_id', $staff->id)->update(['staff_id' => $heir?->id]);
            DB::table('people')->where('hears_staff_id', $staff->id)->update(['hears_staff_id' => $heir?->id]);
            DB::table('conversations')->where('hears_staff_id', $staff->id)->update(['hears_staff_id' => $heir?->id]);
            // With no heir they stay theirs: nobody’s would be everybody’s.
            $heir === null || DB::table('kept_texts')->where('staff_id', $staff->id)->update(['staff_id' => $heir->id]);
            DB::table('line_staff')->where('staff_id', $staff->id)->delete();
            DB::table('reply_notices')->where('staff_id', $staff->id)->delete();
            DB::table('staff')->where('stand_in_id', $staff->id)->update(['stand_in_id' => $heir?->id]);
            DB::table('lines')->where('staff_id', $staff->id)->update(['staff_id' => $heir?->id]);
        });
    }

    /** They log in again, with the password they had. */
    public function switchOn(Staff $staff): void
    {
        $staff->update(['off_at' => null]);
    }

    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
