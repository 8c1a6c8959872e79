<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Document\InvalidDocument;
use Ringo\Errand\ErrandFile;

/** A file of errands, tables and kept answers, as the commands `call` and `errand` take it. */
final readonly class ErrandInput
{
    public static function file(string $path): ErrandFile
    {
        $data = is_file($path) ? json_decode((string) file_get_contents($path), true) : throw new BadInput("{$path}: there is no such file.");
        if (! is_array($data) || array_is_list($data)) {
            throw new BadInput("{$path}: an errands file is a JSON object with errands, tables and answers.");
        }
        try {
            return ErrandFile::fromArray($data);
        } catch (InvalidDocument $problem) {
            throw new BadInput(implode("\n", array_map(static fn (array $one): string => "{$path}: {$one['path']}: {$one['message']}", array_slice($problem->problems, 0, 20))));
        }
    }
}
