<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

/** The kinds of moves there are; Move tells what each means. */
enum MoveKind
{
    case Stay;
    case To;
    case On;
    case Aside;
    case Again;
    case BackToIt;
    case Help;
    case Out;
    case Back;
    case Confirm;
    case First;
}
