<?php

declare(strict_types=1);

namespace App\Outside;

use GuzzleHttp\Psr7\Exception\MalformedUriException;
use GuzzleHttp\Psr7\Uri;
use GuzzleHttp\Psr7\UriResolver;

/** A web address that may be gone to, as far as its words tell. */
final readonly class Address
{
    private function __construct(public string $url, public string $host, public int $port)
    {
    }

    /** @throws Unfit */
    public static function read(string $written): self
    {
        try {
            $uri = new Uri(trim($written));
        } catch (MalformedUriException) {
            throw Unfit::because('not_http', ['address' => mb_substr($written, 0, 200, 'UTF-8')]);
        }
        $scheme = strtolower($uri->getScheme());
        if (! in_array($scheme, ['http', 'https'], true) || $uri->getHost() === '' || preg_match('/[\s\x00-\x1f]/', $written) === 1) {
            throw Unfit::because('not_http', ['address' => mb_substr(mb_scrub($written, 'UTF-8'), 0, 200, 'UTF-8')]);
        }
        if ($uri->getUserInfo() !== '') {
            throw Unfit::because('has_login');
        }
        $port = $uri->getPort() ?? ($scheme === 'https' ? 443 : 80);
        $host =
            self::plain(trim($uri->getHost(), '[]')) ??
            throw Unfit::because('not_http', ['address' => mb_substr(mb_scrub($written, 'UTF-8'), 0, 200, 'UTF-8')]);
        if (! in_array($port, [80, 443], true) && ! self::isLetThrough($host, $port)) {
            throw Unfit::because('port', ['port' => $port]);
        }

        // Just the name that is looked up is gone to: one written otherwise would be looked up once more, past the pinned address.
        return new self((string) $uri->withFragment('')->withHost(str_contains($host, ':') ? "[$host]" : $host), $host, $port);
    }

    /** A host as the name service is asked for it: small letters, no dot at its end, other scripts as they are spelt there. */
    private static function plain(string $host): ?string
    {
        if (str_contains($host, ':')) {
            return strtolower($host);
        }
        $ascii = idn_to_ascii(rawurldecode($host), IDNA_DEFAULT, INTL_IDNA_VARIANT_UTS46);
        $plain = $ascii === false ? '' : strtolower(rtrim($ascii, '.'));

        return preg_match('/^[a-z0-9_-]+(\.[a-z0-9_-]+)*$/D', $plain) === 1 ? $plain : null;
    }

    /** Where a redirect leads. */
    public function leadsTo(string $location): self
    {
        try {
            return self::read((string) UriResolver::resolve(new Uri($this->url), new Uri($location)));
        } catch (MalformedUriException) {
            throw Unfit::because('not_http', ['address' => mb_substr(mb_scrub($location, 'UTF-8'), 0, 200, 'UTF-8')]);
        }
    }

    /** Let through on purpose, for stand-ins on a developer's machine: "127.0.0.1:8001". */
    public static function isLetThrough(string $host, int $port): bool
    {
        return in_array("$host:$port", (array) config('linnet.outside.allowed_private_hosts'), true);
    }
}
