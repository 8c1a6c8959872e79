<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Whatever is said, every reader answers, and points at words that were said. */
final class AnyWordsTest extends TestCase
{
    use TestTrait;

    private const WORDS = ['a', 'the', 'no', 'not', 'yes', 'or', 'and', 'to', 'at', 'dot', 'double', 'triple', 'half', 'quarter', 'past', 'of', 'next', 'last', 'this', 'week', 'Tuesday', 'March', 'may', 'second', 'first', 'twenty', 'hundred', 'thousand', 'point', 'oh', '5', '12', '1,200', '2.5', '10/03', '14:30', '£', 'pounds', 'p', 'days', 'hours', 'ago', 'in', 'from', 'now', 'minus', 'k', 'X', 'M', 'for', 'Mother', '@', '-', ',', '.', '?', "it's", "don't", 'sorry', 'I mean', 'let me start again', 'street', 'flat', 'lane', 'OM3', '4TP', 'John', 'Smith', 'surname', 'with', 'spelled', 'dash', 'slash', 'plus', '½', 'ü', '’', '😀', '0', '00', '999999999999999999999', 'before', 'after', 'Easter', 'on', 'until', 'couple', 'dozen', 'ish', 'one', 'number', 'either', 'all one word', 'underscore', 'é', "\u{200B}", '1/2', '31st', '2026-02-30'];

    public function testEveryReaderAnswersAnything(): void
    {
        $understanding = Understanding::in();
        $options = [['key' => 'a', 'label' => 'mini digger', 'phrases' => ['small one']], ['key' => 'b', 'label' => 'the second thing', 'phrases' => []]];
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
        $this->limitTo(150)->forAll(Generators::seq(Generators::elements(...self::WORDS)), Generators::elements('GB', 'US', 'DE', 'ZZ'), Generators::bool())->then(static function (array $words, string $country, bool $asked) use ($understanding, $options, $now): void {
            $line = implode(' ', $words);
            foreach (ValueType::cases() as $type) {
                $reading = $understanding->read($type, $line, new Context($now, $country, $options, $asked));
                self::assertSame($reading->value === null, $reading->confidence === 0.0, "{$type->value} of “{$line}”");
                self::assertTrue($reading->said === '' || str_contains(str_replace('’', "'", $line), $reading->said), "{$type->value} of “{$line}” points at “{$reading->said}”");
            }
        });
    }
}
