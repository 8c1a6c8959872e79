<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Acts;

use Ringo\Dialogue\Phrasebook;
use Ringo\Language\SayingModel;

/**
 * Whether an opening that sounds like a question wants something done: 'have you got a generator I can have tomorrow', and not 'is a
 * generator noisy'. Learned from sayings of both kinds (data/corpora/requests.tsv).
 */
final readonly class Wanting
{
    /** Right every time from here on, on sixty sayings nothing had learned from. */
    private const SURE = 0.8;

    /** What only wants to know is answered before its topic is taken up from here on. */
    private const SURE_TO_KNOW = 0.95;

    public function __construct(private SayingModel $kinds, private Phrasebook $phrases)
    {
    }

    /** Whether it wants to know: 'how much is a tuning', where having a piano tuned is a topic. */
    public function toKnow(Hearing $hearing): bool
    {
        return $hearing->asks() && ($this->kinds->of($hearing->heard->cleaned())['asks'] ?? 0.0) >= self::SURE_TO_KNOW;
    }

    /** 'How long does a colour take': what is named is what it is about. */
    public function about(Hearing $hearing): bool
    {
        $asks = $this->phrases->table('acts', 'asks_about')->first($hearing->heard->tokens);

        return $asks !== null && $this->phrases->content(array_slice($hearing->heard->tokens, 0, $asks[1])) === 0;
    }

    public function done(Hearing $hearing): bool
    {
        return $hearing->asks() && ($this->kinds->of($hearing->heard->cleaned())['wants'] ?? 0.0) >= self::SURE;
    }

    /** 'What happens if I bring it back late?' wants to know, whatever words of a topic stand in it. */
    public function wonders(Hearing $hearing): bool
    {
        $opening = $this->phrases->table('acts', 'wants_to_know')->first($hearing->heard->tokens);
        $asks = $this->phrases->table('acts', 'wonders')->first($hearing->heard->tokens);

        return $opening !== null && $this->phrases->content(array_slice($hearing->heard->tokens, 0, $opening[1])) === 0
            || $asks !== null && $this->phrases->content(array_slice($hearing->heard->tokens, 0, $asks[1])) === 0;
    }
}
