<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Outreach;

use Ringo\Outreach\Rates;

/** A call of which only its end and its length are drawn, by the campaign's rates: for what a campaign will come to. */
final readonly class DrawnCall implements Rings
{
    /** Seconds a line is held until it is answered, or given up. */
    private const RINGING = ['reached' => 12.0, 'busy' => 4.0, 'no_answer' => 25.0, 'voicemail' => 40.0, 'failed' => 5.0];

    private const STEPS = 1_000_000;

    public function __construct(private Rates $rates, private string $seed)
    {
    }

    public function ring(int $person, int $attempt, int $hour, \Closure $state): array
    {
        $dice = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(hash('sha256', "drawn|{$this->seed}|{$person}|{$attempt}", true)));
        $left = $dice->getInt(0, self::STEPS - 1) / self::STEPS;
        $came = 'failed';
        foreach (['reached' => $this->rates->reached, 'busy' => $this->rates->busy, 'no_answer' => $this->rates->noAnswer, 'voicemail' => $this->rates->voicemail] as $one => $share) {
            $left -= $share;
            if ($left < 0) {
                $came = $one;

                break;
            }
        }
        $talk = $came === 'reached' ? -log(($dice->getInt(0, self::STEPS - 1) + 1) / self::STEPS) * $this->rates->minutes * 60 : 0.0;

        return ['came' => $came, 'call' => null, 'seconds' => self::RINGING[$came] + $talk];
    }
}
