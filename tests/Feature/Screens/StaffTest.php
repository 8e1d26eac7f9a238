<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Line;
use App\Models\Role;
use App\Models\Staff;
use App\Models\Task;
use App\Staff\Invitation;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Mail;
use Tests\Feature\TestCase;

/** Staff come by an invitation, and go without leaving anything open. */
final class StaffTest extends TestCase
{
    private const PASSWORD = 'a boat that floats';

    public function testSomebodyIsInvitedChoosesAPasswordOnceAndLogsIn(): void
    {
        Mail::fake();
        config(['mail.default' => 'smtp']);
        $link = $this->invite('Ines Falk', 'Ines@osierquay.example', 'operator');
        Mail::assertQueued(Invitation::class, fn (Invitation $mail): bool => $mail->hasTo('ines@osierquay.example') && $mail->link === $link
            && str_contains($mail->render(), $link));
        $ines = Staff::query()->where('email', 'ines@osierquay.example')->sole();
        self::assertStringNotContainsString((string) $ines->invited_hash, $link);
        $this->get('/settings/staff')->assertSee('invited');
        $this->post('/log-out');

        $this->get($link)->assertOk()->assertSee('Ines Falk');
        $this->post($link, ['password' => 'short'])->assertSessionHasErrors(['password' => 'Take at least 10 characters.']);
        $this->post($link, ['password' => self::PASSWORD])->assertRedirect('/');
        $this->assertAuthenticatedAs($ines);
        $this->post('/log-out');
        // Once, and never by a link that is made up.
        $this->get($link)->assertSee('This link leads nowhere');
        $this->post($link, ['password' => 'another password'])->assertRedirect($link);
        $this->post('/invitations/x', ['password' => 'another password']);
        $this->assertGuest();
        $this->post('/log-in', ['email' => 'ines@osierquay.example', 'password' => self::PASSWORD])->assertRedirect('/');
    }

    public function testWhoHasALineBelowInTheirAddressIsFoundByIt(): void
    {
        $this->invite('Ines Falk', 'ines_falk@osierquay.example', 'agent');
        $this->get('/settings/staff?find=ines_f')->assertSee('ines_falk@osierquay.example')->assertDontSee('nia@osierquay.example');
        $this->get('/settings/staff?find=%25')->assertDontSee('nia@osierquay.example');
    }

    public function testAnInvitationEndsAndANewerOneReplacesIt(): void
    {
        $first = $this->invite('Ines Falk', 'ines@osierquay.example', 'agent');
        $ines = Staff::query()->where('email', 'ines@osierquay.example')->sole();
        $this->put(route('staff.update', $ines), ['do' => 'invite']);
        $second = (string) session('invitation')['link'];
        $this->post('/log-out');
        $this->get($first)->assertSee('This link leads nowhere');
        $this->get($second)->assertSee('Choose a password');
        $this->travelToMoment('2026-03-09 10:01');
        $this->get($second)->assertSee('This link leads nowhere');
        $this->post($second, ['password' => self::PASSWORD])->assertRedirect($second);
        $this->assertGuest();
    }

    public function testWhoeverLeavesLogsInNoMoreAndWhatWasTheirsIsAnothers(): void
    {
        [$tom, $nia] = [$this->staff(Role::Operator), $this->staff(Role::Agent)];
        Task::query()->create(['name' => 't', 'words' => 'Ring back', 'at' => now(), 'staff_id' => $tom->id]);
        Task::query()->create(['name' => 'u', 'words' => 'Long done', 'at' => now(), 'staff_id' => $tom->id, 'done_at' => now()]);
        Line::query()->where('key', 'workshop')->update(['staff_id' => $tom->id]);
        $this->post('/log-in', ['email' => $tom->email, 'password' => 'boathouse'])->assertRedirect('/');
        $this->get('/people')->assertOk();
        // By an administrator on another machine.
        resolve(\App\Staff\Members::class)->switchOff($tom, $nia);
        Auth::forgetGuards();
        $this->get('/people')->assertRedirect('/log-in');
        $this->post('/log-in', ['email' => $tom->email, 'password' => 'boathouse'])->assertSessionHasErrors('email');
        self::assertSame([$nia->id, $tom->id], Task::query()->orderBy('id')->pluck('staff_id')->all());
        self::assertSame($nia->id, Line::query()->where('key', 'workshop')->sole()->staff_id);

        $this->actingAs($this->staff(Role::Administrator))->put(route('staff.update', $tom), ['do' => 'on'])
            ->assertSessionHas('done', 'Tom Reyes may log in again.');
        $this->post('/log-out');
        $this->post('/log-in', ['email' => $tom->email, 'password' => 'boathouse'])->assertRedirect('/');
    }

    public function testThereIsAlwaysAnAdministratorAndMistakesStandAtTheirField(): void
    {
        $mira = $this->staff(Role::Administrator);
        $this->invite('Ines Falk', 'ines@osierquay.example', 'administrator');
        foreach ([['do' => 'off'], ['do' => 'role', 'role' => 'viewer']] as $what) {
            $this->put(route('staff.update', $mira), $what)->assertSessionHasErrors([
                "member-$mira->id" => 'Mira Okafor is the only administrator. Make somebody else one first.',
            ]);
        }
        self::assertSame(Role::Administrator, $mira->refresh()->role);
        $this->put(route('staff.update', $this->staff(Role::Viewer)), ['do' => 'role', 'role' => 'administrator'])
            ->assertSessionHas('done', 'Viv Harte is an administrator now.');
        $this->put(route('staff.update', $mira), ['do' => 'role', 'role' => 'operator'])->assertSessionHasNoErrors();
        $this->actingAs($mira->refresh())->get('/settings/staff')->assertForbidden();

        $this->actingAs($this->staff(Role::Administrator));
        $this->post('/settings/staff', ['name' => '', 'email' => 'MIRA@osierquay.example', 'role' => 'captain'])->assertSessionHasErrors([
            'name' => 'Say who it is.', 'email' => 'Somebody has that address already.', 'role' => 'Choose what they may.',
        ]);
    }

    public function testOnesOwnPasswordIsChangedByWhoKnowsIt(): void
    {
        $nia = $this->staff(Role::Agent);
        $this->actingAs($nia)->get('/password')->assertOk();
        $this->put('/password', ['now' => 'wrong', 'password' => 'short'])->assertSessionHasErrors([
            'now' => 'That is not your password as it is now.', 'password' => 'Take at least 10 characters.',
        ]);
        $this->put('/password', ['now' => 'boathouse', 'password' => self::PASSWORD])->assertSessionHasNoErrors();
        $this->post('/log-out');
        $this->post('/log-in', ['email' => $nia->email, 'password' => self::PASSWORD])->assertRedirect('/');
    }

    private function invite(string $name, string $email, string $role): string
    {
        $this->actingAs($this->staff(Role::Administrator));
        $this->post('/settings/staff', ['name' => $name, 'email' => $email, 'role' => $role])->assertRedirect('/settings/staff');

        return (string) session('invitation')['link'];
    }
}
