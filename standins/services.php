<?php

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Standins\Carrier;
use Standins\Courier;
use Standins\Manner;
use Standins\PhoneSystem;

// What other programs talk to: the carrier's service, and ways to make things happen from a script.

Route::post('carrier/texts', function (Request $request, Carrier $carrier): JsonResponse {
    if (! hash_equals(config()->string('standins.carrier_secret'), (string) $request->bearerToken())) {
        return new JsonResponse(['problem' => 'wrong secret'], 401);
    }
    $key = (string) $request->header('Idempotency-Key');
    if ($key === '') {
        return new JsonResponse(['problem' => 'an Idempotency-Key is needed'], 400);
    }
    $said = $request->validate(['from' => 'required|string|max:20', 'to' => 'required|string|max:20', 'text' => 'required|string|max:5000']);
    [$status, $answer] = $carrier->take($key, $said['from'], $said['to'], $said['text']);

    return new JsonResponse($answer, $status);
});

Route::get('carrier/ledger', fn (): JsonResponse => new JsonResponse(
    DB::table('texts')->whereNotNull('key')->orderBy('id')->get(['key', 'to', 'from', 'text', 'offered', 'fate', 'at']),
));

Route::post('phone/calls', function (Request $request, PhoneSystem $phone): JsonResponse {
    $said = $request->validate([
        'from' => 'required|string|max:20', 'to' => 'required|string|max:20', 'withheld' => 'boolean', 'answered' => 'boolean',
        'how' => 'in:as_usual,twice,broken,wrong_secret',
    ]);
    $phone->call($said['from'], $said['to'], (bool) ($said['withheld'] ?? false), (bool) ($said['answered'] ?? false), $said['how'] ?? 'as_usual');

    return new JsonResponse(['rang' => true]);
});

Route::post('handsets/{number}/write', function (Request $request, string $number, Carrier $carrier): JsonResponse {
    $said = $request->validate(['to' => 'required|string|max:20', 'text' => 'required|string|max:2000']);
    $carrier->write($number, $said['to'], $said['text']);

    return new JsonResponse(['written' => true]);
})->where('number', '\+\d+');

// Says everything that is still to be said, without waiting for its time.
Route::post('settle', function (Courier $courier): JsonResponse {
    $errands = 0;
    for ($rounds = 0; $rounds < 20 && ($run = $courier->round(hurry: true)) > 0; $rounds++) {
        $errands += $run;
    }

    return new JsonResponse(['errands' => $errands]);
});

Route::post('manners/{name}', function (Request $request, string $name): JsonResponse {
    $manner = Manner::tryFrom($name) ?? abort(404);
    $manner->turn($request->boolean('on'));

    return new JsonResponse(['on' => $manner->isOn()]);
});
