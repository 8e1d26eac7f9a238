<?php

declare(strict_types=1);

namespace App\Http\Controllers\In;

use App\Intake\Deliveries;
use App\Models\DeliveryState;
use App\Models\Source;
use App\Sentences\Sentence;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class TakeDelivery
{
    public function __invoke(Request $request, Source $source, Deliveries $deliveries): JsonResponse
    {
        $secretIsRight = $source->knows((string) $request->bearerToken());
        $delivery = $deliveries->take($source, (string) $request->getContent(), $secretIsRight);

        return new JsonResponse([
            'state' => $delivery->state->value,
            'says' => $delivery->reason === null ? null : Sentence::of($delivery->reason),
        ], match (true) {
            ! $secretIsRight => 401,
            $delivery->state === DeliveryState::Refused => 422,
            default => 200,
        });
    }
}
