<?php

declare(strict_types=1);

namespace App\Gateways\Speech;

use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/** Hears with the program pocketsphinx on this machine and its model of English; nothing leaves the machine. */
final class ProgramRecogniser implements Recogniser
{
    private const MODEL = '/usr/share/pocketsphinx/model/en-us';

    /** Seconds one hearing may take; a longer one is given up. */
    private const LIMIT = 15.0;

    private ?string $dictionary = null;

    public function available(): bool
    {
        return $this->program() !== null && is_dir(self::MODEL);
    }

    public function knows(string $word): bool
    {
        $this->dictionary ??= "\n".(string) @file_get_contents(self::MODEL.'/cmudict-en-us.dict');

        return str_contains($this->dictionary, "\n{$word} ");
    }

    public function hear(string $path, ?string $grammar): Recognised
    {
        $began = hrtime(true);
        $general = $this->run($path, null);
        $told = $grammar === null ? '' : $this->run($path, $grammar);
        $took = round((hrtime(true) - $began) / 1e9, 2);

        return $told !== '' ? new Recognised($told, $general === '' || $general === $told ? [] : [$general], 'grammar', $took) : new Recognised($general, [], 'general', $took);
    }

    private function run(string $path, ?string $grammar): string
    {
        $program = $this->program();
        $file = null;
        if ($grammar !== null) {
            $file = (string) tempnam(sys_get_temp_dir(), 'ringo-grammar');
            file_put_contents($file, $grammar);
        }
        try {
            $process = new Process([(string) $program, '-infile', $path, '-logfn', '/dev/null', ...($file === null ? [] : ['-jsgf', $file])], null, null, null, self::LIMIT);
            $process->run();

            // A line an utterance: a pause within what was said makes two.
            return trim((string) preg_replace('/\s+/', ' ', $process->isSuccessful() ? $process->getOutput() : ''));
        } catch (\Symfony\Component\Process\Exception\ProcessTimedOutException) {
            return '';
        } finally {
            $file === null || @unlink($file);
        }
    }

    private function program(): ?string
    {
        return (new ExecutableFinder)->find('pocketsphinx_continuous');
    }
}
