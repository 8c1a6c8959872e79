<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

/** What help a step could give. */
enum Help
{
    /** There was none to give. */
    case None;
    /** An example or explanation; the question is still to be put. */
    case Hint;
    /** The question itself, in full. */
    case Question;
}
