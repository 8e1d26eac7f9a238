<?php

declare(strict_types=1);

namespace Tests\Feature\Screens;

use App\Intake\Imports;
use App\Intake\RecordWriter;
use App\Models\Audience;
use App\Models\Calendar;
use App\Models\Conversation;
use App\Models\Form;
use App\Models\FormSend;
use App\Models\KeptText;
use App\Models\Merge;
use App\Models\Note;
use App\Models\Notice;
use App\Models\OutboundTask;
use App\Models\Pool;
use App\Models\PutAside;
use App\Models\Record;
use App\Models\RecordType;
use App\Models\Rehearsal;
use App\Models\RehearsalState;
use App\Models\RehearsedRun;
use App\Models\Role;
use App\Models\Rule;
use App\Models\RuleVersion;
use App\Models\SavedFilter;
use App\Models\ScheduledText;
use App\Models\Task;
use App\Rehearsals\Rehearser;
use Database\Seeders\OldRecordsSeeder;
use Illuminate\Routing\Route as Routed;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;

/** Every route of ours that asks who one is, and one of each thing that a route may name. */
trait EveryRoute
{
    /** What asks nobody who they are. */
    private const OPEN = [
        'log-in', 'install', 'install.store', 'invitations.show', 'invitations.store', 'in.carrier', 'in.mail', 'in.source', 'calendar',
        'tasks.feed', 'links.open', 'pictures.show', 'forms.public', 'forms.send', 'forms.post',
        'forms.colours',
    ];

    /** @var array<string, int|string> by the parameter of a route, what it may name */
    private array $named = [];

    /** @return list<Routed> */
    private function ownRoutes(): array
    {
        return array_values(
            array_filter(
                Route::getRoutes()->getRoutes(),
                fn (Routed $route): bool => $route->uri() !== 'up' &&
                    ! in_array($route->getName(), self::OPEN, true) &&
                    $route->uri() !== 'log-in' &&
                    ! str_starts_with($route->uri(), 'api/'),
            ),
        );
    }

    private function urlOf(Routed $route): string
    {
        return route((string) $route->getName(), array_intersect_key($this->named, array_flip($route->parameterNames())));
    }

    private function oneOfEach(): void
    {
        $this->missedCall(self::WEN);
        $this->textFrom(self::WEN, 'HELP');
        $this->textFrom('+447700900999', 'Do you open on Sunday?');
        $conversation = Conversation::query()->firstOrFail();
        DB::transaction(fn () => (new OldRecordsSeeder)->run(resolve(RecordWriter::class)));
        $deal = RecordType::query()->where('key', 'deal')->firstOrFail();
        SavedFilter::query()->create(['record_type_id' => $deal->id, 'name' => 'Mine', 'asked' => []]);
        Calendar::query()->create(['record_type_id' => 3, 'name' => 'Lessons', 'secret_hash' => 'x', 'at' => now()]);
        resolve(Imports::class)->open(__FILE__, 'a.csv', null, null)->update(['state' => 'done']);
        $this->staff(Role::Administrator)->createToken('Reader');
        Form::query()->create(['key' => 'hire', 'name' => 'Hire', 'power' => 'on']);
        FormSend::query()->create(['form_id' => 1, 'person_id' => $conversation->person_id, 'agreed' => false, 'at' => now()]);
        OutboundTask::query()->create([
            'name' => 'e', 'kind' => 'email', 'address' => 'a@b.example', 'body' => [], 'state' => 'given_up', 'at' => now(),
        ]);
        Pool::query()->create(['name' => 'greetings', 'wordings' => [['id' => 'hello', 'text' => 'Hello']]]);
        ScheduledText::query()->create([
            'person_id' => $conversation->person_id, 'line_id' => 1, 'staff_id' => 1, 'number' => self::WEN, 'body' => 'See you then',
            'leaves_at' => now()->addDay(), 'at' => now(),
        ]);
        Notice::query()->create(['name' => 'n', 'words' => 'Look', 'at' => now()]);
        Note::query()->create(['person_id' => $conversation->person_id, 'words' => 'Rang', 'at' => now()]);
        KeptText::query()->create(['name' => 'Hello', 'body' => 'Hello {{ first_name | or: "there" }}']);
        Merge::query()->create(['person_id' => 1, 'gone_id' => 900, 'kept' => [], 'at' => now()->subDays(2)]);
        Audience::query()->create(['name' => 'All', 'folded' => 'all', 'of' => 'person', 'condition' => ['all' => []], 'at' => now()]);
        $this->actingAs($this->staff(Role::Administrator))->post(route('several.store'), ['audience' => 1]);
        PutAside::record(PutAside::CHANGE, 1, 'it broke', now()->toImmutable());
        Task::query()->create(['name' => 't', 'words' => 'Do', 'at' => now()]);
        $rule = Rule::query()->firstOrFail();
        Rehearsal::query()->create([
            'rule_id' => $rule->id, 'rule_version_id' => $rule->version_id, 'days' => 7, 'begins_at' => now()->subDays(7),
            'ends_at' => now(),
            'state' => RehearsalState::Waiting, 'asked_at' => now(),
        ]);
        resolve(Rehearser::class)->round(fn (): bool => false);

        $this->named = [
            'form' => 'hire', 'step' => 'first', 'task' => 1, 'putAside' => 1, 'notice' => 1, 'line' => 1, 'pool' => 'greetings',
            'list' => 'welcome', 'key' => 'birthday', 'rule' => Rule::query()->firstOrFail()->id,
            'version' => RuleVersion::query()->firstOrFail()->id, 'conversation' => $conversation->id, 'person' => $conversation->person_id,
            'message' => 1, 'source' => 'phone', 'delivery' => 1, 'day' => '2026-03-02', 'import' => 1, 'type' => 'deal',
            'record' => Record::query()
                ->where('record_type_id', RecordType::query()->where('key', 'deal')->value('id'))
                ->value('id'),
            'field' => 1,
            'filter' => 1,
            'calendar' => 1,
            'token' => 1,
            'number' => 1,
            'rehearsal' => 1,
            'side' => 'published',
            'run' => (int) RehearsedRun::query()->value('run'),
            'scheduled' => 1,
            'note' => 1,
            'kept' => 1,
            'audience' => 1,
            'several' => 1,
            'did' => 'hours',
            'which' => 'hours',
            'merge' => 1,
            'send' => 1,
            'member' => 4,
        ];
    }
}
