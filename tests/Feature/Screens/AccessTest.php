<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Models\Role;
use Tests\Feature\TestCase;

final class AccessTest extends TestCase
{
    use EveryRoute;

    /** What each role may open or do; everything else is refused. */
    private const MAY = [
        'log-out' => 'everybody', 'home' => 'everybody', 'conversations.index' => 'everybody', 'conversations.show' => 'everybody',
        'people.index' => 'everybody', 'people.show' => 'everybody', 'people.write' => 'converse',
        'people.moment' => 'converse', 'people.texts.store' => 'converse', 'scheduled-texts.update' => 'converse',
        'safeguards.drawn' => 'view', 'people.hears' => 'converse',
        'forms.take' => 'administer', 'people.columns' => 'view', 'words.fields' => 'converse', 'words.token' => 'converse',
        'conversations.done' => 'converse', 'words' => 'converse', 'today' => 'view', 'rules.index' => 'view', 'rules.show' => 'view',
        'rules.runs' => 'view', 'rules.document' => 'view', 'rules.checks' => 'view', 'rules.further' => 'view', 'rules.overlap' => 'view',
        'rules.samples' => 'view', 'rules.versions' => 'view', 'rules.versions.restore' => 'administer', 'rules.agreement' => 'view',
        'ahead' => 'view', 'ahead.day' => 'view', 'sent.index' => 'view', 'sent.totals' => 'view', 'sent.save' => 'administer',
        'sent.forget' => 'administer', 'messages.show' => 'view', 'messages.why' => 'view',
        'sources.index' => 'view',
        'sources.show' => 'view', 'safeguards.index' => 'view', 'safeguards.consent' => 'view',
        'rules.store' => 'administer', 'rules.starters.show' => 'administer', 'rules.begin' => 'administer',
        'rules.begin.store' => 'administer', 'rules.begin.completions' => 'administer', 'rules.sentences' => 'administer',
        'rules.undo' => 'administer', 'rules.redo' => 'administer', 'rules.completions' => 'administer', 'rules.choices' => 'administer',
        'rules.pictures.store' => 'administer', 'rules.pictures.destroy' => 'administer', 'rules.examples.show' => 'administer',
        'rules.examples.store' => 'administer', 'rules.examples.update' => 'administer', 'rules.examples.destroy' => 'administer',
        'rules.trial' => 'administer', 'rules.trial.begin' => 'administer', 'rules.trial.send' => 'administer',
        'rules.trial.number' => 'administer', 'rules.words' => 'keep records', 'rules.words.bounds' => 'administer',
        'rules.words.fields' => 'keep records', 'rules.words.token' => 'keep records', 'rules.draft.update' => 'administer',
        'rules.draft.publish' => 'administer', 'rules.draft.destroy' => 'administer', 'rules.power' => 'administer',
        'messages.ask-again' => 'administer', 'messages.went' => 'administer',
        'safeguards.update' => 'administer', 'demo.clock' => 'administer', 'deliveries.show' => 'view', 'imports.index' => 'view',
        'imports.show' => 'view', 'records.types' => 'view', 'records.index' => 'view', 'records.board' => 'view',
        'records.calendar' => 'view', 'records.columns' => 'view', 'records.show' => 'view',
        'api' => 'view', 'people.why-not' => 'view', 'people.text' => 'keep records', 'people.text.store' => 'keep records',
        'people.create' => 'keep records', 'people.store' => 'keep records', 'people.edit' => 'keep records',
        'people.numbers' => 'keep records', 'numbers.update' => 'keep records', 'numbers.destroy' => 'keep records',
        'numbers.look-up' => 'keep records', 'people.update' => 'keep records', 'records.create' => 'keep records',
        'records.store' => 'keep records', 'records.edit' => 'keep records', 'records.update' => 'keep records',
        'records.row' => 'keep records', 'records.row.update' => 'keep records',
        'records.picks' => 'keep records', 'sources.store' => 'administer', 'sources.update' => 'administer',
        'sources.settings' => 'administer', 'sources.power' => 'administer', 'sources.rotate' => 'administer',
        'sources.end-old-secret' => 'administer', 'sources.mapping' => 'administer', 'sources.mapping.update' => 'administer',
        'sources.mapping.type' => 'administer', 'sources.mapping.sample' => 'administer', 'sources.mapping.publish' => 'administer',
        'sources.mapping.destroy' => 'administer', 'deliveries.replay' => 'administer', 'deliveries.replay-many' => 'administer',
        'imports.store' => 'administer', 'imports.update' => 'administer', 'imports.start' => 'administer', 'imports.stop' => 'administer',
        'imports.go-on' => 'administer', 'imports.take-back' => 'administer', 'imports.destroy' => 'administer',
        'imports.refused' => 'administer', 'records.move' => 'administer', 'records.bulk' => 'administer', 'records.save' => 'administer',
        'records.forget' => 'administer', 'settings.index' => 'administer', 'settings.people' => 'administer',
        'settings.business' => 'administer', 'staff.index' => 'administer', 'staff.store' => 'administer',
        'staff.update' => 'administer', 'staff.attendance' => 'administer',
        'staff.attendance.update' => 'administer', 'account' => 'everybody',
        'account.update' => 'everybody', 'password.edit' => 'everybody', 'password.update' => 'everybody',
        'record-types.store' => 'administer', 'record-types.show' => 'administer', 'record-types.update' => 'administer',
        'record-types.fields.store' => 'administer', 'record-types.fields.update' => 'administer',
        'record-types.fields.move' => 'administer', 'record-types.fields.destroy' => 'administer',
        'record-types.fields.bring-back' => 'administer', 'calendars.store' => 'administer', 'calendars.destroy' => 'administer',
        'tokens.store' => 'administer', 'tokens.destroy' => 'administer', 'numbers.doubt' => 'converse', 'notices.put-away' => 'converse',
        'people.bulk' => 'administer', 'people.bulk.store' => 'administer',
        'forms.edit' => 'administer',
        'safeguards.did' => 'view', 'safeguards.effect' => 'administer',
        'account.number' => 'everybody',
        'runs.give-back' => 'converse',
        'people.twice' => 'administer', 'people.twice.list' => 'administer', 'people.apart' => 'administer',
        'people.merge' => 'administer', 'people.merge.store' => 'administer', 'merges.undo' => 'administer',
        'audiences.index' => 'view', 'audiences.show' => 'view', 'audiences.count' => 'view', 'audiences.tried' => 'view',
        'audiences.completions' => 'view', 'audiences.store' => 'administer', 'audiences.update' => 'administer',
        'audiences.freeze' => 'administer', 'audiences.destroy' => 'administer',
        'several.index' => 'view', 'several.show' => 'view', 'several.who' => 'view', 'several.people' => 'view',
        'several.store' => 'administer', 'several.update' => 'administer', 'several.go' => 'administer', 'several.power' => 'administer',
        'several.destroy' => 'administer',
        'kept-texts.index' => 'converse', 'kept-texts.store' => 'converse', 'kept-texts.update' => 'converse',
        'kept-texts.destroy' => 'converse', 'kept-texts.offered' => 'converse', 'kept-texts.fill' => 'converse',
        'conversations.writing' => 'converse', 'conversations.owner' => 'converse', 'conversations.put-off' => 'converse',
        'conversations.put-on' => 'converse',
        'people.notes.store' => 'converse', 'notes.destroy' => 'converse', 'people.tasks.store' => 'converse',
        'tasks.index' => 'everybody', 'tasks.store' => 'converse', 'tasks.update' => 'converse', 'account.tasks' => 'everybody',
        'account.tasks.end' => 'everybody', 'tasks.done' => 'converse', 'people.line' => 'converse', 'people.labels' => 'keep records',
        'people.start' => 'keep records',
        'rules.runs.decide' => 'keep records', 'rules.starts' => 'keep records', 'rules.starts.store' => 'keep records',
        'people.erase' => 'administer', 'put-asides.again' => 'administer', 'put-asides.leave' => 'administer',
        'outbound-tasks.again' => 'administer', 'outbound-tasks.again-mail' => 'administer', 'outbound-tasks.put-away-mail' => 'administer',
        'outbound-tasks.put-away' => 'administer', 'rules.release' => 'administer', 'rules.release.undo' => 'administer',
        'rules.batch' => 'view', 'rules.stuck' => 'administer', 'rules.rehearsal' => 'view', 'rules.rehearsal.rows' => 'view',
        'rules.rehearsal.run' => 'view', 'rules.rehearsal.begin' => 'administer', 'rules.rehearsal.stop' => 'administer',
        'results' => 'view', 'rules.results' => 'view', 'rules.answers' => 'view',
        'rules.copy' => 'administer', 'rules.starters' => 'administer', 'rules.starters.store' => 'administer',
        'keywords' => 'view', 'lines.index' => 'view', 'lines.show' => 'view', 'lines.store' => 'administer',
        'lines.update' => 'administer',
        'lines.power' => 'administer', 'safeguards.limits' => 'administer', 'safeguards.holidays' => 'administer',
        'safeguards.words' => 'administer', 'settings.tariff' => 'administer', 'forms.index' => 'administer', 'forms.store' => 'administer',
        'forms.update' => 'administer', 'pools.index' => 'administer', 'pools.store' => 'administer', 'pools.show' => 'administer',
        'pools.edit' => 'administer', 'pools.wordings' => 'administer', 'pools.destroy' => 'administer', 'codes.store' => 'administer',
        'codes.show' => 'administer',
    ];

