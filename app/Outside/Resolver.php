<?php

declare(strict_types=1);

namespace App\Outside;

/** Asks the name service where a host is. Bound anew in tests, to give whatever answer an attacker might. */
class Resolver
{
    /** @return list<string> every address, of both kinds */
    public function addresses(string $host): array
    {
        if (filter_var($host, FILTER_VALIDATE_IP) !== false) {
            return [$host];
        }
        $records = @dns_get_record($host, DNS_A | DNS_AAAA);
        $found = array_values(
            array_filter(
                array_map(fn (array $record): ?string => $record['ip'] ?? ($record['ipv6'] ?? null), is_array($records) ? $records : []),
            ),
        );

        return $found !== [] ? $found : (gethostbynamel($host) ?: []);
    }
}
