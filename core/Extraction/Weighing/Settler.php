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
 * What was read back and agreed to, and what was keyed, is not weighed again.
 */
final readonly class Settler
{
    /** A value that was refused, or never asked for in words, wants more to be believed. */
    private const DECLINED = 0.8;

    /** A value read turn by turn, where no other is likely, stands unless it is as unlikely as this. */
    private const STANDS = 0.25;

    public function __construct(private Candidates $candidates, private Chooser $chooser, private Readings $readings)
    {
    }

    public function settle(Hearing $hearing): void
    {
        $scene = Scene::of($hearing, $this->readings);
        $declined = array_fill_keys($hearing->ledger->declined(), true);
        foreach ($this->candidates->of($scene) as $key => $candidates) {
            $claim = $hearing->ledger->of($key);
            if ($candidates === [] || $claim !== null && ($claim->confirmed || $this->keyed($hearing, $claim))) {
                continue;
            }
            $best = $this->chooser->ranked($candidates)[0] ?? null;
            $least = isset($declined[$key]) ? self::DECLINED : $this->chooser->least();
            if ($best === null || $best->likelihood < $least) {
                if ($claim !== null && ($best === null || ! Score::same($best->candidate->value, $claim->value) || $best->likelihood < self::STANDS)) {
                    $hearing->ledger->drop($key);
                }

                continue;
            }
            if ($claim !== null && Score::same($best->candidate->value, $claim->value)) {
                continue;
            }
            $this->claim($hearing, $key, $best);
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

    private function keyed(Hearing $hearing, Claim $claim): bool
    {
        return $claim->turn !== null && ($hearing->transcript->turns[$claim->turn]->keys ?? false);
    }
}