    public function testEveryRouteIsGuardedForEveryRole(): void
    {
        $this->oneOfEach();
        $seen = [];

        foreach ($this->ownRoutes() as $route) {
            $name = (string) $route->getName();
            $seen[] = $name;
            $url = $this->urlOf($route);
            $method = array_values(array_diff($route->methods(), ['HEAD']))[0];
            $this->app->make('auth')->forgetGuards();
            $this->call($method, $url)->assertRedirect('/log-in');

            // The administrator last: what they take away is gone.
            foreach (array_reverse(Role::cases()) as $role) {
                $allowed = match (self::MAY[$name]) {
                    'everybody' => true,
                    'converse' => $role->converses(),
                    'view' => $role->views(),
                    'keep records' => $role->views() && $role->converses(),
                    'administer' => $role->administers(),
                };
                $status = $this->actingAs($this->staff($role))->call($method, $url)->getStatusCode();
                $allowed
                    ? self::assertContains($status, [200, 204, 302, 404, 409, 422], "$role->value $name")
                    : self::assertSame(403, $status, "$role->value $name");
            }
        }
        self::assertEqualsCanonicalizing(array_keys(self::MAY), $seen);
    }

    public function testWhoMayNotLookIsNotToldWhatIsThere(): void
    {
        foreach ([Role::Agent->value => '/rules/', Role::Viewer->value => '/lines/'] as $role => $path) {
            $this->actingAs($this->staff(Role::from($role)));
            $statuses = array_map(fn (int $id): int => $this->put("{$path}$id/power")->getStatusCode(), [1, 9999]);
            self::assertSame([403, 403], $statuses);
        }
    }

    public function testLogsInAndOutAndRefusesWithoutSayingWhichWasWrong(): void
    {
        $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'wrong'])->assertSessionHasErrors('email');
        $this->post('/log-in', ['email' => 'nobody@osierquay.example', 'password' => 'wrong'])->assertSessionHasErrors('email');
        $this->assertGuest();
        $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'boathouse'])->assertRedirect('/');
        $this->assertAuthenticated();
        $this->post('/log-out')->assertRedirect('/log-in');
        $this->assertGuest();
    }

    public function testGuessingIsSlowedDown(): void
    {
        for ($i = 0; $i < 5; $i++) {
            $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => "guess $i"])->assertRedirect();
        }
        $this->post('/log-in', ['email' => 'mira@osierquay.example', 'password' => 'boathouse'])->assertSessionHasErrors([
            'email' => 'Too many wrong tries. Wait 60 seconds, then try again.',
        ]);
        $this->assertGuest();
    }

    public function testNothingButWhatWeShipMayRun(): void
    {
        $policy = (string) $this->get('/log-in')->headers->get('Content-Security-Policy');

        self::assertStringContainsString("default-src 'self'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
    }
}
