<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Gateways\Web\PublicAddress;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Requests go to the internet or nowhere, however an address is written, and to the very address that was looked at. */
final class PublicAddressTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function notPublic(): iterable
    {
        foreach (['http://127.0.0.1/', 'http://127.0.0.1:8000/x', 'http://0x7f000001/', 'http://2130706433/', 'http://127.1/', 'http://0177.0.0.1/', 'http://[::1]/', 'http://[::]/', 'http://[::ffff:127.0.0.1]/', 'http://[::ffff:7f00:1]/', 'http://[::127.0.0.1]/', 'http://[64:ff9b::7f00:1]/', 'http://[fe80::1]/', 'http://[fc00::1]/', 'http://[2002:7f00:1::]/', 'http://[2001:0:7f00:1::]/', 'http://[2001:db8::1]/', 'http://10.1.2.3/', 'http://100.64.0.1/', 'http://100.127.255.254/', 'http://169.254.169.254/latest', 'http://172.31.0.1/', 'http://192.168.1.1/', 'http://192.0.0.8/', 'http://198.19.0.1/', 'http://224.0.0.1/', 'http://255.255.255.255/', 'http://0.0.0.0/', 'http://203.0.113.9/', 'http://a b/', 'http://inside.test/', 'http://mixed.test/', 'http://unknown.test/', 'http://1.2.3/', 'http://host.0x10/', 'http:///x'] as $url) {
            yield $url => [$url];
        }
    }

    #[DataProvider('notPublic')]
    public function testNothingIsAskedThere(string $url): void
    {
        $this->expectException(\DomainException::class);
        $this->addresses()->pin($url, false);
    }

    public function testAPublicHostIsHeldToTheAddressThatWasLookedAt(): void
    {
        self::assertSame('out.test:443:93.184.215.14', $this->addresses()->pin('https://out.test/x', false));
        self::assertSame('six.test:8443:[2606:2800:21f:cb07::1]', $this->addresses()->pin('https://six.test:8443/x', false));
        self::assertSame('8.8.8.8:80:8.8.8.8', $this->addresses()->pin('http://8.8.8.8/', false));
        self::assertSame('inside.test:80:10.0.0.5', $this->addresses()->pin('http://inside.test/', true), 'where the configuration allows it');
        self::assertTrue(PublicAddress::public('100.63.255.255') && PublicAddress::public('100.128.0.0') && PublicAddress::public('172.32.0.1') && PublicAddress::public('2a00:1450:4009::1'), 'the neighbours of what is not');
    }

    public function testTheNameIsLookedUpOnce(): void
    {
        $asked = 0;
        $addresses = new PublicAddress(static function () use (&$asked): array {
            return ++$asked === 1 ? ['93.184.215.14'] : ['127.0.0.1'];
        });
        self::assertSame('rebinds.test:80:93.184.215.14', $addresses->pin('http://rebinds.test/', false));
        self::assertSame(1, $asked);
    }

    private function addresses(): PublicAddress
    {
        return new PublicAddress(static fn (string $host): array => ['out.test' => ['93.184.215.14'], 'six.test' => ['2606:2800:21f:cb07::1'], 'inside.test' => ['10.0.0.5'], 'mixed.test' => ['93.184.215.14', '127.0.0.1']][$host] ?? []);
    }
}
