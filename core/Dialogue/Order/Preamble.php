<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Act;
use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Order\Requests\Slower;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Topics;
use Ringo\Language\SayingModel;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;

/**
 * What callers say before they come to it, at an open question: 'I don't know if you can help me', 'I had a missed call', 'how are you'.
 * Nobody is asked then which of the topics that is; they are asked to go on.
 */
final readonly class Preamble implements Consideration
{
    /** 'Cheers' is no preamble, whatever it is like. */
    private const TELLS_SOMETHING = 3;

    /** Likelihood from which it is taken for one. */
    private const SURE = 0.3;

    /** And for one that ends the call. */
    private const SURE_TO_END = 0.9;

    /** Those that leave the matter to be told. */
    private const THEN_IT_IS_TOLD = ['cut_off', 'rang_back', 'what_happened', 'do_tell'];

    public function __construct(private Phrasebook $phrases, private Topics $topics, private Understanding $understanding, private SayingModel $model)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        if ($turn->state->mode !== Mode::Answer || ! $step instanceof ListenStep) {
            return null;
        }
        // Who has been served comes to nothing any more: 'no, that's great'.
        $served = $turn->state->finished !== [] || $turn->state->outcome !== null;
        $kind = $this->kind($hearing->heard, ! $served);
        $ranked = $kind === null ? [] : $this->topics->rank($step->topics, $hearing->heard);
        // A script that has a topic for it knows better.
        if ($kind === null || ($ranked[array_key_first($ranked) ?? ''] ?? 0.0) >= Topics::NAMED) {
            return null;
        }
        $told = in_array($kind, self::THEN_IT_IS_TOLD, true);
        $before = $turn->state->said[count($turn->state->said) - 2] ?? null;
        // Whoever has been asked to go on, and does not, is helped as anybody else.
        if ($told && $before !== null && $this->kind($this->understanding->hear($before), true) !== null) {
            return null;
        }
        $hearing->dealtWith(ActKind::Question, ActKind::Complaint);
        $turn->trace->rule('comes to the matter: '.str_replace('_', ' ', $kind));
        if ($kind === 'slower') {
            return (new Slower)->answer($turn, new Act(ActKind::Slower, $hearing->heard, $hearing->heard->only([]), 1.0, true), $hearing);
        }
        if ($kind === 'wrong') {
            return WrongNumber::dialled($turn);
        }
        $turn->standing($kind, [], $told);

        return $told ? Move::stay() : Move::again();
    }

    /** By a saying that is all of it, else, where it is likely, by what sayings in bulk have taught. */
    private function kind(Heard $heard, bool $likely): ?string
    {
        foreach (['what_happened', 'cut_off', 'rang_back', 'do_tell', 'waited', 'well_thanks', 'recorded'] as $kind) {
            $rest = $this->phrases->table('preambles', $kind)->without($heard->tokens);
            if (count($rest) < count($heard->tokens) && $this->phrases->content($this->phrases->table('preambles', 'beside')->without($rest)) === 0) {
                return $kind;
            }
        }
        if (! $likely || count($heard->tokens) < self::TELLS_SOMETHING) {
            return null;
        }
        $of = $this->model->of($heard->cleaned());
        unset($of['-']);
        arsort($of);
        $kind = (string) array_key_first($of);

        return $of[$kind] >= ($kind === 'wrong' ? self::SURE_TO_END : self::SURE) ? $kind : null;
    }
}
