<?php

use App\Http\Controllers\AskAgainController;
use App\Http\Controllers\ConversationController;
use App\Http\Controllers\DemoClockController;
use App\Http\Controllers\DropTextController;
use App\Http\Controllers\HomeController;
use App\Http\Controllers\LogInController;
use App\Http\Controllers\MeasureController;
use App\Http\Controllers\PersonController;
use App\Http\Controllers\RuleController;
use App\Http\Controllers\RuleDraftController;
use App\Http\Controllers\RulePowerController;
use App\Http\Controllers\SafeguardsController;
use App\Http\Controllers\SentController;
use App\Http\Controllers\SourceController;
use App\Http\Controllers\TodayController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('log-in', [LogInController::class, 'show'])->name('log-in');
    Route::post('log-in', [LogInController::class, 'store']);
});

Route::middleware('auth')->group(function (): void {
    Route::post('log-out', [LogInController::class, 'destroy'])->name('log-out');
    Route::get('/', HomeController::class)->name('home');

    // Everybody who logs in sees conversations and people.
    Route::get('conversations', [ConversationController::class, 'index'])->name('conversations.index');
    Route::get('conversations/{conversation}', [ConversationController::class, 'show'])->name('conversations.show');
    Route::get('people', [PersonController::class, 'index'])->name('people.index');
    Route::get('people/{person}', [PersonController::class, 'show'])->name('people.show');

    Route::middleware('can:converse')->group(function (): void {
        Route::post('conversations/{conversation}/texts', [ConversationController::class, 'write'])->name('conversations.write');
        Route::post('conversations/{conversation}/done', [ConversationController::class, 'done'])->name('conversations.done');
        Route::post('measure', MeasureController::class)->name('measure');
    });

    Route::middleware('can:view')->group(function (): void {
        Route::get('today', TodayController::class)->name('today');
        Route::get('rules', [RuleController::class, 'index'])->name('rules.index');
        Route::get('rules/{rule}', [RuleController::class, 'show'])->name('rules.show');
        Route::post('rules/{rule}/preview', [RuleDraftController::class, 'preview'])->name('rules.preview');
        Route::get('sent', [SentController::class, 'index'])->name('sent.index');
        Route::get('sources', [SourceController::class, 'index'])->name('sources.index');
        Route::get('sources/{source}', [SourceController::class, 'show'])->name('sources.show');
        Route::get('safeguards', [SafeguardsController::class, 'index'])->name('safeguards.index');
    });

    Route::middleware('can:administer')->group(function (): void {
        Route::patch('rules/{rule}/draft', [RuleDraftController::class, 'update'])->name('rules.draft.update');
        Route::post('rules/{rule}/draft/publish', [RuleDraftController::class, 'publish'])->name('rules.draft.publish');
        Route::delete('rules/{rule}/draft', [RuleDraftController::class, 'destroy'])->name('rules.draft.destroy');
        Route::put('rules/{rule}/power', RulePowerController::class)->name('rules.power');
        Route::post('messages/{message}/ask-again', AskAgainController::class)->name('messages.ask-again');
        Route::post('messages/{message}/drop', DropTextController::class)->name('messages.drop');
        Route::put('safeguards/hours', [SafeguardsController::class, 'update'])->name('safeguards.update');
        Route::post('demo/clock', DemoClockController::class)->name('demo.clock');
    });
});
