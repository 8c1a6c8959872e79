<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Topics;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Script\Steps\Listen\ListenStep;

/** Before anything else is told, a caller asks whom they have reached: 'is that the vet's?', 'is this Pellbrook Hire?'. */
final readonly class PlaceReached implements Consideration
{
    /** Words that name a place at most: 'the Pellbrook tool and plant hire'. */
    private const LONGEST = 6;

    /** The part of what is named that must stand in the name of the business. */
    private const OURS = 0.5;

    public function __construct(private Phrasebook $phrases, private Topics $topics)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        if ($turn->state->mode !== Mode::Answer || ! $step instanceof ListenStep || $turn->state->topic !== null) {
            return null;
        }
        $named = $this->named($hearing->heard->tokens);
        if ($named === []) {
            return null;
        }
        $ours = $this->ours($named, $turn->script->agent->business);
        $topics = $this->topics->rank($step->topics, $hearing->heard);
        if (! $ours && ($topics[array_key_first($topics) ?? ''] ?? 0.0) >= Topics::NAMED) {
            return null;
        }
        $hearing->dealtWith(ActKind::Question);
        $turn->trace->rule($ours ? 'asks whether this is the business: it is' : 'asks whether this is somebody else: says who it is');
        $turn->standing($ours ? 'reached' : 'who');

        return Move::again();
    }

    /**
     * @param list<Token> $t
     *
     * @return list<string> the words that name a place, where all that is said asks whether it is reached
     */
    private function named(array $t): array
    {
        $hit = $this->phrases->table('talk', 'is_that')->first($t);
        if ($hit === null || $this->phrases->content(array_slice($t, 0, $hit[1])) > 0) {
            return [];
        }
        $after = array_slice($t, $hit[1] + $hit[2]);
        $words = array_map(static fn (Token $token): string => $token->text, $after);
        $place = ($words[0] ?? '') === 'the' || array_filter($words, static fn (string $word): bool => str_ends_with($word, "'s")) !== [] || array_filter($after, static fn (Token $token): bool => preg_match('/^\p{Lu}\p{Ll}/u', $token->original) === 1) !== [];
        $other = array_filter($after, static fn (Token $token): bool => $token->afterSentence()) !== [] || $this->phrases->table('talk', 'of_no_place')->in($after);

        return $words === [] || count($words) > self::LONGEST || ! $place || $other ? [] : $words;
    }

    /** @param list<string> $named */
    private function ours(array $named, string $business): bool
    {
        $name = (new Tokenizer)->words($business);
        $telling = array_diff($named, ['the', 'a', 'please', 'and', 'of']);

        return $telling !== [] && count(array_intersect($telling, $name)) >= self::OURS * count($telling);
    }
}
