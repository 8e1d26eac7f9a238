<?php

declare(strict_types=1);

namespace App\Http\Controllers\In;

use App\Inbound\MailedReplies;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** A mail as it came (message/rfc822), from whatever looks after the connected mailbox. */
final class TakeMail
{
    private const MAX_BYTES = 5_242_880;

    public function __invoke(Request $request, MailedReplies $replies): JsonResponse
    {
        $secret = config('linnet.mailbox.secret');
        if (! is_string($secret) || $secret === '' || ! hash_equals($secret, (string) $request->bearerToken())) {
            return new JsonResponse(['problem' => 'wrong secret'], 401);
        }
        $raw = $request->getContent();
        if ($raw === '' || strlen($raw) > self::MAX_BYTES) {
            return new JsonResponse(['problem' => $raw === '' ? 'no mail' : 'too large'], $raw === '' ? 422 : 413);
        }

        return $replies->take($raw)
            ? new JsonResponse(['taken' => true])
            : new JsonResponse(['problem' => 'it answers no notice, or is not from whom the notice was for'], 422);
    }
}
