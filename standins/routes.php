<?php

use Illuminate\Support\Facades\Route;
use Standins\Http\BookingController;
use Standins\Http\ClockController;
use Standins\Http\HandsetController;
use Standins\Http\MailboxController;
use Standins\Http\MannersController;
use Standins\Http\ShelfController;
use Standins\Http\ShopController;

// The pages a person looks at.
Route::get('/', ShelfController::class)->name('shelf');
Route::get('handsets/{number}', [HandsetController::class, 'show'])->where('number', '\+\d+')->name('handset');
// Asked again and again by the page: without a session, or what the page is to say after an act would be used up here.
Route::get('handsets/{number}/texts', [HandsetController::class, 'texts'])
    ->where('number', '\+\d+')
    ->withoutMiddleware('web')
    ->name('handset.texts');
Route::get('pictures/{ref}', [HandsetController::class, 'picture'])->name('handset.picture');
Route::post('handsets/{number}/texts', [HandsetController::class, 'write'])
    ->where('number', '\+\d+')
    ->name('handset.write');
Route::post('handsets/{number}/calls', [HandsetController::class, 'call'])
    ->where('number', '\+\d+')
    ->name('handset.call');
Route::get('shop/{number}', [ShopController::class, 'show'])
    ->where('number', '\+\d+')
    ->name('shop');
Route::post('shop/{number}', [ShopController::class, 'act'])
    ->where('number', '\+\d+')
    ->name('shop.act');
Route::get('booking/{number}', [BookingController::class, 'show'])
    ->where('number', '\+\d+')
    ->name('booking');
Route::post('booking/{number}', [BookingController::class, 'book'])
    ->where('number', '\+\d+')
    ->name('booking.book');
Route::post('booking/{number}/{lesson}', [BookingController::class, 'change'])
    ->where('number', '\+\d+')
    ->name('booking.change');
Route::get('mailbox', [MailboxController::class, 'show'])->name('mailbox');
Route::post('mailbox/{mail}', [MailboxController::class, 'answer'])->whereNumber('mail')->name('mailbox.answer');
Route::post('clock', ClockController::class)->name('clock');
Route::post('manners', MannersController::class)->name('manners');
