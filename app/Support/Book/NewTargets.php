<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Script\Steps\StepKinds;

/** Steps that a form leads to and that are not there yet: '+new:kind:name' makes one in its place, right after the step that names it. */
final readonly class NewTargets
{
    private const MARK = '/^\+new:([a-z]+):(.+)$/us';

    /**
     * @param array<string, mixed> $given the form as it came
     *
     * @return array{ScriptDocument, array<string, mixed>} the document with the new steps, and the form that names them
     *
     * @throws InvalidDocument where the new step has no name or no kind
     */
    public function made(ScriptDocument $document, string $after, array $given): array
    {
        $made = [];
        array_walk_recursive($given, static function (mixed &$value) use (&$document, &$made, $after): void {
            if (! is_string($value) || preg_match(self::MARK, $value, $m) !== 1) {
                return;
            }
            $name = FieldType::key($m[2]);
            if ($name === '' || (new StepKinds)->kind($m[1]) === null) {
                throw new InvalidDocument([['path' => 'next', 'message' => "“{$m[2]}” is no name for a step; a name has letters and digits, such as delivery_day"]]);
            }
            // Two ways may lead to the same new step, and a name that is there already is that step.
            if (! isset($made[$name]) && ! $document->has($name)) {
                [$document, $made[$name]] = $document->inserted($after, $m[1], $name);
            }
            $value = $made[$name] ?? $name;
        });

        return [$document, $given];
    }
}
