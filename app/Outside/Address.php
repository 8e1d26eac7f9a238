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
        $host = strtolower(rtrim(trim($uri->getHost(), '[]'), '.'));
        if (! in_array($port, [80, 443], true) && ! self::isLetThrough($host, $port)) {
            throw Unfit::because('port', ['port' => $port]);
        }

        return new self((string) $uri->withFragment(''), $host, $port);
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
        return in_array("$host:$port", (array) config('linnet.outside.let_through'), true);
    }
}
