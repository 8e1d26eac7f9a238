<?php

declare(strict_types=1);

namespace App\Outside;

/** Where an address leads, gone to only where all answers of the name service lie on the open internet. */
final readonly class Destination
{
    public function __construct(private Resolver $resolver)
    {
    }

    /**
     * Options of a request that goes to just the place that was looked at.
     *
     * @return array{allow_redirects: false, proxy: '', curl: array<int, mixed>}
     *
     * @throws Unfit
     */
    public function pinned(Address $at): array
    {
        $found = $this->resolver->addresses($at->host);
        if ($found === []) {
            throw Unfit::because('unresolved', ['host' => $at->host]);
        }
        if (! Address::isLetThrough($at->host, $at->port)
            && array_filter($found, fn (string $ip): bool => ! PublicAddress::is($ip)) !== []) {
            throw Unfit::because('private', ['host' => $at->host]);
        }
        $ip = $found[0];

        return [
            'allow_redirects' => false,
            'proxy' => '',
            'curl' => [CURLOPT_RESOLVE => ["$at->host:$at->port:".(str_contains($ip, ':') ? "[$ip]" : $ip)]],
        ];
    }
}
