<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Figures of a number plate, a reference or a telephone number are neither a count nor an hour. */
final class CodesAndFiguresTest extends TestCase
{
    #[TestWith(['WX seventeen B N D', null])]
    #[TestWith(["it's C four two oh seven", null])]
    #[TestWith(['KV sixty nine tango foxtrot lima', null])]
    #[TestWith(['at the hotel twenty five of us', 25])]
    #[TestWith(['mike and victor, two', 2])]
    #[TestWith(['we are in flat B, two of us', 2])]
    public function testCounts(string $said, ?int $count): void
    {
        self::assertSame($count, self::read(ValueType::Number, $said));
    }

    #[TestWith(['oh one six three two nine six oh seven seven one', null])]
    #[TestWith(['01632 960771', null])]
    #[TestWith(['nine hundred hours', '09:00'])]
    #[TestWith(['half past seven or so', '07:30'])]
    public function testHours(string $said, ?string $time): void
    {
        self::assertSame($time, self::read(ValueType::Time, $said));
    }

    /** A name of two words with a pause between them, whichever comes first. */
    #[TestWith(['Joy. Amadi.', 'Joy Amadi'])]
    #[TestWith(['Ashby, Nell', 'Nell Ashby'])]
    #[TestWith(['Amadi, A M A D I, Joy', 'Joy Amadi'])]
    #[TestWith(["Amadi's the surname, Joy's my first name", 'Joy Amadi'])]
    #[TestWith(["O'Rourke, first name Declan", "Declan O'Rourke"])]
    #[TestWith(['no, Peter', 'Peter'])]
    #[TestWith(['yes, please', null])]
    public function testNamesInParts(string $said, ?string $name): void
    {
        self::assertSame($name, self::read(ValueType::PersonName, $said));
    }

    #[TestWith(['capital J, then smith, at post dot example', 'jsmith@post.example'])]
    #[TestWith(["it's jo, then a dot, then west, at post dot example", 'jo.west@post.example'])]
    #[TestWith(['s for sugar, then harris at post dot example', 'sharris@post.example'])]
    #[TestWith(["well then it's jo at post dot example", 'jo@post.example'])]
    public function testAddressesToldInTurn(string $said, string $address): void
    {
        self::assertSame($address, self::read(ValueType::Email, $said));
    }

    private static function read(ValueType $type, string $said): mixed
    {
        return Understanding::in()->read($type, $said, new Context(new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'))))->value;
    }
}
