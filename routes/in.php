<?php

use App\Http\Controllers\In\TakeDelivery;
use App\Http\Controllers\In\TakeFromCarrier;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Route;

// What other systems send. No session, no cookies: each proves itself by its secret.
Route::middleware([SubstituteBindings::class, 'throttle:deliveries'])->prefix('in')->group(function (): void {
    Route::post('carrier', TakeFromCarrier::class)->name('in.carrier')->withoutMiddleware('throttle:deliveries');
    Route::post('{source:key}', TakeDelivery::class)->name('in.source');
});
