<?php

declare(strict_types=1);

namespace App\Gateways\Speech;

use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/** Speaks with the programs flite and espeak-ng on this machine; what was rendered is cached by its content. */
final class ProgramVoice implements Voice
{
    private const FLITE = ['slt', 'rms', 'awb', 'kal'];

    /** @var array<string, ?string> */
    private array $programs = [];

    public function __construct(private readonly string $folder)
    {
    }

    public function available(string $engine): bool
    {
        return $this->program($engine) !== null;
    }

    public function wav(string $text, array $voice): ?string
    {
        $text = trim($text);
        if ($text === '' || mb_strlen($text) > 2000) {
            return null;
        }
        $file = $this->folder.'/'.hash('sha256', json_encode([$text, $voice], JSON_THROW_ON_ERROR)).'.wav';
        if (is_file($file)) {
            return $file;
        }
        $program = $this->program($voice['engine']);
        if ($program === null || (! is_dir($this->folder) && ! @mkdir($this->folder, 0o775, true) && ! is_dir($this->folder))) {
            return null;
        }
        $fresh = $file.'.'.bin2hex(random_bytes(4)).'.tmp';
        $process = new Process($this->command($program, $text, $voice, $fresh), null, null, $text, 10.0);
        $process->run();
        if (! $process->isSuccessful() || ! is_file($fresh) || filesize($fresh) < 100) {
            @unlink($fresh);

            return null;
        }
        rename($fresh, $file);

        return $file;
    }

    /**
     * @param array{engine: string, name: string, pace: float, pitch: float} $voice
     *
     * @return list<string>
     */
    private function command(string $program, string $text, array $voice, string $file): array
    {
        if ($voice['engine'] === 'espeak-ng') {
            $name = preg_match('/^[a-z]{2,3}(?:-[a-z0-9-]+)?(?:\+[a-z0-9]+)?$/i', $voice['name']) === 1 ? $voice['name'] : 'en-gb';

            return [$program, '-v', $name, '-s', (string) (int) round(165 * $voice['pace']), '-p', (string) (int) round(max(0, min(99, 50 * $voice['pitch']))), '-w', $file, '--stdin'];
        }
        $name = in_array($voice['name'], self::FLITE, true) ? $voice['name'] : 'slt';

        return [$program, '-voice', $name, '--setf', 'duration_stretch='.number_format(1 / max(0.5, $voice['pace']), 2, '.', ''), '-t', $text, '-o', $file];
    }

    private function program(string $engine): ?string
    {
        if (! in_array($engine, ['flite', 'espeak-ng'], true)) {
            return null;
        }

        return array_key_exists($engine, $this->programs) ? $this->programs[$engine] : $this->programs[$engine] = (new ExecutableFinder)->find($engine);
    }
}
