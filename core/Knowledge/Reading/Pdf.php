<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

use Ringo\Knowledge\Document;

/**
 * Reads the text of a PDF; pages of pictures hold none.
 *
 * A program of its own reads it (`tools/pdf-text.php`), with a time and a memory: a small file can unfold to any size.
 */
final readonly class Pdf
{
    public const SECONDS = 5.0;

    public const MEGABYTES = 192;

    /** @throws UnreadableSource */
    public function read(string $source, string $bytes): Document
    {
        $text = $this->text($source, $bytes);
        if (trim($text) === '') {
            throw new UnreadableSource("{$source}: there is no text in this PDF, only pictures. Paste its text instead.");
        }

        return (new PlainText)->read($source, str_replace("\t", ' ', mb_scrub($text)));
    }

    private function text(string $source, string $bytes): string
    {
        $files = ['pdf', 'text', 'fault'];
        $paths = array_combine($files, array_map(static fn (string $one): string => (string) tempnam(sys_get_temp_dir(), "ringo-{$one}"), $files));
        try {
            file_put_contents($paths['pdf'], $bytes);
            $php = str_contains(basename(PHP_BINARY), 'fpm') ? 'php' : PHP_BINARY;
            $process = proc_open([$php, '-d', 'memory_limit='.self::MEGABYTES.'M', dirname(__DIR__, 3).'/tools/pdf-text.php'], [['file', $paths['pdf'], 'r'], ['file', $paths['text'], 'w'], ['file', $paths['fault'], 'w']], $pipes);
            $how = is_resource($process) ? $this->ended($process) : -1;

            return match (true) {
                $how === 0 => (string) file_get_contents($paths['text']),
                $how === null => throw new UnreadableSource("{$source}: this PDF takes more than ".(int) self::SECONDS.' seconds to read. Cut it into parts, or paste its text.'),
                $how === 1 => throw new UnreadableSource("{$source}: this PDF cannot be read (".mb_substr(mb_scrub((string) file_get_contents($paths['fault'])), 0, 120).'). Save it again without a password, or paste its text.'),
                default => throw new UnreadableSource("{$source}: this PDF unfolds to more than ".self::MEGABYTES.' MB. Cut it into parts, or paste its text.'),
            };
        } finally {
            array_map(unlink(...), $paths);
        }
    }

    /**
     * @param resource $process
     *
     * @return ?int what it ended with; null where its time was over
     */
    private function ended($process): ?int
    {
        $until = microtime(true) + self::SECONDS;
        while (($status = proc_get_status($process))['running'] && microtime(true) < $until) {
            usleep(5_000);
        }
        if ($status['running']) {
            proc_terminate($process, 9);
        }
        proc_close($process);

        return $status['running'] ? null : $status['exitcode'];
    }
}
