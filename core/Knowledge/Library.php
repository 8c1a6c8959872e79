<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Knowledge\Reading\CsvFile;
use Ringo\Knowledge\Reading\Html;
use Ringo\Knowledge\Reading\Markdown;
use Ringo\Knowledge\Reading\Pdf;
use Ringo\Knowledge\Reading\PlainText;
use Ringo\Knowledge\Reading\UnreadableSource;

/** Reads sources of knowledge by what they are: Markdown, text, HTML, PDF, CSV. */
final readonly class Library
{
    /** Largest source taken, in bytes. */
    public const MOST = 20_000_000;

    public const KINDS = ['md' => 'Markdown', 'markdown' => 'Markdown', 'txt' => 'text', 'text' => 'text', 'html' => 'web page', 'htm' => 'web page', 'pdf' => 'PDF', 'csv' => 'table', 'tsv' => 'table'];

    /**
     * @param string $name of the file; its ending says what it is
     *
     * @throws UnreadableSource
     */
    public function read(string $name, string $bytes): Document
    {
        if (strlen($bytes) > self::MOST) {
            throw new UnreadableSource("{$name}: is larger than 20 MB. Cut it into parts.");
        }
        $kind = strtolower(pathinfo($name, PATHINFO_EXTENSION));
        if (str_starts_with($bytes, '%PDF-')) {
            $kind = 'pdf';
        } elseif ($kind !== 'pdf' && str_contains(substr($bytes, 0, 4000), "\0")) {
            throw new UnreadableSource("{$name}: this is not text. Markdown, text, HTML, PDF and CSV can be read.");
        }

        return match ($kind) {
            'md', 'markdown' => (new Markdown)->read($name, $bytes),
            'txt', 'text', '' => (new PlainText)->read($name, $bytes),
            'html', 'htm' => (new Html)->read($name, $bytes),
            'pdf' => (new Pdf)->read($name, $bytes),
            'csv', 'tsv' => (new CsvFile)->read($name, $bytes),
            default => throw new UnreadableSource("{$name}: files ending in .{$kind} cannot be read; Markdown, text, HTML, PDF and CSV can."),
        };
    }

    /**
     * Every readable file of a folder, by name.
     *
     * @param callable(string): void $problem told of what cannot be read; the others go on
     *
     * @return list<Document>
     */
    public function folder(string $folder, callable $problem): array
    {
        $documents = [];
        $files = [];
        /** @var \SplFileInfo $file */
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file->isFile() && ! str_starts_with($file->getFilename(), '.')) {
                $files[] = $file->getPathname();
            }
        }
        sort($files);
        foreach ($files as $path) {
            if (! isset(self::KINDS[strtolower(pathinfo($path, PATHINFO_EXTENSION))])) {
                continue;
            }
            try {
                $documents[] = $this->read(ltrim(substr($path, strlen($folder)), '/'), (string) file_get_contents($path));
            } catch (UnreadableSource $one) {
                $problem($one->getMessage());
            }
        }

        return $documents;
    }
}
