<?php

declare(strict_types=1);

namespace Tests\Core\Format;

use PHPUnit\Framework\TestCase;
use Ringo\Format\Jsgf;
use Ringo\Language\Vocabulary;

/** Grammars of what a step waits for. */
final class JsgfTest extends TestCase
{
    public function testAKindBringsItsRulesAndTheRulesThoseNeed(): void
    {
        $grammar = (string) $this->jsgf()->of('phone', []);
        self::assertStringStartsWith("#JSGF V1.0;\ngrammar turn;\npublic <said> = <digits>;\n", $grammar);
        self::assertStringContainsString('<digit> = zero | oh | one', $grammar);
        $day = (string) $this->jsgf()->of('date', []);
        foreach (['<weekday> =', '<month> =', '<ordinal> =', '<day> ='] as $rule) {
            self::assertSame(1, substr_count($day, "\n{$rule}"), $rule);
        }
        // Every rule that is named is there.
        preg_match_all('/<(\w+)>/', $day, $named);
        foreach (array_unique($named[1]) as $name) {
            self::assertStringContainsString("<{$name}> =", $day);
        }
    }

    public function testOptionsAreSayingsWithoutSignsAndOnlyInWordsThatAreKnown(): void
    {
        $grammar = (string) $this->jsgf()->of('choice', ['Mini-digger', 'the Oldmere depot', 'three', 'three'], static fn (string $word): bool => $word !== 'oldmere');
        self::assertStringContainsString('public <said> = mini digger | three;', $grammar);
        self::assertStringNotContainsString('oldmere', $grammar);
    }

    public function testWhereAnythingMayBeSaidThereIsNone(): void
    {
        foreach (['topic', 'text', 'person_name', 'choice'] as $for) {
            self::assertNull($this->jsgf()->of($for, []));
        }
    }

    private function jsgf(): Jsgf
    {
        return new Jsgf(Vocabulary::of());
    }
}
