<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/** How a day or a time that was named is meant. The values are those of the training data (data/corpora/wishes.txt). */
enum Sense: string
{
    case Wished = 'w';
    case RuledOut = 'x';
    case After = 'a';
    case From = 'f';
    case Before = 'b';
    case OverBy = 'l';
    case StartsBy = 's';
    case Around = 'r';
    /** Named for another reason: what happened, why, how many. */
    case Told = 'i';
}
