<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Document\JsonPlaces;
use Ringo\Inspection\Inspector;

/** `./ringo check SCRIPT`: what the inspection finds, one finding a line; exit status 1 where any is an error. */
final readonly class CheckCommand
{
    public const USAGE = './ringo check SCRIPT';

    public function run(Arguments $arguments): int
    {
        $arguments->allow([]);
        if (count($arguments->positional) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $file = $arguments->positional[0];
        $json = is_file($file) ? file_get_contents($file) : false;
        if ($json === false) {
            throw new BadInput("{$file}: there is no such file.");
        }
        try {
            $document = ScriptDocument::fromJson($json);
        } catch (InvalidDocument $problem) {
            $places = JsonPlaces::of($json);

            throw new BadInput(implode("\n", array_map(static function (array $one) use ($file, $places): string {
                $at = $places->at($one['path']);

                return str_starts_with($one['path'], 'line ') ? "{$file}: {$one['path']}: {$one['message']}" : "{$file}: line {$at['line']}, column {$at['column']}: ".($one['path'] === '' ? '' : $one['path'].': ').$one['message'];
            }, $problem->problems)));
        }
        $failed = false;
        foreach ((new Inspector)->inspect($document) as $finding) {
            Output::json($finding->toArray());
            $failed = $failed || Inspector::blocks($finding);
        }

        return $failed ? 1 : 0;
    }
}
