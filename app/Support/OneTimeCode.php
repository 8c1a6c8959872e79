<?php

declare(strict_types=1);

namespace App\Support;

/**
 * One-time codes by the clock, six digits that change every thirty seconds.
 *
 * Source: RFC 6238 (TOTP) with HMAC-SHA-1, on RFC 4226 (HOTP); secrets are written in Base32, RFC 4648.
 */
final readonly class OneTimeCode
{
    public const SECONDS = 30;

    public const DIGITS = 6;

    /** Steps before and after now that are taken as well: clocks differ. */
    private const EITHER_SIDE = 1;

    /** Bytes of a secret: as long as the hash, as RFC 4226 advises. */
    private const SECRET_BYTES = 20;

    private const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    public function secret(): string
    {
        $bits = '';
        foreach (str_split(random_bytes(self::SECRET_BYTES)) as $byte) {
            $bits .= sprintf('%08b', ord($byte));
        }

        return implode('', array_map(static fn (string $five): string => self::ALPHABET[(int) bindec($five)], str_split($bits, 5)));
    }

    /** @param int $digits 6, or 8 as in the published test vectors */
    public function at(string $secret, int $time, int $digits = self::DIGITS): string
    {
        $hash = hash_hmac('sha1', pack('J', intdiv($time, self::SECONDS)), $this->bytes($secret), true);
        $offset = ord($hash[19]) & 0xF;
        /** @var array{1: int} $word */
        $word = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($word[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /**
     * The step a code belongs to, which is never taken twice.
     *
     * @param ?int $last the step taken last
     */
    public function step(string $secret, string $code, int $time, ?int $last): ?int
    {
        $code = (string) preg_replace('/\s+/', '', $code);
        for ($side = -self::EITHER_SIDE; $side <= self::EITHER_SIDE; $side++) {
            $step = intdiv($time, self::SECONDS) + $side;
            if (($last === null || $step > $last) && hash_equals($this->at($secret, $step * self::SECONDS), $code)) {
                return $step;
            }
        }

        return null;
    }

    /** The address that programs for one-time codes read. */
    public function address(string $secret, string $email): string
    {
        return 'otpauth://totp/Ringo:'.rawurlencode($email)."?secret={$secret}&issuer=Ringo&digits=".self::DIGITS.'&period='.self::SECONDS;
    }

    private function bytes(string $secret): string
    {
        $bits = '';
        foreach (str_split(strtoupper(rtrim($secret, '='))) as $letter) {
            $bits .= sprintf('%05b', (int) strpos(self::ALPHABET, $letter));
        }

        return implode('', array_map(static fn (string $byte): string => chr((int) bindec($byte)), array_filter(str_split($bits, 8), static fn (string $byte): bool => strlen($byte) === 8)));
    }
}
