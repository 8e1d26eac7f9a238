<?php

declare(strict_types=1);

namespace App\Intake;

use App\Models\Proof;
use App\Models\Source;
use Illuminate\Http\Request;
use Linnet\Core\Reason;
use StandardWebhooks\Exception\WebhookSigningException;
use StandardWebhooks\Webhook;

/** Whether a delivery comes from whom it says. */
final class Proven
{
    /** Older and newer signatures are refused (Standard Webhooks, "Verifying the webhook's timestamp"). */
    private const TOLERANCE_SECONDS = 300;

    /**
     * @param  string|null  $inAddress  the secret, where the address holds it
     * @return Reason|null why it is not believed; null if it is
     */
    public static function doubt(Source $source, Request $request, ?string $inAddress, \DateTimeImmutable $now): ?Reason
    {
        if ($source->isSecretLost()) {
            return new Reason('intake.secret_lost');
        }
        $secrets = $source->secrets($now);
        if ($source->proof === Proof::Signature) {
            return self::signature($secrets, $request);
        }
        $given = $inAddress ?? $request->bearerToken() ?? $request->getPassword() ?? '';
        $right = array_filter($secrets, fn (string $secret): bool => hash_equals($secret, $given));

        return $right === [] ? new Reason('intake.wrong_secret') : null;
    }

    /** @param  list<string>  $secrets */
    private static function signature(array $secrets, Request $request): ?Reason
    {
        [$id, $time, $signatures] = array_map(fn (string $name): string => (string) $request->headers->get("webhook-$name"), [
            'id',
            'timestamp',
            'signature',
        ]);
        if ($id === '' || $time === '' || $signatures === '') {
            return new Reason('intake.unsigned');
        }
        // The sender's clock is the machine's, whatever ours shows in a demo.
        if (! ctype_digit($time) || abs((int) $time - time()) > self::TOLERANCE_SECONDS) {
            return new Reason('intake.signed_long_ago');
        }
        foreach ($secrets as $secret) {
            $webhook = str_starts_with($secret, 'whsec_') ? new Webhook($secret) : Webhook::fromRaw($secret);
            try {
                $expected = $webhook->sign($id, (int) $time, (string) $request->getContent());
            } catch (WebhookSigningException) {
                return new Reason('intake.signed_long_ago');
            }
            foreach (explode(' ', $signatures) as $signature) {
                if (hash_equals($expected, $signature)) {
                    return null;
                }
            }
        }

        return new Reason('intake.wrong_signature');
    }
}
