<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Summary;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class SummaryKind implements StepKind
{
    public const NAME = 'summary';

    /** The placeholder in its own words for what is read back. */
    public const PLACE = 'summary';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'reads several fields back and takes corrections to any';
    }

    public function silent(): string
    {
        return 'says back what was taken, and asks whether it is right';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): SummaryStep
    {
        $fields = $node->node->strings('fields');
        foreach ($fields as $i => $field) {
            if ($sheet->field($field) === null) {
                $node->unknownField($sheet, "fields[{$i}]", $field);
            }
        }
        if ($fields === []) {
            $node->node->problem('fields', 'names no field to read back');
        }

        return new SummaryStep($key, $fields, $node->wordsOrNone('prompt'), $node->tries(), $node->wayOut(), $node->next());
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('fields', Schema::listOf(Schema::text(), 1), 'reads back')
            ->saying('prompt', 'says')
            ->wayOut()
            ->next()
            ->requiring('fields', 'next')
            ->naming('fields[]');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        $fields = array_map(strval(...), array_keys($blank->document['sheet']['properties'] ?? []));

        return $fields === []
            ? $blank->withField('answer')->with(['fields' => ['answer'], 'next' => $next])
            : $blank->with(['fields' => array_slice($fields, 0, 4), 'next' => $next]);
    }
}
