<?php

declare(strict_types=1);

namespace Tests\Feature\Intake;

use App\Outside\Destination;
use App\Outside\Fetcher;
use App\Outside\PublicAddress;
use App\Outside\Resolver;
use App\Outside\Unfit;
use Illuminate\Support\Facades\Http;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\Process\Process;
use Tests\Feature\TestCase;

/** Against a real server on this machine, let through on purpose: what the connection itself does. */
final class FetcherTest extends TestCase
{
    private Process $server;

    private string $root;

    private string $at;

    protected function setUp(): void
    {
        parent::setUp();
        Http::swap(new \Illuminate\Http\Client\Factory);
        $this->root = storage_path('framework/testing/files-'.getmypid());
        mkdir($this->root, 0o755, true);
        file_put_contents("$this->root/index.php", <<<'PHP'
            <?php
            match (strtok($_SERVER['REQUEST_URI'], '?')) {
                '/file' => print("Name\nAnn\n"),
                '/once' => header('Location: /file', true, 302),
                '/inside' => header("Location: http://127.0.0.1:{$_GET['port']}/file", true, 307),
                '/large' => (function () { for ($i = 0; $i < 3000; $i++) { echo str_repeat('x', 1000); flush(); } })(),
                '/host' => print($_SERVER['HTTP_HOST']),
                '/empty' => null,
                '/bomb' => (function () { header('Content-Encoding: gzip'); echo gzencode(str_repeat("0,0,0\n", 20_000_000), 9); })(),
                default => http_response_code(404),
            };
            PHP);
        $socket = stream_socket_server('tcp://127.0.0.1:0') ?: self::fail('no port');
        $this->at = (string) stream_socket_get_name($socket, false);
        fclose($socket);
        $this->server = new Process(['php', '-S', $this->at, "$this->root/index.php"], $this->root);
        $this->server->disableOutput()->start();
        for ($i = 0; $i < 200 && @file_get_contents("http://$this->at/file") === false; $i++) {
            usleep(20_000);
        }
        config(['linnet.outside.allowed_private_hosts' => [$this->at, 'files.example:'.$this->port()]]);
    }

    protected function tearDown(): void
    {
        $this->server->stop(1);
        array_map(unlink(...), glob("$this->root/*") ?: []);
        rmdir($this->root);
        parent::tearDown();
    }

    public function testAFileIsFetchedAlsoByWayOfARedirect(): void
    {
        self::assertSame("Name\nAnn\n", $this->fetch("http://$this->at/file"));
        self::assertSame("Name\nAnn\n", $this->fetch("http://$this->at/once"));
        self::assertSame('', $this->fetch("http://$this->at/empty"));
    }

    public function testTheConnectionGoesToTheVeryAddressThatWasLookedAt(): void
    {
        // No name service knows this name; the connection is made all the same, to where it was said to be.
        self::assertSame('files.example:'.$this->port(), $this->fetch('http://files.example:'.$this->port().'/host', ['127.0.0.1']));
    }

    public function testWhatIsPackedIsNotUnpackedOnTheWay(): void
    {
        $packed = $this->fetch("http://$this->at/bomb");

        self::assertStringStartsWith("\x1f\x8b", $packed);
        self::assertLessThan(1_000_000, strlen($packed));
    }

    public function testARedirectToAPlaceThatIsNotLetThroughIsNotFollowed(): void
    {
        config(['linnet.outside.allowed_private_hosts' => ['files.example:'.$this->port()]]);
        $this->expectUnfit(
            'outside.port',
            fn () => $this->fetch('http://files.example:'.$this->port().'/inside?port='.$this->port(), ['127.0.0.1']),
        );
    }

    public function testWhatIsTooLargeIsBrokenOffOnTheWay(): void
    {
        $this->expectUnfit('outside.too_large', fn () => $this->fetch("http://$this->at/large", mostBytes: 1_048_576));
        clearstatcache();
        self::assertLessThanOrEqual(1_048_576, (int) filesize("$this->root/got"));
    }

    public function testNoAnswerAndNoFileAreSaid(): void
    {
        $this->expectUnfit('outside.status', fn () => $this->fetch("http://$this->at/nothing"));
        $this->server->stop(1);
        $this->expectUnfit('outside.no_answer', fn () => $this->fetch("http://$this->at/file"));
    }

    #[DataProvider('addresses')]
    public function testOnlyTheOpenInternetIsPublic(string $ip, bool $public): void
    {
        self::assertSame($public, PublicAddress::is($ip));
    }

    /** @return iterable<string, array{string, bool}> */
    public static function addresses(): iterable
    {
        foreach (
            [
                '0.0.0.0', '10.0.0.1', '100.64.0.1', '127.0.0.1', '169.254.169.254', '172.16.0.1', '172.31.255.255', '192.0.0.1',
                '192.0.2.1', '192.168.1.1', '198.18.0.1', '203.0.113.9', '224.0.0.1', '255.255.255.255', '::', '::1', '::ffff:10.0.0.1',
                '::127.0.0.1', '64:ff9b::a00:1', '2002:0a00:0001::', '2001:db8::1', 'fc00::1', 'fe80::1', 'ff02::1', 'nonsense', '',
            ] as $ip
        ) {
            yield "not $ip" => [$ip, false];
        }
        foreach (
            ['8.8.8.8', '93.184.216.34', '172.32.0.1', '100.128.0.1', '2606:4700::1111', '::ffff:8.8.8.8', '2002:0808:0808::'] as $ip
        ) {
            yield $ip => [$ip, true];
        }
    }

    /** @param  list<string>|null  $says  what the name service says of any name */
    private function fetch(string $address, ?array $says = null, int $mostBytes = 5_000_000): string
    {
        $resolver = $says === null ? new Resolver : new class($says) extends Resolver
        {
            /** @param  list<string>  $says */
            public function __construct(private readonly array $says)
            {
            }

            public function addresses(string $host): array
            {
                return $this->says;
            }
        };
        (new Fetcher(new Destination($resolver), $mostBytes, 5))->fetch($address, "$this->root/got");

        return (string) file_get_contents("$this->root/got");
    }

    private function expectUnfit(string $code, \Closure $fetch): void
    {
        try {
            $fetch();
            self::fail('It was fetched.');
        } catch (Unfit $e) {
            self::assertSame($code, $e->reason->code);
        }
    }

    private function port(): string
    {
        return substr($this->at, (int) strrpos($this->at, ':') + 1);
    }
}
