<?php

declare(strict_types=1);

namespace App\Gateways\Web;

/**
 * Where a host of the internet is: looked up once, refused where any of its addresses is not globally routable, and held to the one that was
 * looked at, so that nobody who answers otherwise the second time leads a request elsewhere.
 *
 * Source of what is not globally routable: the special-purpose registries of IANA (RFC 6890 and its successors).
 */
final readonly class PublicAddress
{
    /** Networks that lead nowhere public. */
    private const NOT_IPV4 = ['0.0.0.0/8', '10.0.0.0/8', '100.64.0.0/10', '127.0.0.0/8', '169.254.0.0/16', '172.16.0.0/12', '192.0.0.0/24', '192.0.2.0/24', '192.31.196.0/24', '192.52.193.0/24', '192.88.99.0/24', '192.168.0.0/16', '192.175.48.0/24', '198.18.0.0/15', '198.51.100.0/24', '203.0.113.0/24', '224.0.0.0/4', '240.0.0.0/4'];

    /** Of the one network that is public at all, parts that are not: tunnels lead to addresses that were not looked at. */
    private const NOT_IPV6 = ['2001::/23', '2001:db8::/32', '2002::/16', '3fff::/20'];

    private const PUBLIC_IPV6 = '2000::/3';

    /** @param (\Closure(string): list<string>)|null $lookUp addresses of a name; the machine's resolver where nothing is given */
    public function __construct(private ?\Closure $lookUp = null)
    {
    }

    /**
     * @param bool $private whether addresses that are not public are allowed
     *
     * @return string for CURLOPT_RESOLVE: host, port and the address it is held to
     *
     * @throws \DomainException saying why nothing is asked there
     */
    public function pin(string $url, bool $private): string
    {
        $host = strtolower((string) parse_url($url, PHP_URL_HOST));
        $port = (int) (parse_url($url, PHP_URL_PORT) ?: (str_starts_with(strtolower($url), 'https') ? 443 : 80));
        $addresses = $this->addresses($host);
        foreach ($addresses as $address) {
            if (! $private && ! self::public($address)) {
                throw new \DomainException("{$host} is a private address; nothing is asked there");
            }
        }

        return "{$host}:{$port}:".(str_contains($addresses[0], ':') ? "[{$addresses[0]}]" : $addresses[0]);
    }

    public static function public(string $address): bool
    {
        $bytes = @inet_pton($address);
        if ($bytes === false) {
            return false;
        }
        if (strlen($bytes) === 4) {
            return ! self::inAny($bytes, self::NOT_IPV4);
        }

        return self::inAny($bytes, [self::PUBLIC_IPV6]) && ! self::inAny($bytes, self::NOT_IPV6);
    }

    /** @return non-empty-list<string> */
    private function addresses(string $host): array
    {
        $bare = trim($host, '[]');
        if (filter_var($bare, FILTER_VALIDATE_IP) !== false) {
            return [$bare];
        }
        // '0x7f000001', '2130706433' and '127.1' are numbers that some resolvers take for an address; no name ends in a number.
        if ($host === '' || preg_match('/(?:^|\.)(?:0x[0-9a-f]*|\d+)\.?$/i', $host) === 1 || preg_match('/^[a-z0-9.-]+$/', $host) !== 1 || strlen($host) > 253) {
            throw new \DomainException("“{$host}” is no name of a host");
        }
        $found = $this->lookUp === null ? self::resolved($host) : ($this->lookUp)($host);
        if ($found === []) {
            throw new \DomainException("{$host} is not known");
        }

        return $found;
    }

    /** @return list<string> IPv4 first */
    private static function resolved(string $host): array
    {
        $found = gethostbynamel($host) ?: [];
        foreach (@dns_get_record($host, DNS_AAAA) ?: [] as $record) {
            $found[] = (string) ($record['ipv6'] ?? '');
        }

        return array_values(array_filter($found, static fn (string $one): bool => filter_var($one, FILTER_VALIDATE_IP) !== false));
    }

    /** @param list<string> $networks */
    private static function inAny(string $bytes, array $networks): bool
    {
        foreach ($networks as $network) {
            [$start, $bits] = explode('/', $network);
            $of = (string) inet_pton($start);
            $whole = intdiv((int) $bits, 8);
            $mask = (0xFF << 8 - (int) $bits % 8) & 0xFF;
            if (strlen($of) === strlen($bytes) && strncmp($of, $bytes, $whole) === 0 && ((int) $bits % 8 === 0 || (ord($of[$whole]) & $mask) === (ord($bytes[$whole]) & $mask))) {
                return true;
            }
        }

        return false;
    }
}
