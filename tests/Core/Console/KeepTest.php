<?php

declare(strict_types=1);

namespace Tests\Core\Console;

use PHPUnit\Framework\TestCase;

/** What `./ringo up` runs is started again when it dies, and gone when `./ringo up` is, however that went. */
final class KeepTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/keep-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob($this->folder.'/*') ?: []);
        rmdir($this->folder);
    }

    public function testWhatDiesIsStartedAgainAfterAPauseThatGrows(): void
    {
        [$parent] = $this->keeps("a clock: bash -c 'date +%s%N >> {$this->folder}/starts; exit 1'");
        $this->waitsFor(fn (): bool => count($this->lines('starts')) >= 3);
        posix_kill($parent, SIGTERM);
        [$first, $second, $third] = array_map(static fn (string $line): float => (float) $line / 1e9, array_slice($this->lines('starts'), 0, 3));
        self::assertGreaterThan(0.8, $second - $first);
        self::assertGreaterThan(1.6, $third - $second, 'the pause doubles');
    }

    public function testNothingIsLeftWhenTheParentIsKilledHard(): void
    {
        [$parent] = $this->keeps("a sleeper: bash -c 'echo \$\$ > {$this->folder}/pid; sleep 300 & echo \$! > {$this->folder}/child; wait'");
        $this->waitsFor(fn (): bool => $this->lines('child') !== []);
        [$pid, $child] = [(int) $this->lines('pid')[0], (int) $this->lines('child')[0]];
        $lives = static fn (int $one): bool => posix_kill($one, 0);
        self::assertSame([true, true], [$lives($pid), $lives($child)]);
        posix_kill($parent, SIGKILL);
        $this->waitsFor(static fn (): bool => ! $lives($pid) && ! $lives($child));
        self::assertFalse($lives($child), 'a child of what was kept is gone as well');
    }

    /** @return array{int} process of the parent */
    private function keeps(string $command): array
    {
        $root = dirname(__DIR__, 3);
        $script = "setsid {$root}/tools/serving/keep.sh \$\$ ".escapeshellarg($command).' 2>/dev/null & wait';
        $process = proc_open(['bash', '-c', $script], [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']], $pipes);
        self::assertIsResource($process);

        return [(int) proc_get_status($process)['pid']];
    }

    /** @return list<string> */
    private function lines(string $name): array
    {
        return is_file("{$this->folder}/{$name}") ? (file("{$this->folder}/{$name}", FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []) : [];
    }

    private function waitsFor(\Closure $holds): void
    {
        for ($until = microtime(true) + 20; ! $holds() && microtime(true) < $until;) {
            usleep(50_000);
        }
        self::assertTrue($holds(), 'it did not come to that within 20 s');
    }
}
