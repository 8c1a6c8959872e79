<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Script\ScriptReader;
use Ringo\Transcript\Turn;

/**
 * Where the number is from, asked in words nobody wrote into the product (+), and words that are near and ask something else (-).
 * The counts are those of docs/figures.md: where one changes, the figure is written down anew.
 */
final class WhenceTest extends TestCase
{
    private const ANSWERED = 16;

    private const ANSWERED_WRONGLY = 2;

    public function testAsMuchIsAnsweredAsIsSaid(): void
    {
        self::assertTrue($this->answered('who gave you my number'));
        $answered = ['+' => 0, '-' => 0];
        foreach (file(__DIR__.'/whence.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            $answered[$line[0]] += $this->answered(substr($line, 2)) ? 1 : 0;
        }
        self::assertSame(['+' => self::ANSWERED, '-' => self::ANSWERED_WRONGLY], $answered);
    }

    private function answered(string $asked): bool
    {
        $script = (new ScriptReader)->fromJson((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/quillmoor/tobin.json'));
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
        static $engine = null;
        $engine ??= Engine::for($script);
        $call = (new Rehearsal($engine))->run((new Opening($script))->state('whence', $now, '1', '+447700900123', null, ['known' => false]), Input::fromLines("hello\n{$asked}"));

        return preg_match('/on the list/', implode(' ', array_map(static fn (Turn $turn): string => $turn->by === 'agent' ? $turn->text : '', $call->transcript->turns))) === 1;
    }
}
