<?php

use Demo\MovableClock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Validation\Rule;
use Standins\BookingPage;
use Standins\Carrier;
use Standins\Courier;
use Standins\How;
use Standins\Manner;
use Standins\NumberLookup;
use Standins\PhoneSystem;
use Standins\RackList;
use Standins\Shop;

// What other programs talk to: the carrier's service, the number lookup, and ways to make things happen from a script.

Route::post('carrier/texts', function (Request $request, Carrier $carrier): JsonResponse {
    if (! hash_equals(config()->string('standins.carrier_secret'), (string) $request->bearerToken())) {
        return new JsonResponse(['problem' => 'wrong secret'], 401);
    }
    $key = (string) $request->header('Idempotency-Key');
    if ($key === '' && ! Manner::NoKeys->isOn()) {
        return new JsonResponse(['problem' => 'an Idempotency-Key is needed'], 400);
    }
    $said = $request->validate([
        'from' => 'required|string|max:20', 'to' => 'required|string|max:20', 'text' => 'required|string|max:5000',
        'picture' => 'nullable|url|max:2000',
    ]);
    [$status, $answer] = $carrier->accept($key, $said['from'], $said['to'], $said['text'], $said['picture'] ?? null);

    return new JsonResponse($answer, $status);
});

Route::get('lookup/{number}', function (Request $request, string $number): JsonResponse {
    if (! hash_equals(config()->string('standins.lookup_secret'), (string) $request->bearerToken())) {
        return new JsonResponse(['problem' => 'wrong secret'], 401);
    }
    [$status, $answer] = NumberLookup::of($number);

    return new JsonResponse($answer, $status);
})->where('number', '\+\d{7,15}');

Route::post('mail', function (Request $request, MovableClock $clock): Response {
    $mail = $request->validate([
        'to' => 'required|string|max:500', 'subject' => 'present|nullable|string|max:500', 'words' => 'present|nullable|string|max:20000',
        'reply_to' => 'nullable|string|max:500',
    ]);
    DB::table('mails')->insert([
        'to' => $mail['to'], 'subject' => (string) $mail['subject'], 'words' => (string) $mail['words'],
        'reply_to' => $mail['reply_to'] ?? null, 'at' => $clock->now()->format('Y-m-d H:i:s'),
    ]);

    return new Response('', 201);
});

Route::get('carrier/ledger', fn (): JsonResponse => new JsonResponse(
    DB::table('texts')->whereNotNull('key')->orderBy('id')->get(['key', 'to', 'from', 'text', 'offered', 'fate', 'at']),
));

// What the carrier brought, and what handsets wrote, before these stand-ins were started.
Route::post('carrier/remembered', function (Request $request): JsonResponse {
    if (! hash_equals(config()->string('standins.carrier_secret'), (string) $request->bearerToken())) {
        return new JsonResponse(['problem' => 'wrong secret'], 401);
    }
    $texts = $request->validate([
        'texts' => 'required|array|max:1000', 'texts.*.ref' => 'required|string|max:40', 'texts.*.key' => 'nullable|string|max:100',
        'texts.*.from' => 'required|string|max:20', 'texts.*.to' => 'required|string|max:20', 'texts.*.text' => 'required|string|max:5000',
        'texts.*.fate' => 'required|in:arrived,failed', 'texts.*.at' => 'required|date',
    ])['texts'];
    DB::transaction(function () use ($texts): void {
        foreach (array_chunk($texts, 100) as $some) {
            DB::table('texts')->insertOrIgnore($some);
        }
    });

    return new JsonResponse(['remembered' => count($texts)]);
});

Route::post('phone/calls', function (Request $request, PhoneSystem $phone): JsonResponse {
    $said = $request->validate([
        'from' => 'required|string|max:20', 'to' => 'required|string|max:20', 'withheld' => 'boolean', 'answered' => 'boolean',
        'how' => Rule::enum(How::class),
    ]);
    $phone->call(
        $said['from'], $said['to'], (bool) ($said['withheld'] ?? false), (bool) ($said['answered'] ?? false),
        How::from($said['how'] ?? 'as_usual'),
    );

    return new JsonResponse(['rang' => true]);
});

Route::post('shop-acts/{number}', function (Request $request, string $number, Shop $shop): JsonResponse {
    $said = $request->validate([
        'act' => ['required', Rule::in(['leave', 'pay', ...array_keys(Shop::GOODS)])],
        'how' => Rule::enum(How::class),
    ]);
    $how = How::from($said['how'] ?? 'as_usual');
    match ($said['act']) {
        'leave' => $shop->leave($number, $how),
        'pay' => $shop->pay($number, $how),
        default => $shop->put($number, $said['act'], $how),
    };

    return new JsonResponse(['done' => true]);
})->where('number', '\+\d+');

Route::post('lessons/{number}', function (Request $request, string $number, BookingPage $page): JsonResponse {
    $said = $request->validate([
        'what' => ['required', Rule::in(array_keys(BookingPage::LESSONS))], 'with' => ['required', Rule::in(BookingPage::INSTRUCTORS)],
        'from' => 'required|date', 'guests' => 'integer|min:1|max:6', 'how' => Rule::enum(How::class),
    ]);

    return new JsonResponse([
        'lesson' => $page->book(
            $number, $said['what'], $said['with'], new DateTimeImmutable($said['from']), (int) ($said['guests'] ?? 1),
            How::from($said['how'] ?? 'as_usual'),
        ),
    ]);
})->where('number', '\+\d+');

// A table that somebody publishes at an address.
Route::get('racks.csv', fn (): Response => new Response(RackList::csv(), 200, ['Content-Type' => 'text/csv']));

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
    $manner->set($request->boolean('on'));

    return new JsonResponse(['on' => $manner->isOn()]);
});
