<?php

use App\Http\Controllers\Api\PersonController;
use App\Http\Controllers\Api\ReadController;
use App\Http\Controllers\Api\RecordController;
use App\Http\Controllers\Api\StartController;
use Illuminate\Support\Facades\Route;

// For programs, by token. docs/formats/openapi.json describes all of it, and a test holds the two together.
Route::get('people', [PersonController::class, 'index'])->middleware('ability:people:read')->name('api.people.index');
Route::post('people', [PersonController::class, 'store'])->middleware('ability:people:write')->name('api.people.store');
Route::get('people/{person}', [PersonController::class, 'show'])->middleware('ability:people:read')->name('api.people.show');
Route::patch('people/{person}', [PersonController::class, 'update'])->middleware('ability:people:write')->name('api.people.update');
Route::post('people/{person}/labels', [PersonController::class, 'label'])->middleware('ability:people:write')->name('api.people.label');
Route::get('record-types', [ReadController::class, 'types'])->middleware('ability:records:read')->name('api.record-types.index');
Route::get('records', [RecordController::class, 'index'])->middleware('ability:records:read')->name('api.records.index');
Route::post('records', [RecordController::class, 'store'])->middleware('ability:records:write')->name('api.records.store');
Route::get('records/{record}', [RecordController::class, 'show'])->middleware('ability:records:read')->name('api.records.show');
Route::patch('records/{record}', [RecordController::class, 'update'])->middleware('ability:records:write')->name('api.records.update');
Route::get('changes', [ReadController::class, 'changes'])->middleware('ability:changes:read')->name('api.changes.index');
Route::get('texts', [ReadController::class, 'texts'])->middleware('ability:texts:read')->name('api.texts.index');
Route::get('texts/{text}', [ReadController::class, 'text'])->middleware('ability:texts:read')->name('api.texts.show');
Route::get('rules', [ReadController::class, 'rules'])->middleware('ability:rules:read')->name('api.rules.index');
Route::get('rules/{rule}', [ReadController::class, 'rule'])->middleware('ability:rules:read')->name('api.rules.show');
Route::post('rules/{rule}/starts', StartController::class)->middleware('ability:rules:start')->name('api.rules.start');
Route::get('runs', [ReadController::class, 'runs'])->middleware('ability:rules:read')->name('api.runs.index');
Route::get('runs/{run}', [ReadController::class, 'run'])->middleware('ability:rules:read')->name('api.runs.show');
