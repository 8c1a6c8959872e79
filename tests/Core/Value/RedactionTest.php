<?php

declare(strict_types=1);

namespace Tests\Core\Value;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Value\Redaction;

final class RedactionTest extends TestCase
{
    /** @return iterable<string, array{mixed, string, string, string, string}> value, display, said, text, what is left */
    public static function words(): iterable
    {
        yield 'as it was said' => ['2026-03-11', 'Wednesday 11 March 2026', 'tomorrow', 'I need it tomorrow, please', 'I need it [x], please'];
        yield 'as it is shown' => ['2026-03-11', 'Wednesday 11 March 2026', 'tomorrow', 'So that is Wednesday 11 March 2026?', 'So that is [x]?'];
        yield 'as it is kept' => ['mini_digger', 'Mini digger', 'the small one', 'took mini_digger', 'took [x]'];
        yield 'in any case of letters' => ['Rosa', 'Rosa', 'Rosa', 'ROSA, is it? rosa', '[x], is it? [x]'];
        yield 'not within a word' => ['Ann', 'Ann', 'Ann', 'Annabel plans an announcement', 'Annabel plans an announcement'];
        yield 'not within a number' => [42, '42', '42', '142 and 42 and 420', '142 and [x] and 420'];
        yield 'the longest first' => ['Rosa Lind', 'Rosa Lind', 'Rosa', 'Rosa Lind rang', '[x] rang'];
        yield 'signs of expressions are words' => ['A+B (1)', 'A+B (1)', 'A+B (1)', 'it is A+B (1).', 'it is [x].'];
        yield 'letters of other alphabets' => ['Zoë', 'Zoë', 'Zoë', 'Zoë and Zoëlle', '[x] and Zoëlle'];
        yield 'a single letter tells nothing' => ['a', 'a', 'a', 'a cat', 'a cat'];
        yield 'nor does yes' => [true, 'Yes', 'yes', 'yes, yes I do', 'yes, yes I do'];
    }

    #[DataProvider('words')]
    public function testAValueIsTakenOutOfWords(mixed $value, string $display, string $said, string $text, string $left): void
    {
        self::assertSame($left, $this->redaction($value, $display, $said)->text($text));
    }

    public function testAtItsOwnTurnEvenABareYesIsHidden(): void
    {
        $redaction = $this->redaction(true, 'Yes', 'yes');

        self::assertSame('[x], it is', $redaction->turn(3, 'yes, it is'));
        self::assertSame('yes, it is', $redaction->turn(4, 'yes, it is'));
    }

    public function testASummaryTellsAYesOrNoByTheNameOfTheField(): void
    {
        self::assertSame('Ann called. Depot Oldmere, [x], start date Monday.', $this->redaction(false, 'No', 'no')->summary('Ann called. Depot Oldmere, not urgent, start date Monday.'));
        self::assertSame('Ann called. [x].', $this->redaction(true, 'Yes', 'yes')->summary('Ann called. Urgent.'));
        self::assertSame('Ann called: “it is urgent now”.', $this->redaction(true, 'Yes', 'yes')->summary('Ann called: “it is urgent now”.'), 'not in the words of the caller');
    }

    public function testATreeOfDataIsGoneThroughWholly(): void
    {
        self::assertSame(['a' => ['say [x]', 7, true, null], 'b' => '[x]'], $this->redaction('Rosa', 'Rosa', 'Rosa')->tree(['a' => ['say Rosa', 7, true, null], 'b' => 'rosa']));
    }

    public function testTheSignIsNeverReadAsAnExpression(): void
    {
        $redaction = new Redaction(['f' => $this->cell('Rosa', 'Rosa', 'Rosa')], ['f' => 'F'], '$1\\0');

        self::assertSame('$1\\0 rang', $redaction->text('Rosa rang'));
    }

    private function redaction(mixed $value, string $display, string $said): Redaction
    {
        return new Redaction(['urgent' => $this->cell($value, $display, $said)], ['urgent' => 'Urgent'], '[x]');
    }

    /** @return array{value: mixed, display: string, confidence: float, origin: string, turn: ?int, said: string, confirmed: bool, doubt: ?string} */
    private function cell(mixed $value, string $display, string $said): array
    {
        return ['value' => $value, 'display' => $display, 'confidence' => 0.9, 'origin' => 'asked', 'turn' => 3, 'said' => $said, 'confirmed' => false, 'doubt' => null];
    }
}
