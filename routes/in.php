<?php

use App\Http\Controllers\CalendarController;
use App\Http\Controllers\In\TakeDelivery;
use App\Http\Controllers\In\TakeFromCarrier;
use App\Http\Controllers\In\TakeMail;
use App\Http\Controllers\TaskFeedController;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;

// What other systems send. No session, no cookies: each proves itself by its secret.
Route::middleware([SubstituteBindings::class, 'throttle:deliveries'])->prefix('in')->group(function (): void {
    Route::post('carrier', TakeFromCarrier::class)->name('in.carrier')->withoutMiddleware('throttle:deliveries');
    Route::post('mail', TakeMail::class)->name('in.mail');
    // The secret may stand in the address, for systems that can give it nowhere else.
    Route::post('{source:key}/{secret?}', TakeDelivery::class)->name('in.source');
});

// What others fetch: a calendar at an address nobody can guess.
Route::get('out/calendar/{secret}.ics', [CalendarController::class, 'show'])
    ->middleware('throttle:calendar')
    ->where('secret', '[0-9a-f]{40}')
    ->name('calendar');
Route::get('out/tasks/{secret}.ics', [TaskFeedController::class, 'show'])
    ->middleware('throttle:calendar')
    ->where('secret', '[0-9a-f]{40}')
    ->name('tasks.feed');
