<?php

declare(strict_types=1);

// Writes the figures that trainings keep as JSON beside their weights out as PHP, which processes share. Run it after a training.

foreach (glob(dirname(__DIR__).'/core/Language/en/*/*.json') ?: [] as $file) {
    // What groups and vectors were made from is told to people alone.
    if (basename(dirname($file)) === 'vectors') {
        continue;
    }
    $figures = json_decode((string) file_get_contents($file), true, 64, JSON_THROW_ON_ERROR);
    file_put_contents(substr($file, 0, -4).'php', "<?php\n\ndeclare(strict_types=1);\n\n// ".basename($file)." as PHP; written by tools/trained-figures.php.\n\nreturn ".figures($figures).";\n");
}

function figures(mixed $value): string
{
    if (! is_array($value)) {
        return var_export($value, true);
    }
    $list = array_is_list($value);

    return '['.implode(', ', array_map(static fn (int|string $key, mixed $one): string => ($list ? '' : var_export($key, true).' => ').figures($one), array_keys($value), $value)).']';
}
