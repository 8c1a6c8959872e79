<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Sheet\RecordSheet;

/**
 * A kind of step: its word, its keys, how it is read, what a blank one looks like, and which of its keys name steps and fields.
 *
 * Everything that treats steps alike (reading, renaming, comparing, the schema) asks here; docs/steps.md tells how a kind is added.
 */
interface StepKind
{
    /** Its word in a script: say, ask, choose … */
    public function name(): string;

    /** What it does, in a few words: 'collects one field'. */
    public function does(): string;

    /** What the prompt book shows in the place of words where a step of this kind has none to say. */
    public function silent(): string;

    public function read(string $key, StepNode $node, RecordSheet $sheet): Step;

    /** The keys of its document in the order they are written, each with its schema and what a comparison calls it. */
    public function keys(): Keys;

    /** A step nobody has written in yet; blanks to fill stand in braces. */
    public function blank(string $next, Blank $blank): Blank;
}
