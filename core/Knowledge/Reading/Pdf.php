<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

use Ringo\Knowledge\Document;
use Smalot\PdfParser\Parser;

/** Reads the text of a PDF; pages of pictures hold none. */
final readonly class Pdf
{
    /** @throws UnreadableSource */
    public function read(string $source, string $bytes): Document
    {
        try {
            $text = (new Parser)->parseContent($bytes)->getText();
        } catch (\Throwable $problem) {
            throw new UnreadableSource("{$source}: this PDF cannot be read ({$problem->getMessage()}). Save it again without a password, or paste its text.");
        }
        if (trim($text) === '') {
            throw new UnreadableSource("{$source}: there is no text in this PDF, only pictures. Paste its text instead.");
        }

        return (new PlainText)->read($source, str_replace("\t", ' ', $text));
    }
}
