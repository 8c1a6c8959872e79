<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** Lists of which one option is none of the others, lists of what must not be there, and questions that are neither answered with yes nor no. */
final class NoneOfOptionsTest extends TestCase
{
    #[TestWith(['not really no', ['none']])]
    #[TestWith(["no, we're fine", ['none']])]
    #[TestWith(["I don't think so", ['none']])]
    #[TestWith(['none of that', ['none']])]
    #[TestWith(['everything', ['toilet', 'seats', 'trailer']])]
    #[TestWith(['no child seats but a toilet', ['toilet']])]
    #[TestWith(['a loo would be good', ['toilet']])]
    #[TestWith(['no idea', null])]
    public function testANoIsTheOptionForNone(string $said, mixed $expected): void
    {
        $labels = ['toilet' => 'a toilet on board', 'seats' => 'child seats', 'trailer' => 'a trailer', 'none' => 'nothing extra'];

        self::assertSame($expected, self::list($labels, 'Do you need a toilet on board, child seats, a trailer, or nothing extra?')->says($said)->value('list'), $said);
    }

    #[TestWith(["one of her friends can't have nuts", ['nuts']])]
    #[TestWith(['no eggs or dairy', ['eggs', 'dairy']])]
    #[TestWith(["my sister's coeliac", ['gluten']])]
    #[TestWith(['no it can have everything', ['none']])]
    #[TestWith(['nuts yes, the rest are fine', ['nuts']])]
    public function testWhatItMustBeWithout(string $said, mixed $expected): void
    {
        $labels = ['eggs' => 'eggs', 'nuts' => 'nuts', 'dairy' => 'dairy', 'gluten' => 'gluten', 'none' => 'nothing'];

        self::assertSame($expected, self::list($labels, 'Does it have to be without eggs, nuts, dairy or gluten?')->says($said)->value('list'), $said);
    }

    #[TestWith(['it depends on the price'])]
    #[TestWith(['maybe'])]
    #[TestWith(['we might'])]
    public function testNeitherYesNorNoIsAskedWhichItIsRather(string $said): void
    {
        $call = Conversation::asking(['want' => ['type' => 'boolean', 'title' => 'Interested']], ['want' => 'Are you still thinking of having them done?'])->says($said);
        self::assertMatchesRegularExpression('/rather|more of a/', $call->heard());
        self::assertNull($call->value('want'));
        self::assertTrue($call->says('more of a yes')->value('want'));
    }

    /** What no name and no kind tells is guessed by its meaning, and put back; what denies is not. */
    #[TestWith(['where we sleep', 'bedroom'])]
    #[TestWith(['I never go in there', null])]
    public function testAnOptionByItsMeaningIsPutBack(string $said, ?string $key): void
    {
        $call = Conversation::asking(['room' => ['type' => 'string', 'title' => 'Room', 'enum' => ['lounge', 'kitchen', 'bedroom'], 'x-labels' => ['lounge' => 'the lounge', 'kitchen' => 'the kitchen', 'bedroom' => 'the bedroom']]], ['room' => 'Is it the lounge, the kitchen or the bedroom?'])->says($said);

        self::assertSame($key, $call->value('room'), $call->heard());
        self::assertSame($key === null ? Mode::Answer : Mode::Confirm, $call->state->mode);
    }

    #[TestWith(['just third party', 'tp'])]
    #[TestWith(['third party fire and theft', 'tpft'])]
    public function testTheOptionThatIsCalledSo(string $said, string $key): void
    {
        $labels = ['tp' => 'third party', 'tpft' => 'third party, fire and theft', 'full' => 'comprehensive'];
        $call = Conversation::asking(['cover' => ['type' => 'string', 'title' => 'Cover', 'enum' => array_keys($labels), 'x-labels' => $labels]], ['cover' => 'Third party, third party fire and theft, or comprehensive?']);

        self::assertSame($key, $call->says($said)->value('cover'));
    }

    /** @param array<string, string> $labels */
    private static function list(array $labels, string $asks): Conversation
    {
        return Conversation::asking(['list' => ['type' => 'array', 'title' => 'List', 'items' => ['type' => 'string', 'enum' => array_keys($labels), 'x-labels' => $labels]]], ['list' => $asks]);
    }
}
