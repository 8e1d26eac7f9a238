<?php

declare(strict_types=1);

namespace App\Outside;

/** Whether an IP address lies on the open internet (RFC 6890), also when it is wrapped in another. */
final class PublicAddress
{
    private const PUBLIC_V4 = FILTER_FLAG_IPV4 | FILTER_FLAG_GLOBAL_RANGE | FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE;

    public static function is(string $ip): bool
    {
        $packed = @inet_pton($ip);
        if ($packed === false) {
            return false;
        }
        if (strlen($packed) === 4) {
            return filter_var($ip, FILTER_VALIDATE_IP, self::PUBLIC_V4) !== false
                && ord($packed[0]) < 224 && ord($packed[0]) !== 0
                // Relays from IPv6 to IPv4, given up (RFC 7526).
                && ! str_starts_with($packed, "\xc0\x58\x63");
        }
        // IPv4 inside IPv6: mapped and compatible (::ffff:0:0/96, ::/96), NAT64 (64:ff9b::/96), 6to4 (2002::/16).
        $inner = match (true) {
            str_starts_with($packed, str_repeat("\0", 10)."\xff\xff"),
            str_starts_with($packed, str_repeat("\0", 12)),
            str_starts_with($packed, "\x00\x64\xff\x9b".str_repeat("\0", 8)) => substr($packed, 12),
            str_starts_with($packed, "\x20\x02") => substr($packed, 2, 4),
            default => null,
        };
        if ($inner !== null) {
            return self::is((string) inet_ntop($inner));
        }

        // Global unicast is 2000::/3; nothing else is gone to.
        return (ord($packed[0]) & 0xE0) === 0x20 &&
            filter_var(
                $ip,
                FILTER_VALIDATE_IP,
                FILTER_FLAG_IPV6 | FILTER_FLAG_GLOBAL_RANGE | FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE,
            ) !== false;
    }
}
