<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

/** What an agent does with the first words of a caller. */
enum Does: string
{
    /** Goes into a topic of its script. */
    case Topic = 'topic';

    /** Rings a team or a person. */
    case Transfer = 'transfer';

    /** Answers, from what the business has written or by a reply of its own. */
    case Answer = 'answer';

    /** Asks which of several topics or teams is meant. */
    case Asks = 'asks';

    /** Understands it as something about the call itself: a wish to hold, to leave, to hear it again. */
    case Call = 'call';

    /** Says that it cannot answer that. */
    case Refuses = 'refuses';

    /** Does not understand it. */
    case Nothing = 'nothing';

    /** Whether the caller is served, or comes to it by one answer. */
    public function serves(): bool
    {
        return in_array($this, [self::Topic, self::Transfer, self::Answer, self::Asks], true);
    }
}
