<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Outreach\Forecast;

/** `./ringo forecast CAMPAIGN.json --list=CSV --seed=1`: what a campaign will come to. */
final class ForecastCommand
{
    public const USAGE = './ringo forecast CAMPAIGN.json --list=CSV [--seed=1] [--now=2026-05-05T09:00+01:00]';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['list', 'now', 'tz', 'seed']);
        $seed = $arguments->get('seed') ?? '1';
        if (count($arguments->positional) !== 1 || $arguments->get('list') === null || preg_match('/^\d{1,9}$/', $seed) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $forecast = new Forecast(CampaignInput::campaign($arguments->positional[0]), CampaignInput::now($arguments));
        $failed = false;
        foreach (CampaignInput::list($arguments->get('list')) as $line => $person) {
            try {
                $forecast->add(is_array($person) ? throw new BadInput($person['error']) : $person);
            } catch (BadInput|\DomainException $problem) {
                $failed = true;
                fwrite(STDERR, "{$arguments->get('list')}, line {$line}: {$problem->getMessage()}. It is left out.\n");
            }
        }
        $foreseen = $forecast->run((int) $seed);
        $figures = $foreseen->figures;
        Output::json([
            'listed' => $foreseen->listed, 'allowed' => $foreseen->allowed, 'excluded' => (object) $foreseen->excluded,
            'reached' => $figures['reached']->rounded(0), 'minutes' => $figures['minutes']->rounded(1),
            'hours' => round($figures['hours']->p50, 2), 'cost' => round($figures['cost']->p50, 2),
            'attempts' => $figures['attempts']->rounded(0), 'hours_range' => $figures['hours']->rounded(2), 'cost_range' => $figures['cost']->rounded(2),
            'days' => array_map(static fn (array $day): array => ['first' => $day['first'], 'last' => $day['last'], 'calls' => round($day['calls'], 1)], $foreseen->days),
        ]);

        return $failed ? 1 : 0;
    }
}
