<?php

use App\Http\Controllers\AheadController;
use App\Http\Controllers\ApiPageController;
use App\Http\Controllers\AskAgainController;
use App\Http\Controllers\AttendanceController;
use App\Http\Controllers\AudienceController;
use App\Http\Controllers\BoardController;
use App\Http\Controllers\BulkPeopleController;
use App\Http\Controllers\CalendarController;
use App\Http\Controllers\ChosenColumnsController;
use App\Http\Controllers\ConsentController;
use App\Http\Controllers\ConversationController;
use App\Http\Controllers\ConversationOwnerController;
use App\Http\Controllers\DecideRunsController;
use App\Http\Controllers\DeliveryController;
use App\Http\Controllers\DoubtController;
use App\Http\Controllers\ErasePersonController;
use App\Http\Controllers\FieldController;
use App\Http\Controllers\FormController;
use App\Http\Controllers\GiveBackController;
use App\Http\Controllers\HandWordsController;
use App\Http\Controllers\HolidaysController;
use App\Http\Controllers\HomeController;
use App\Http\Controllers\ImportController;
use App\Http\Controllers\InvitationController;
use App\Http\Controllers\KeptTextController;
use App\Http\Controllers\KeywordController;
use App\Http\Controllers\LabelController;
use App\Http\Controllers\LimitsController;
use App\Http\Controllers\LineController;
use App\Http\Controllers\LinePowerController;
use App\Http\Controllers\LockLineController;
use App\Http\Controllers\LogInController;
use App\Http\Controllers\MergeController;
use App\Http\Controllers\NoteController;
use App\Http\Controllers\NoticeController;
use App\Http\Controllers\NumberController;
use App\Http\Controllers\NumberLookupController;
use App\Http\Controllers\OpenLinkController;
use App\Http\Controllers\OutboundTaskController;
use App\Http\Controllers\OwnTextController;
use App\Http\Controllers\PasswordController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\PictureController;
use App\Http\Controllers\PoolController;
use App\Http\Controllers\PoolWordingController;
use App\Http\Controllers\PublicFormController;
use App\Http\Controllers\PutAsideController;
use App\Http\Controllers\PutOffController;
use App\Http\Controllers\RecordCalendarController;
use App\Http\Controllers\RecordController;
use App\Http\Controllers\RecordPicksController;
use App\Http\Controllers\RecordRowController;
use App\Http\Controllers\RecordTypeController;
use App\Http\Controllers\RehearsalController;
use App\Http\Controllers\ReleaseController;
use App\Http\Controllers\ResultsController;
use App\Http\Controllers\RuleAnswersController;
use App\Http\Controllers\RuleBeginningController;
use App\Http\Controllers\RuleController;
use App\Http\Controllers\RuleDocumentController;
use App\Http\Controllers\RuleDraftController;
use App\Http\Controllers\RuleExampleController;
use App\Http\Controllers\RulePictureController;
use App\Http\Controllers\RulePowerController;
use App\Http\Controllers\RuleResultsController;
use App\Http\Controllers\RuleStartsController;
use App\Http\Controllers\RuleVersionController;
use App\Http\Controllers\RuleWordsController;
use App\Http\Controllers\RuleWritingController;
use App\Http\Controllers\RunController;
use App\Http\Controllers\SafeguardsController;
use App\Http\Controllers\ScheduledTextController;
use App\Http\Controllers\SentController;
use App\Http\Controllers\SettingsController;
use App\Http\Controllers\SetupController;
use App\Http\Controllers\SeveralController;
use App\Http\Controllers\SourceController;
use App\Http\Controllers\SourceMappingController;
use App\Http\Controllers\StaffController;
use App\Http\Controllers\StarterController;
use App\Http\Controllers\StartRuleController;
use App\Http\Controllers\StuckRunsController;
use App\Http\Controllers\TariffController;
use App\Http\Controllers\TaskController;
use App\Http\Controllers\TaskFeedController;
use App\Http\Controllers\TextByHandController;
use App\Http\Controllers\TextController;
use App\Http\Controllers\TextWentController;
use App\Http\Controllers\TodayController;
use App\Http\Controllers\TokenController;
use App\Http\Controllers\TrialController;
use App\Http\Controllers\WhoHearsController;
use App\Http\Controllers\WhyNotController;
use App\Http\Controllers\WordsController;
use App\Http\Middleware\PreserveSession;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('log-in', [LogInController::class, 'show'])->name('log-in');
    Route::post('log-in', [LogInController::class, 'store']);
    Route::get('install', [SetupController::class, 'show'])->name('install');
    Route::post('install', [SetupController::class, 'store'])->middleware('throttle:forms')->name('install.store');
});

