<?php

declare(strict_types=1);

namespace App\Http\Controllers\In;

use App\Inbound\InboundTexts;
use App\Inbound\Receipts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Linnet\Core\Time\Moment;

/** Receipts and texts from the carrier. */
final class TakeFromCarrier
{
    public function __invoke(Request $request, Receipts $receipts, InboundTexts $inbound): JsonResponse
    {
        $secret = config('linnet.carriers.main.secret');
        if (! is_string($secret) || $secret === '' || ! hash_equals($secret, (string) $request->bearerToken())) {
            return new JsonResponse(['problem' => 'wrong secret'], 401);
        }

        if ($request->json('kind') === 'text') {
            $said = $request->validate([
                'ref' => 'required|string|max:100', 'from' => 'required|string|max:40', 'to' => 'required|string|max:40',
                'text' => 'present|nullable|string|max:20000',
            ]);
            $known = $inbound->receive($said['ref'], $said['from'], $said['to'], $said['text'] ?? '');
        } else {
            $said = $request->validate([
                'kind' => 'required|in:receipt', 'ref' => 'required|string|max:100', 'key' => 'nullable|string|max:100',
                'fate' => 'required|string|max:40', 'detail' => 'nullable|string|max:120', 'code' => 'nullable|string|max:40',
                'at' => 'required|date',
            ]);
            $at = Moment::parse($said['at'])?->at;
            $known = $at !== null
                && $receipts->receive($said['key'] ?? null, $said['ref'], $said['fate'], $said['detail'] ?? null, $at, $said['code'] ?? '');
        }

        return $known ? new JsonResponse(['taken' => true]) : new JsonResponse(['problem' => 'not known here'], 422);
    }
}
