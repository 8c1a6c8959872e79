<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A number put right: its end may change, its country may not, and one that lost a digit is no number. */
final class PhoneCorrectedTest extends TestCase
{
    public function testANumberThatLostADigitDoesNotMoveToAnotherCountry(): void
    {
        mt_srand(3);
        $understanding = new Understanding(Vocabulary::of(), new NumberingPlan);
        $context = new Context(new \DateTimeImmutable('2026-03-10T10:00'));
        for ($i = 0; $i < 400; $i++) {
            $old = sprintf(mt_rand(0, 1) === 1 ? '+4477009%05d' : '+4416329%05d', 600 * 100 + mt_rand(0, 999));
            $right = sprintf('077009%05d', mt_rand(0, 999));
            $lost = substr_replace($right, '', mt_rand(1, 10), 1);
            $value = $understanding->read(ValueType::Phone, $understanding->hear("{$old}, no, {$lost}"), $context)->value;
            self::assertTrue($value === null || str_starts_with((string) $value, '+44'), "{$old}, no, {$lost}: ".var_export($value, true));
            self::assertSame('+44'.substr($right, 1), $understanding->read(ValueType::Phone, $understanding->hear("{$old}, no, {$right}"), $context)->value);
            self::assertSame(substr($old, 0, -3).'987', $understanding->read(ValueType::Phone, $understanding->hear("{$old}, no, 987"), $context)->value, 'its end is put right');
        }
    }
}