// What people outside open: no session, no cookie, and not too often.
Route::get('pictures/{name}', PictureController::class)
    ->where('name', '[0-9a-f]{32}\.(jpg|png|gif)')
    ->withoutMiddleware('web')
    ->middleware('throttle:pictures')
    ->name('pictures.show');
Route::get('l/{code}', OpenLinkController::class)
    ->where('code', '[0-9A-Za-z]{10}')
    ->withoutMiddleware('web')
    ->middleware('throttle:links')
    ->name('links.open');

Route::middleware('throttle:forms')->group(function (): void {
    Route::get('f/{form}/colours.css', [PublicFormController::class, 'colours'])->withoutMiddleware('web')->name('forms.colours');
    Route::post('f/{form}/post', [PublicFormController::class, 'post'])->withoutMiddleware(ValidateCsrfToken::class)->name('forms.post');
    Route::get('f/{form}', [PublicFormController::class, 'show'])->name('forms.public');
    Route::post('f/{form}', [PublicFormController::class, 'store'])->name('forms.send');
    Route::get('invitations/{token}', [InvitationController::class, 'show'])->name('invitations.show');
    Route::post('invitations/{token}', [InvitationController::class, 'store'])->name('invitations.store');
});

Route::middleware('auth')->group(function (): void {
    Route::post('log-out', [LogInController::class, 'destroy'])->name('log-out');
    Route::get('/', HomeController::class)->name('home');
    Route::get('tasks', [TaskController::class, 'index'])->name('tasks.index');
    Route::post('account/tasks', [TaskFeedController::class, 'store'])->name('account.tasks');
    Route::delete('account/tasks', [TaskFeedController::class, 'destroy'])->name('account.tasks.end');
    Route::get('account', [AttendanceController::class, 'own'])->name('account');
    Route::put('account', [AttendanceController::class, 'updateOwn'])->name('account.update');
    Route::post('account/number', [AttendanceController::class, 'number'])->middleware('throttle:own-number')->name('account.number');
    Route::get('password', [PasswordController::class, 'edit'])->name('password.edit');
    Route::put('password', [PasswordController::class, 'update'])->middleware('throttle:forms')->name('password.update');

    // Everybody who logs in sees conversations and people.
    Route::get('conversations', [ConversationController::class, 'index'])
        ->middleware(PreserveSession::class)
        ->name('conversations.index');
    Route::get('conversations/{conversation}', [ConversationController::class, 'show'])
        ->middleware(PreserveSession::class)
        ->name('conversations.show');
    Route::get('people', [PersonController::class, 'index'])->name('people.index');
    Route::get('people/{person}', [PersonController::class, 'show'])->whereNumber('person')
        ->missing(MergeController::moved(...))->name('people.show');

    Route::middleware('can:converse')->group(function (): void {
        Route::get('people/{person}/write', [TextByHandController::class, 'create'])->whereNumber('person')->name('people.write');
        Route::get('people/{person}/moment', [TextByHandController::class, 'moment'])
            ->whereNumber('person')
            ->middleware(PreserveSession::class)
            ->name('people.moment');
        Route::post('people/{person}/texts', [TextByHandController::class, 'store'])->whereNumber('person')->name('people.texts.store');
        Route::post('runs/{run}/give-back', GiveBackController::class)->whereNumber('run')->name('runs.give-back');
        Route::put('scheduled-texts/{scheduled}', [ScheduledTextController::class, 'update'])
            ->where('scheduled', '[0-9]{1,18}')
            ->name('scheduled-texts.update');
        Route::get('kept-texts', [KeptTextController::class, 'index'])->name('kept-texts.index');
        Route::post('kept-texts', [KeptTextController::class, 'store'])->name('kept-texts.store');
        Route::put('kept-texts/{kept}', [KeptTextController::class, 'update'])->whereNumber('kept')->name('kept-texts.update');
        Route::delete('kept-texts/{kept}', [KeptTextController::class, 'destroy'])->whereNumber('kept')->name('kept-texts.destroy');
        Route::get('people/{person}/kept-texts', [KeptTextController::class, 'offered'])
            ->whereNumber('person')
            ->middleware(PreserveSession::class)
            ->name('kept-texts.offered');
        Route::get('people/{person}/kept-texts/{kept}', [KeptTextController::class, 'fill'])
            ->whereNumber(['person', 'kept'])
            ->middleware(PreserveSession::class)
            ->name('kept-texts.fill');
        Route::post('conversations/{conversation}/writing', [ConversationController::class, 'writing'])
            ->middleware(PreserveSession::class)
            ->name('conversations.writing');
        Route::put('conversations/{conversation}/owner', ConversationOwnerController::class)->name('conversations.owner');
        Route::post('conversations/{conversation}/put-off', [PutOffController::class, 'store'])->name('conversations.put-off');
        Route::delete('conversations/{conversation}/put-off', [PutOffController::class, 'destroy'])->name('conversations.put-on');
        Route::post('people/{person}/notes', [NoteController::class, 'store'])->whereNumber('person')->name('people.notes.store');
        Route::delete('notes/{note}', [NoteController::class, 'destroy'])->whereNumber('note')->name('notes.destroy');
        Route::post('conversations/{conversation}/done', [ConversationController::class, 'done'])->name('conversations.done');
        Route::post('numbers/{number}/doubt', DoubtController::class)->name('numbers.doubt');
        Route::post('notices/{notice}/put-away', [NoticeController::class, 'putAway'])->name('notices.put-away');
        Route::post('people/{person}/tasks', [TaskController::class, 'storeFor'])->whereNumber('person')->name('people.tasks.store');
        Route::post('tasks', [TaskController::class, 'store'])->name('tasks.store');
        Route::put('tasks/{task}', [TaskController::class, 'update'])->whereNumber('task')->name('tasks.update');
        Route::post('tasks/{task}/done', [TaskController::class, 'done'])->name('tasks.done');
        Route::put('people/{person}/line', LockLineController::class)->name('people.line');
        Route::put('people/{person}/hears', WhoHearsController::class)->whereNumber('person')->name('people.hears');
        Route::middleware(PreserveSession::class)->group(function (): void {
            Route::post('words', [HandWordsController::class, 'measure'])->name('words');
            Route::get('words/fields', [HandWordsController::class, 'fields'])->name('words.fields');
            Route::get('words/token', [HandWordsController::class, 'token'])->name('words.token');
        });
    });

    Route::middleware('can:view')->group(function (): void {
        Route::get('today', TodayController::class)->middleware(PreserveSession::class)->name('today');
        Route::get('rules', [RuleController::class, 'index'])->name('rules.index');
        Route::get('rules/{rule}', [RuleController::class, 'show'])->whereNumber('rule')->name('rules.show');
        Route::get('rules/{rule}/runs', [RunController::class, 'index'])->name('rules.runs');
        Route::get('rules/{rule}/versions', [RuleVersionController::class, 'index'])->name('rules.versions');
        Route::get('rules/{rule}/agreement', [RuleWritingController::class, 'agreement'])
            ->middleware(PreserveSession::class)
            ->name('rules.agreement');
        Route::get('rules/{rule}/overlap', [RuleWritingController::class, 'overlap'])
            ->middleware(PreserveSession::class)
            ->name('rules.overlap');
        Route::get('rules/{rule}/further', [RuleWritingController::class, 'further'])
            ->middleware(PreserveSession::class)
            ->name('rules.further');
        Route::get('rules/{rule}/checks', [RuleWritingController::class, 'checks'])
            ->middleware(PreserveSession::class)
            ->name('rules.checks');
        Route::get('rules/{rule}/samples', [RuleController::class, 'samples'])
            ->middleware(PreserveSession::class)
            ->name('rules.samples');
        Route::get('rules/{rule}/rehearsal/{rehearsal?}', [RehearsalController::class, 'show'])
            ->whereNumber('rehearsal')
            ->middleware(PreserveSession::class)
            ->name('rules.rehearsal');
        Route::get('rules/{rule}/rehearsal/{rehearsal}/rows', [RehearsalController::class, 'rows'])->name('rules.rehearsal.rows');
        Route::get('rules/{rule}/rehearsal/{rehearsal}/runs/{side}/{run}', [RehearsalController::class, 'run'])
            ->whereNumber('run')
            ->name('rules.rehearsal.run');
        Route::get('rules/{rule}/batch', [ReleaseController::class, 'show'])->name('rules.batch');
        Route::get('rules/{rule}/document', [RuleDocumentController::class, 'show'])->name('rules.document');
        Route::get('people/{person}/why-not', WhyNotController::class)->whereNumber('person')->name('people.why-not');
        Route::get('ahead', [AheadController::class, 'index'])->middleware(PreserveSession::class)->name('ahead');
        Route::get('ahead/{day}', [AheadController::class, 'day'])->where('day', '\d{4}-\d\d-\d\d')->name('ahead.day');
        Route::get('sent', [SentController::class, 'index'])->name('sent.index');
        Route::get('sent/totals', [SentController::class, 'totals'])->middleware(PreserveSession::class)->name('sent.totals');
        Route::get('sent/{message}', TextController::class)->whereNumber('message')->name('messages.show');
        Route::redirect('sent/{message}/why', '/sent/{message}')->whereNumber('message')->name('messages.why');
        Route::get('sources', [SourceController::class, 'index'])->name('sources.index');
        Route::get('sources/{source}', [SourceController::class, 'show'])->middleware(PreserveSession::class)->name('sources.show');
        Route::get('sources/{source}/deliveries/{delivery}', [DeliveryController::class, 'show'])->scopeBindings()->name('deliveries.show');
        Route::get('records', [RecordController::class, 'types'])->name('records.types');
        Route::get('records/{type}', [RecordController::class, 'index'])->name('records.index');
        Route::get('records/{type}/calendar', RecordCalendarController::class)->name('records.calendar');
        Route::put('records/{type}/columns', [ChosenColumnsController::class, 'records'])->name('records.columns');
        Route::put('people/columns', [ChosenColumnsController::class, 'people'])->name('people.columns');
        Route::get('records/{type}/board', [BoardController::class, 'show'])->name('records.board');
        Route::middleware('can:converse')->group(function (): void {
            Route::get('people/new', [PersonController::class, 'create'])->name('people.create');
            Route::get('people/{person}/text', [OwnTextController::class, 'show'])->whereNumber('person')->name('people.text');
            Route::post('people/{person}/text', [OwnTextController::class, 'store'])->whereNumber('person')->name('people.text.store');
            Route::post('people', [PersonController::class, 'store'])->name('people.store');
            Route::post('numbers/{number}/look-up', NumberLookupController::class)->name('numbers.look-up');
            Route::post('people/{person}/numbers', [NumberController::class, 'store'])->whereNumber('person')->name('people.numbers');
            Route::put('numbers/{number}', [NumberController::class, 'update'])->whereNumber('number')->name('numbers.update');
            Route::delete('numbers/{number}', [NumberController::class, 'destroy'])->whereNumber('number')->name('numbers.destroy');
            Route::get('people/{person}/edit', [PersonController::class, 'edit'])->name('people.edit');
            Route::put('people/{person}', [PersonController::class, 'update'])->name('people.update');
            Route::post('people/{person}/labels', LabelController::class)->name('people.labels');
            Route::post('rules/{rule}/runs', DecideRunsController::class)->name('rules.runs.decide');
            Route::get('rules/{rule}/starts', [RuleStartsController::class, 'show'])->name('rules.starts');
            Route::post('rules/{rule}/starts', [RuleStartsController::class, 'store'])->name('rules.starts.store');
            Route::post('people/{person}/starts', StartRuleController::class)->name('people.start');
            Route::get('records/{type}/new', [RecordController::class, 'create'])->name('records.create');
            Route::post('records/{type}', [RecordController::class, 'store'])->name('records.store');
            Route::get('records/{type}/{record}/edit', [RecordController::class, 'edit'])->scopeBindings()->name('records.edit');
            Route::put('records/{type}/{record}', [RecordController::class, 'update'])->scopeBindings()->name('records.update');
            Route::get('records/{type}/{record}/row', [RecordRowController::class, 'show'])->scopeBindings()->name('records.row');
            Route::put('records/{type}/{record}/row', [RecordRowController::class, 'update'])->scopeBindings()->name('records.row.update');
            Route::post('rules/{rule}/words', [RuleWordsController::class, 'preview'])
                ->middleware(PreserveSession::class)
                ->name('rules.words');
            Route::get('rules/{rule}/words/fields', [RuleWordsController::class, 'fields'])
                ->middleware(PreserveSession::class)
                ->name('rules.words.fields');
            Route::get('rules/{rule}/words/token', [RuleWordsController::class, 'token'])
                ->middleware(PreserveSession::class)
                ->name('rules.words.token');
            Route::get('picks', RecordPicksController::class)->middleware(PreserveSession::class)->name('records.picks');
        });
        Route::get('records/{type}/{record}', [RecordController::class, 'show'])->scopeBindings()->name('records.show');
        Route::get('api', ApiPageController::class)->name('api');
        Route::get('imports', [ImportController::class, 'index'])->name('imports.index');
        Route::get('imports/{import}', [ImportController::class, 'show'])->middleware(PreserveSession::class)->name('imports.show');
        Route::get('audiences', [AudienceController::class, 'index'])->name('audiences.index');
        Route::get('audiences/completions', [AudienceController::class, 'completions'])
            ->middleware(PreserveSession::class)
            ->name('audiences.completions');
        Route::get('audiences/tried', [AudienceController::class, 'tried'])->middleware(PreserveSession::class)->name('audiences.tried');
        Route::get('audiences/{audience}', [AudienceController::class, 'show'])->whereNumber('audience')->name('audiences.show');
        Route::get('audiences/{audience}/count', [AudienceController::class, 'count'])
            ->whereNumber('audience')
            ->middleware(PreserveSession::class)
            ->name('audiences.count');
        Route::get('several', [SeveralController::class, 'index'])->name('several.index');
        Route::get('several/{several}', [SeveralController::class, 'show'])->whereNumber('several')->name('several.show');
        Route::get('several/{several}/who', [SeveralController::class, 'who'])
            ->whereNumber('several')
            ->middleware(PreserveSession::class)
            ->name('several.who');
        Route::get('several/{several}/people', [SeveralController::class, 'people'])->whereNumber('several')->name('several.people');
        Route::get('keywords', KeywordController::class)->name('keywords');
        Route::get('lines', [LineController::class, 'index'])->name('lines.index');
        Route::get('lines/{line}', [LineController::class, 'show'])->name('lines.show');
        Route::get('results', ResultsController::class)->name('results');
        Route::get('rules/{rule}/results', RuleResultsController::class)->name('rules.results');
        Route::get('rules/{rule}/answers', RuleAnswersController::class)->middleware(PreserveSession::class)->name('rules.answers');
        Route::get('safeguards', [SafeguardsController::class, 'index'])->name('safeguards.index');
        Route::get('safeguards/drawn', [SafeguardsController::class, 'drawn'])->middleware(PreserveSession::class)->name('safeguards.drawn');
        Route::get('safeguards/did/{did}', [SafeguardsController::class, 'did'])->name('safeguards.did');
        Route::get('safeguards/consent', ConsentController::class)->name('safeguards.consent');
    });

    Route::middleware('can:administer')->group(function (): void {
        Route::post('sent/lists', [SentController::class, 'save'])->name('sent.save');
        Route::delete('sent/lists/{filter}', [SentController::class, 'forget'])->whereNumber('filter')->name('sent.forget');
        Route::post('audiences', [AudienceController::class, 'store'])->name('audiences.store');
        Route::put('audiences/{audience}', [AudienceController::class, 'update'])->whereNumber('audience')->name('audiences.update');
        Route::post('audiences/{audience}/list', [AudienceController::class, 'freeze'])->whereNumber('audience')->name('audiences.freeze');
        Route::delete('audiences/{audience}', [AudienceController::class, 'destroy'])->whereNumber('audience')->name('audiences.destroy');
        Route::post('several', [SeveralController::class, 'store'])->name('several.store');
        Route::put('several/{several}', [SeveralController::class, 'update'])->whereNumber('several')->name('several.update');
        Route::post('several/{several}/go', [SeveralController::class, 'letGo'])->whereNumber('several')->name('several.go');
        Route::put('several/{several}/power', [SeveralController::class, 'power'])->whereNumber('several')->name('several.power');
        Route::delete('several/{several}', [SeveralController::class, 'destroy'])->whereNumber('several')->name('several.destroy');
        Route::get('starters', [StarterController::class, 'index'])->name('rules.starters');
        Route::get('starters/{key}', [StarterController::class, 'show'])->name('rules.starters.show');
        Route::post('starters/{key}', [StarterController::class, 'store'])->name('rules.starters.store');
        Route::post('rules/{rule}/copy', [StarterController::class, 'copy'])->name('rules.copy');
        Route::post('rules', [RuleDocumentController::class, 'store'])->name('rules.store');
        Route::get('rules/new', [RuleBeginningController::class, 'show'])->name('rules.begin');
        Route::post('rules/new', [RuleBeginningController::class, 'store'])->name('rules.begin.store');
        Route::get('rules/new/completions', [RuleBeginningController::class, 'completions'])
            ->middleware(PreserveSession::class)
            ->name('rules.begin.completions');
        Route::post('rules/{rule}/sentences', [RuleWritingController::class, 'store'])->name('rules.sentences');
        Route::post('rules/{rule}/versions/{version}', [RuleVersionController::class, 'restore'])->name('rules.versions.restore');
        Route::post('rules/{rule}/undo', [RuleWritingController::class, 'undo'])->name('rules.undo');
        Route::post('rules/{rule}/redo', [RuleWritingController::class, 'redo'])->name('rules.redo');
        Route::get('rules/{rule}/completions', [RuleWritingController::class, 'completions'])
            ->middleware(PreserveSession::class)
            ->name('rules.completions');
        Route::post('rules/{rule}/pictures/{step}', [RulePictureController::class, 'store'])->name('rules.pictures.store');
        Route::delete('rules/{rule}/pictures/{step}', [RulePictureController::class, 'destroy'])->name('rules.pictures.destroy');
        Route::get('rules/{rule}/examples/{number}', [RuleExampleController::class, 'show'])
            ->whereNumber('number')
            ->name('rules.examples.show');
        Route::post('rules/{rule}/examples', [RuleExampleController::class, 'store'])->name('rules.examples.store');
        Route::put('rules/{rule}/examples/{number}', [RuleExampleController::class, 'update'])
            ->whereNumber('number')
            ->name('rules.examples.update');
        Route::delete('rules/{rule}/examples/{number}', [RuleExampleController::class, 'destroy'])
            ->whereNumber('number')
            ->name('rules.examples.destroy');
        Route::get('rules/{rule}/trial', [TrialController::class, 'show'])
            ->middleware(PreserveSession::class)
            ->name('rules.trial');
        Route::post('rules/{rule}/trial', [TrialController::class, 'begin'])->name('rules.trial.begin');
        Route::post('rules/{rule}/trial/texts', [TrialController::class, 'send'])
            ->middleware('throttle:trials')
            ->name('rules.trial.send');
        Route::post('rules/{rule}/trial/number', [TrialController::class, 'number'])
            ->middleware('throttle:own-number')
            ->name('rules.trial.number');
        Route::post('rules/{rule}/rehearsal', [RehearsalController::class, 'store'])
            ->middleware('throttle:rehearsals')
            ->name('rules.rehearsal.begin');
        Route::post('rules/{rule}/rehearsal/{rehearsal}/stop', [RehearsalController::class, 'stop'])->name('rules.rehearsal.stop');
        Route::post('rules/{rule}/words/bounds', [RuleWordsController::class, 'bounds'])
            ->middleware(PreserveSession::class)
            ->name('rules.words.bounds');
        Route::get('rules/{rule}/choices', [RuleWritingController::class, 'choices'])
            ->middleware(PreserveSession::class)
            ->name('rules.choices');
        Route::patch('rules/{rule}/draft', [RuleDraftController::class, 'update'])->name('rules.draft.update');
        Route::post('rules/{rule}/draft/publish', [RuleDraftController::class, 'publish'])->name('rules.draft.publish');
        Route::delete('rules/{rule}/draft', [RuleDraftController::class, 'destroy'])->name('rules.draft.destroy');
        Route::put('rules/{rule}/power', RulePowerController::class)->name('rules.power');
        Route::post('rules/{rule}/release', [ReleaseController::class, 'store'])->name('rules.release');
        Route::post('rules/{rule}/release/undo', [ReleaseController::class, 'undo'])->name('rules.release.undo');
        Route::post('rules/{rule}/stuck', StuckRunsController::class)->name('rules.stuck');
        Route::put('lines/{line}/power', LinePowerController::class)->name('lines.power');
        Route::post('outbound-tasks/mail/again', [OutboundTaskController::class, 'againMail'])->name('outbound-tasks.again-mail');
        Route::post('outbound-tasks/mail/put-away', [OutboundTaskController::class, 'putAwayMail'])->name('outbound-tasks.put-away-mail');
        Route::post('outbound-tasks/{task}/again', [OutboundTaskController::class, 'again'])->name('outbound-tasks.again');
        Route::post('outbound-tasks/{task}/put-away', [OutboundTaskController::class, 'putAway'])->name('outbound-tasks.put-away');
        Route::post('put-asides/{putAside}/again', [PutAsideController::class, 'again'])->name('put-asides.again');
        Route::post('put-asides/{putAside}/leave', [PutAsideController::class, 'leave'])->name('put-asides.leave');
        Route::post('messages/{message}/ask-again', AskAgainController::class)->name('messages.ask-again');
        Route::post('messages/{message}/went', TextWentController::class)->name('messages.went');
        Route::post('sources', [SourceController::class, 'store'])->name('sources.store');
        Route::put('sources/{source}', [SourceController::class, 'update'])->name('sources.update');
        Route::get('sources/{source}/settings', [SourceController::class, 'settings'])->name('sources.settings');
        Route::put('sources/{source}/power', [SourceController::class, 'power'])->name('sources.power');
        Route::post('sources/{source}/secret', [SourceController::class, 'rotate'])->name('sources.rotate');
        Route::delete('sources/{source}/old-secret', [SourceController::class, 'endOldSecret'])->name('sources.end-old-secret');
        Route::get('sources/{source}/mapping', [SourceMappingController::class, 'show'])->name('sources.mapping');
        Route::patch('sources/{source}/mapping', [SourceMappingController::class, 'update'])->name('sources.mapping.update');
        Route::put('sources/{source}/mapping/type', [SourceMappingController::class, 'type'])->name('sources.mapping.type');
        Route::put('sources/{source}/mapping/sample', [SourceMappingController::class, 'sampleIs'])->name('sources.mapping.sample');
        Route::post('sources/{source}/mapping/publish', [SourceMappingController::class, 'publish'])->name('sources.mapping.publish');
        Route::delete('sources/{source}/mapping', [SourceMappingController::class, 'destroy'])->name('sources.mapping.destroy');
        Route::post('sources/{source}/deliveries/{delivery}/replay', [DeliveryController::class, 'replay'])
            ->scopeBindings()
            ->name('deliveries.replay');
        Route::post('sources/{source}/replays', [DeliveryController::class, 'replayMany'])->name('deliveries.replay-many');
        Route::patch('records/{type}/{record}/move', [BoardController::class, 'move'])->scopeBindings()->name('records.move');
        Route::post('records/{type}/bulk', [RecordController::class, 'bulk'])->name('records.bulk');
        Route::post('records/{type}/filters', [RecordController::class, 'save'])->name('records.save');
        Route::delete('records/{type}/filters/{filter}', [RecordController::class, 'forget'])->scopeBindings()->name('records.forget');
        Route::get('people/bulk', [BulkPeopleController::class, 'show'])->name('people.bulk');
        Route::post('people/bulk', [BulkPeopleController::class, 'store'])->name('people.bulk.store');
        Route::get('people/twice', [MergeController::class, 'index'])->name('people.twice');
        Route::get('people/twice/list', [MergeController::class, 'list'])->name('people.twice.list');
        Route::post('people/{person}/apart', [MergeController::class, 'apart'])->whereNumber('person')->name('people.apart');
        Route::get('people/{person}/merge', [MergeController::class, 'show'])->whereNumber('person')->name('people.merge');
        Route::post('people/{person}/merge', [MergeController::class, 'store'])->whereNumber('person')->name('people.merge.store');
        Route::post('merges/{merge}/undo', [MergeController::class, 'undo'])->whereNumber('merge')->name('merges.undo');
        Route::delete('people/{person}', ErasePersonController::class)->name('people.erase');
        Route::get('settings/forms', [FormController::class, 'index'])->name('forms.index');
        Route::post('settings/forms', [FormController::class, 'store'])->name('forms.store');
        Route::get('settings/forms/{form}', [FormController::class, 'edit'])->name('forms.edit');
        Route::post('settings/forms/{form}/sends/{send}/take', [FormController::class, 'take'])->whereNumber('send')->name('forms.take');
        Route::put('settings/forms/{form}', [FormController::class, 'update'])->name('forms.update');
        Route::get('settings', [SettingsController::class, 'index'])->name('settings.index');
        Route::get('settings/staff', [StaffController::class, 'index'])->name('staff.index');
        Route::post('settings/staff', [StaffController::class, 'store'])->name('staff.store');
        Route::put('settings/staff/{member}', [StaffController::class, 'update'])->whereNumber('member')->name('staff.update');
        Route::get('settings/staff/{member}', [AttendanceController::class, 'edit'])->whereNumber('member')->name('staff.attendance');
        Route::put('settings/staff/{member}/attendance', [AttendanceController::class, 'update'])
            ->whereNumber('member')
            ->name('staff.attendance.update');
        Route::put('settings/business', [SettingsController::class, 'business'])->name('settings.business');
        Route::put('settings/people', [SettingsController::class, 'people'])->name('settings.people');
        Route::post('settings/record-types', [RecordTypeController::class, 'store'])->name('record-types.store');
        Route::get('settings/record-types/{type}', [RecordTypeController::class, 'show'])->name('record-types.show');
        Route::put('settings/record-types/{type}', [RecordTypeController::class, 'update'])->name('record-types.update');
        Route::post('settings/record-types/{type}/fields', [FieldController::class, 'store'])->name('record-types.fields.store');
        Route::put('settings/record-types/{type}/fields/{field}', [FieldController::class, 'update'])->name('record-types.fields.update');
        Route::post('settings/record-types/{type}/fields/{field}/move', [FieldController::class, 'move'])->name('record-types.fields.move');
        Route::delete('settings/record-types/{type}/fields/{field}', [FieldController::class, 'destroy'])->name(
            'record-types.fields.destroy',
        );
        Route::post('settings/record-types/{type}/fields/{field}/bring-back', [FieldController::class, 'bringBack'])->name(
            'record-types.fields.bring-back',
        );
        Route::post('settings/calendars', [CalendarController::class, 'store'])->name('calendars.store');
        Route::delete('settings/calendars/{calendar}', [CalendarController::class, 'destroy'])->name('calendars.destroy');
        Route::post('settings/tokens', [TokenController::class, 'store'])->name('tokens.store');
        Route::delete('settings/tokens/{token}', [TokenController::class, 'destroy'])
            ->where('token', '[0-9]{1,18}')
            ->name('tokens.destroy');
        Route::post('imports', [ImportController::class, 'store'])->name('imports.store');
        Route::patch('imports/{import}', [ImportController::class, 'update'])->name('imports.update');
        Route::post('imports/{import}/start', [ImportController::class, 'start'])->name('imports.start');
        Route::post('imports/{import}/stop', [ImportController::class, 'stop'])->name('imports.stop');
        Route::post('imports/{import}/go-on', [ImportController::class, 'goOn'])->name('imports.go-on');
        Route::post('imports/{import}/take-back', [ImportController::class, 'takeBack'])->name('imports.take-back');
        Route::delete('imports/{import}', [ImportController::class, 'destroy'])->name('imports.destroy');
        Route::get('imports/{import}/refused.csv', [ImportController::class, 'refused'])->name('imports.refused');
        Route::post('lines', [LineController::class, 'store'])->name('lines.store');
        Route::put('lines/{line}', [LineController::class, 'update'])->name('lines.update');
        Route::get('settings/wordings', [PoolController::class, 'index'])->name('pools.index');
        Route::post('settings/wordings', [PoolController::class, 'store'])->name('pools.store');
        Route::get('settings/wordings/{pool:name}.csv', [PoolController::class, 'show'])->name('pools.show');
        Route::get('settings/wordings/{pool:name}', [PoolWordingController::class, 'show'])->name('pools.edit');
        Route::post('settings/wordings/{pool:name}', [PoolWordingController::class, 'store'])->name('pools.wordings');
        Route::delete('settings/wordings/{pool:name}', [PoolController::class, 'destroy'])->name('pools.destroy');
        Route::post('settings/codes', [PoolController::class, 'codes'])->name('codes.store');
        Route::get('settings/codes/{list}.csv', [PoolController::class, 'given'])->name('codes.show');
        Route::put('safeguards/effect/{which}', [SafeguardsController::class, 'effect'])
            ->whereIn('which', ['hours', 'limits'])
            ->name('safeguards.effect');
        Route::put('safeguards/limits', LimitsController::class)->name('safeguards.limits');
        Route::put('safeguards/holidays', HolidaysController::class)->name('safeguards.holidays');
        Route::put('safeguards/words', WordsController::class)->name('safeguards.words');
        Route::put('settings/tariff', TariffController::class)->name('settings.tariff');
        Route::put('safeguards/hours', [SafeguardsController::class, 'update'])->name('safeguards.update');
    });
});
