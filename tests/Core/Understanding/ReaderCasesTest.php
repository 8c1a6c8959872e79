<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** What people say on the telephone, and the value it holds: the tables are in cases/, one line a case, `-` where there is none. */
final class ReaderCasesTest extends TestCase
{
    private static ?Understanding $understanding = null;

    /** @param list<array{key: string, label: string, phrases: list<string>}> $options */
    #[DataProvider('cases')]
    public function testReads(string $type, string $country, array $options, string $words, mixed $expected): void
    {
        self::$understanding ??= Understanding::in('en');
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
        $reading = self::$understanding->read(ValueType::named($type), $words, new Context($now, $country, $options));

        self::assertSame(json_encode($expected), json_encode($reading->value), "“{$words}” was read from “{$reading->said}”".($reading->doubt === null ? '' : "; doubt: {$reading->doubt}"));
        if ($expected === null) {
            self::assertSame(0.0, $reading->confidence);
        } else {
            self::assertGreaterThan(0.4, $reading->confidence);
            self::assertNotSame('', $reading->said);
            self::assertStringContainsString($reading->said, $words);
        }
    }

    /** @return iterable<string, array{string, string, list<array{key: string, label: string, phrases: list<string>}>, string, mixed}> */
    public static function cases(): iterable
    {
        foreach (glob(__DIR__.'/cases/*.txt') ?: [] as $file) {
            $name = basename($file, '.txt');
            $country = preg_match('/_us(?:_|$)/', $name) === 1 ? 'US' : 'GB';
            $type = (string) preg_replace('/(?:_(?:us|two|more|trades|delivery))+$/', '', $name);
            $options = [];
            foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $n => $line) {
                if (str_starts_with($line, '#')) {
                    $options = self::options($line) ?: $options;

                    continue;
                }
                [$words, $expected] = explode(' => ', $line, 2);
                yield "{$name}:".($n + 1)." {$words}" => [$type, $country, $options, $words, $expected === '-' ? null : (json_decode($expected, true) ?? $expected)];
            }
        }
    }

    /** @return list<array{key: string, label: string, phrases: list<string>}> */
    private static function options(string $line): array
    {
        if (preg_match('/options: (.*)/', $line, $m) !== 1) {
            return [];
        }

        return array_map(static function (string $one): array {
            [$key, $names] = explode('=', $one, 2);
            $phrases = explode('|', $names);

            return ['key' => $key, 'label' => (string) array_shift($phrases), 'phrases' => $phrases];
        }, explode(' ; ', $m[1]));
    }
}
