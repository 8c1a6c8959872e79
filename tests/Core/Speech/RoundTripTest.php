<?php

declare(strict_types=1);

namespace Tests\Core\Speech;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Speech\Locale;
use Ringo\Speech\Speakable;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** A value the agent says is heard back as the same value, for every type. */
final class RoundTripTest extends TestCase
{
    use TestTrait;

    private Understanding $understanding;

    private Speakable $speakable;

    private \DateTimeImmutable $now;

    protected function setUp(): void
    {
        $words = Vocabulary::of();
        $plan = new NumberingPlan;
        $this->understanding = new Understanding($words, $plan);
        $this->speakable = new Speakable($words, $plan);
        $this->now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
        $this->minimumEvaluationRatio(0.1);
    }

    public function testDates(): void
    {
        $this->limitTo(150)->forAll(Generators::choose(-9000, 4000), Generators::elements('GB', 'US'))->then(function (int $days, string $country): void {
            $this->same(ValueType::Date, $this->now->modify("{$days} days")->format('Y-m-d'), $country);
        });
    }

    public function testTimes(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 1439), Generators::elements('GB', 'US'))->then(function (int $minutes, string $country): void {
            $this->same(ValueType::Time, sprintf('%02d:%02d', intdiv($minutes, 60), $minutes % 60), $country);
        });
    }

    public function testDatesWithTimes(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(1, 300), Generators::choose(0, 287))->then(function (int $days, int $fives): void {
            $this->same(ValueType::DateTime, $this->now->modify("{$days} days")->format('Y-m-d').sprintf('T%02d:%02d', intdiv($fives * 5, 60), $fives * 5 % 60));
        });
    }

    public function testNumbers(): void
    {
        $this->limitTo(200)->forAll(Generators::choose(0, 2_000_000), Generators::elements('GB', 'US'))->then(function (int $number, string $country): void {
            $this->same(ValueType::Number, $number, $country);
        });
        foreach ([0.5, 2.5, 12.75, 100.125, -4] as $number) {
            $this->same(ValueType::Number, $number);
        }
    }

    public function testMoney(): void
    {
        $this->limitTo(150)->forAll(Generators::choose(1, 500_000), Generators::elements('GBP', 'USD', 'EUR'), Generators::elements('GB', 'US'))->then(function (int $pence, string $currency, string $country): void {
            $amount = $pence / 100;
            $this->same(ValueType::Money, ['amount' => floor($amount) === $amount ? (int) $amount : $amount, 'currency' => $currency], $country);
        });
    }

    public function testDurations(): void
    {
        foreach (['P1D', 'P3D', 'P2W', 'P1M', 'P6M', 'P1Y', 'P1Y6M', 'PT30M', 'PT1H30M', 'PT90M', 'PT2H', 'P10D', 'P1DT12H', 'PT45S', 'PT2H15M'] as $duration) {
            $this->same(ValueType::Duration, $duration);
        }
    }

    public function testPhoneNumbers(): void
    {
        $this->limitTo(100)->forAll(Generators::choose(0, 999), Generators::elements('+441632960', '+447700900', '+442079460'))->then(function (int $tail, string $head): void {
            $this->same(ValueType::Phone, $head.sprintf('%03d', $tail));
        });
        $this->limitTo(50)->forAll(Generators::choose(0, 99), Generators::choose(2, 9))->then(function (int $tail, int $area): void {
            $this->same(ValueType::Phone, '+1'.$area.'1255501'.sprintf('%02d', $tail), 'US');
            $this->same(ValueType::Phone, '+1'.$area.'1255501'.sprintf('%02d', $tail), 'GB');
        });
    }

    public function testReferences(): void
    {
        $letters = str_split('BCDFGHJKLMNPQRSTVWXYZ');
        $this->limitTo(150)->forAll(Generators::elements(...$letters), Generators::elements(...$letters), Generators::choose(0, 99999), Generators::elements('', '-'))->then(function (string $a, string $b, int $n, string $dash): void {
            $this->same(ValueType::Reference, $a.$b.$dash.sprintf('%04d', $n));
        });
    }

    public function testEmails(): void
    {
        foreach (['dara@example.com', 'dara.whitcombe@example.com', 'j_smith99@example.co.uk', 'kit-21@quillmoor.example', 'a.b@example.org', 'sales+hire@example.net'] as $email) {
            $this->same(ValueType::Email, $email);
        }
    }

    public function testNames(): void
    {
        foreach (['Dara Whitcombe', "Sean O'Brien", 'Anne-Marie Duval', 'Ludo van Dijk', 'Nell'] as $name) {
            $this->same(ValueType::PersonName, $name);
        }
    }

    public function testAddressesAndWords(): void
    {
        foreach (['14 Mill Lane, Oldmere, OM3 4TP', '14 Mill Lane, Oldmere', 'Unit 7 Bracken Industrial Estate, Stanwick Cross'] as $address) {
            $this->same(ValueType::PostalAddress, $address);
        }
        $this->same(ValueType::Text, 'the hydraulic hose has burst');
        $this->same(ValueType::YesNo, true);
        $this->same(ValueType::YesNo, false);
    }

    public function testChoices(): void
    {
        $options = [['key' => 'mini', 'label' => 'mini digger', 'phrases' => []], ['key' => 'big', 'label' => 'eight tonne digger', 'phrases' => []], ['key' => 'saw', 'label' => 'floor saw', 'phrases' => []]];
        foreach ($options as $option) {
            $said = $this->speakable->say(new Typed(ValueType::Choice, $option['key'], $option['label']), new Locale($this->now));
            self::assertSame($option['key'], $this->understanding->read(ValueType::Choice, $said, new Context($this->now, 'GB', $options))->value);
        }
    }

    private function same(ValueType $type, mixed $value, string $country = 'GB'): void
    {
        $said = $this->speakable->say(new Typed($type, $value), new Locale($this->now, $country));
        $read = $this->understanding->read($type, $said, new Context($this->now, $country));

        self::assertSame(json_encode($value), json_encode($read->value), "said as “{$said}”".($read->doubt === null ? '' : "; doubt: {$read->doubt}"));
    }
}
