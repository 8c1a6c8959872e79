<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/**
 * People who are rung, made up: whether they answer, by the campaign's rates and the hour of their day, and how those are who do.
 *
 * Each attempt draws for itself: the same seed, person and attempt come out the same whenever and in whatever order they are rung.
 */
final readonly class StandInPublic
{
    /** How much likelier than on average somebody answers, by hour of the day from which it holds. */
    private const BY_HOUR = [0 => 0.3, 8 => 0.8, 9 => 1.0, 12 => 0.85, 14 => 0.95, 17 => 1.25, 20 => 0.9, 21 => 0.4];

    /** Of those who answer: shares of who is the wrong person, wants no more calls, rings off at once, cannot talk now, lets nobody through, is a child. */
    private const OF_REACHED = ['wrong_person' => 0.04, 'opts_out' => 0.03, 'hangs_up' => 0.05, 'later' => 0.05, 'screens' => 0.02, 'child' => 0.02];

    /** Of those that do not get through: the share to which the network says why. */
    private const ANNOUNCED = 0.5;

    private const SHARES = 1_000_000;

    public function __construct(private Rates $rates, private string $seed)
    {
    }

    /**
     * @param int $hour of their own day, 0 to 23
     *
     * @return array{came: string, who: string} came: reached, busy, no_answer, voicemail or failed; who: plain, one of those above, or an announcement
     */
    public function answers(string $person, int $attempt, int $hour): array
    {
        $dice = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(hash('sha256', "{$this->seed}|{$person}|{$attempt}", true)));
        $draw = $dice->getInt(0, self::SHARES - 1) / self::SHARES;
        $reached = min(0.98, $this->rates->reached * $this->factor($hour));
        $left = $this->rates->reached >= 1 ? 0.0 : (1 - $reached) / (1 - $this->rates->reached);
        $came = 'failed';
        foreach (['reached' => $reached, 'busy' => $left * $this->rates->busy, 'no_answer' => $left * $this->rates->noAnswer, 'voicemail' => $left * $this->rates->voicemail] as $one => $share) {
            $draw -= $share;
            if ($draw < 0) {
                $came = $one;

                break;
            }
        }
        $who = 'plain';
        $draw = $dice->getInt(0, self::SHARES - 1) / self::SHARES;
        foreach (self::OF_REACHED as $one => $share) {
            $draw -= $share;
            if ($draw < 0) {
                $who = $one;

                break;
            }
        }

        return ['came' => $came, 'who' => match (true) {
            $came === 'reached' => $who,
            $came === 'failed' && $dice->getInt(0, self::SHARES - 1) < self::ANNOUNCED * self::SHARES => 'announcement',
            default => 'plain',
        }];
    }

    private function factor(int $hour): float
    {
        $factor = 1.0;
        foreach (self::BY_HOUR as $from => $one) {
            $factor = $hour >= $from ? $one : $factor;
        }

        return $factor;
    }
}
