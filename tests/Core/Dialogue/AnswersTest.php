<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/**
 * Answers as callers give them to a question by itself: the field, the question, what is said turn after turn (parted by |) and what must be
 * held, once a read-back was met with a yes. What is known to come out otherwise is listed, and may not grow.
 */
final class AnswersTest extends TestCase
{
    /** @param array<string, mixed> $field */
    #[DataProvider('answers')]
    public function testTheAnswerIsHeld(array $field, string $question, string $said, mixed $held): void
    {
        $call = Conversation::asking(['asked' => $field, 'windows' => ['type' => 'integer', 'title' => 'Windows']], ['asked' => $question, 'windows' => 'How many windows?'])->says(...explode(' | ', $said));
        $value = ($call->state->mode === Mode::Confirm ? $call->says('yes') : $call)->value('asked');
        if (in_array($said, self::missed(), true)) {
            self::assertNotEquals($held, $value, 'comes out right now: strike it from answers/missed.txt');
        } else {
            self::assertEquals($held, $value, implode("\n", $call->spoken));
        }
    }

    public function testEveryMissIsAnAnswer(): void
    {
        self::assertSame([], array_diff(self::missed(), array_column(iterator_to_array(self::answers(), false), 2)));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string, mixed}> */
    public static function answers(): iterable
    {
        foreach (glob(__DIR__.'/answers/*.tsv') ?: [] as $file) {
            foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $n => $line) {
                [$field, $question, $said, $held] = explode("\t", $line);
                /** @var array<string, mixed> $read */
                $read = json_decode($field, true, 8, JSON_THROW_ON_ERROR);

                yield basename($file, '.tsv')." {$n}: {$said}" => [$read, $question, $said, json_decode($held, true, 8, JSON_THROW_ON_ERROR)];
            }
        }
    }

    /** @return list<string> */
    private static function missed(): array
    {
        return file(__DIR__.'/answers/missed.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
    }
}
