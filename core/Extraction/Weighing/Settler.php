<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\Claim;
use Ringo\Extraction\Hearing;
use Ringo\Extraction\Readings;
use Ringo\Extraction\Score;

/**
 * Settles each field of a call once all of it has been heard: every value the field might have is weighed against all others and against
 * none, and the likeliest stands.
 *
 * What was read back and agreed to, what the caller put right in so many words, what was keyed, and what was refused, is not weighed again.
 */
final readonly class Settler
{
    /** A value of a field that neither a question nor the words themselves speak of wants more to be believed. */
    private const UNASKED = 0.7;

    /** From here on words speak of a field. */
    private const SPEAKS = 0.3;

    /** From this likelihood on another value takes the place of one that was read turn by turn. */
    private const OVERRULES = 0.6;

    /** Below this likelihood a value that was read turn by turn falls, though no other takes its place. */
    private const FALLS = 0.15;

    public function __construct(private Candidates $candidates, private Chooser $chooser, private Readings $readings)
    {
    }

    public function settle(Hearing $hearing): void
    {
        $scene = Scene::of($hearing, $this->readings);
        $declined = array_fill_keys($hearing->ledger->declined(), true);
        $settled = array_keys(array_filter($hearing->ledger->claims(), fn (Claim $claim): bool => $this->settled($hearing, $claim)));
        foreach ($this->candidates->of($scene, $settled) as $key => $candidates) {
            $ranked = $this->chooser->ranked($candidates);
            $claim = $hearing->ledger->of($key);
            if ($ranked === [] || isset($declined[$key])) {
                continue;
            }
            if ($claim !== null) {
                $this->weigh($hearing, $key, $claim, $ranked);
            } elseif ($ranked[0]->likelihood >= ($this->spokenOf($ranked[0]->candidate) ? $this->chooser->least() : self::UNASKED)) {
                $this->claim($hearing, $key, $ranked[0]);
            }
        }
    }

    /**
     * A value that was read turn by turn stands unless another is clearly likelier, or it is itself unlikely.
     *
     * @param list<Choice> $ranked
     */
    private function weigh(Hearing $hearing, string $key, Claim $claim, array $ranked): void
    {
        $same = array_values(array_filter($ranked, static fn (Choice $one): bool => Score::same($one->candidate->value, $claim->value)))[0]->likelihood ?? 0.0;
        $best = $ranked[0] ?? null;
        if ($best !== null && $best->likelihood >= self::OVERRULES && ! Score::same($best->candidate->value, $claim->value)) {
            $this->claim($hearing, $key, $best);
        } elseif ($same < self::FALLS) {
            $hearing->ledger->drop($key);
        }
    }

    private function claim(Hearing $hearing, string $key, Choice $choice): void
    {
        $candidate = $choice->candidate;
        $turn = $candidate->turn;
        $text = str_replace(['’', '‘', '`'], "'", $hearing->transcript->turns[$turn]->text ?? '');
        $said = $candidate->said !== '' && mb_stripos($text, $candidate->said) !== false ? $candidate->said : mb_substr(trim($text), 0, Claim::SAID_MOST);
        $hearing->ledger->replace($key, new Claim($candidate->value, round(min(0.97, $choice->likelihood), 2), $turn, $said, $candidate->told === Candidate::OFFER ? Claim::AGREED : Claim::ANSWERED));
    }

    private function spokenOf(Candidate $candidate): bool
    {
        return max($candidate->signs['to.asks'] ?? 0.0, $candidate->signs['own.asks'] ?? 0.0, $candidate->signs['own.names'] ?? 0.0) >= self::SPEAKS;
    }

    /** What was read back and agreed to, put right outright, keyed, or is the number calling and was meant. */
    private function settled(Hearing $hearing, Claim $claim): bool
    {
        return $claim->confirmed || in_array($claim->origin, [Claim::CORRECTED, Claim::CALLER_ID], true) || $claim->turn !== null && ($hearing->transcript->turns[$claim->turn]->keys ?? false);
    }
}
