<?php

use Illuminate\Support\Facades\Route;
use Standins\Http\ClockController;
use Standins\Http\HandsetController;
use Standins\Http\MannersController;
use Standins\Http\ShelfController;

// The pages a person looks at.
Route::get('/', ShelfController::class)->name('shelf');
Route::get('handsets/{number}', [HandsetController::class, 'show'])->where('number', '\+\d+')->name('handset');
Route::post('handsets/{number}/texts', [HandsetController::class, 'write'])->where('number', '\+\d+')->name('handset.write');
Route::post('handsets/{number}/calls', [HandsetController::class, 'call'])->where('number', '\+\d+')->name('handset.call');
Route::post('clock', ClockController::class)->name('clock');
Route::post('manners', MannersController::class)->name('manners');
