<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Document\Node;
use Ringo\Script\WayOut;
use Ringo\Sheet\Field;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Prompt;

/** A step's part of the document, with what several kinds read from it alike. */
final readonly class StepNode
{
    public function __construct(public Node $node)
    {
    }

    /** Words that must be there. */
    public function words(string $key = 'prompt'): Prompt
    {
        $prompt = Prompt::of($this->node->text($key));
        if ($prompt->isEmpty()) {
            $this->node->problem($key, 'says nothing');
        }

        return $prompt;
    }

    public function wordsOrNone(string $key): ?Prompt
    {
        return $this->node->has($key) ? Prompt::of($this->node->text($key)) : null;
    }

    public function next(string $key = 'next'): string
    {
        return $this->node->string($key);
    }

    public function tries(int $usual = 3, int $most = 9): int
    {
        return (int) $this->node->number('tries', $usual, 1, $most);
    }

    public function wayOut(): WayOut
    {
        return WayOut::read($this->node);
    }

    /** The field a key names; a problem where the record sheet has none of that name. */
    public function field(RecordSheet $sheet, string $key = 'field'): ?Field
    {
        $name = $this->node->string($key);
        $field = $sheet->field($name);
        if ($field === null) {
            $this->unknownField($sheet, $key, $name);
        }

        return $field;
    }

    public function unknownField(RecordSheet $sheet, string $key, string $name): void
    {
        $this->node->problem($key, "the record sheet has no field “{$name}”".($sheet->fields === [] ? '' : '; it has '.implode(', ', array_keys($sheet->fields))));
    }

    /** A key of a telephone, if one is named. */
    public function digit(string $key): ?string
    {
        $digit = $this->node->optional($key);
        if ($digit !== null && preg_match('/^[0-9*#]$/', $digit) !== 1) {
            $this->node->problem($key, "“{$digit}” is no key of a telephone");
        }

        return $digit;
    }
}
