<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

/** Where a value came from. */
enum Origin: string
{
    case Recognised = 'recognised';
    case Volunteered = 'volunteered';
    /** Named in a question of the caller's: asked back before it counts as an answer. */
    case Mentioned = 'mentioned';
    case Asked = 'asked';
    case Corrected = 'corrected';
    case Keyed = 'keyed';
    case Set = 'set';
    /** Read from another system. */
    case LookedUp = 'looked_up';
}
