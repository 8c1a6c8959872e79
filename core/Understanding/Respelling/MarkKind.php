<?php

declare(strict_types=1);

namespace Ringo\Understanding\Respelling;

enum MarkKind
{
    /** The word has these letters: 'with a k', 'i e', or the whole of it spelled. */
    case Has;

    /** The word lacks them: 'no h'. */
    case Lacks;

    /** The letter stands once: 'one l'. */
    case Once;

    /** Says nothing of letters: 'as in the colour', 'all one word', 'you say it …'. */
    case Explains;
}
