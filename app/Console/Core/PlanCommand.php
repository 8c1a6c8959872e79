<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Outreach\Planner;

/** `./ringo plan CAMPAIGN.json --list=CSV --now=…`: when each person of a list is rung next, or why not. */
final class PlanCommand
{
    public const USAGE = './ringo plan CAMPAIGN.json --list=CSV [--now=2026-05-05T09:00+01:00]';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['list', 'now', 'tz']);
        if (count($arguments->positional) !== 1 || $arguments->get('list') === null) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $planner = new Planner(CampaignInput::campaign($arguments->positional[0]));
        $now = CampaignInput::now($arguments);
        $failed = false;
        foreach (CampaignInput::list($arguments->get('list')) as $line => $person) {
            try {
                if (is_array($person)) {
                    throw new BadInput($person['error']);
                }
                $planned = $planner->plan($person, $now);
                Output::json(['id' => $planned->id, 'phone' => $planned->phone, 'tz' => $planned->tz, 'next' => $planned->written, 'why' => $planned->why?->value]);
            } catch (BadInput|\DomainException $problem) {
                $failed = true;
                fwrite(STDERR, "{$arguments->get('list')}, line {$line}: {$problem->getMessage()}\n");
                Output::json(['id' => is_array($person) ? $person['id'] : $person->id, 'phone' => null, 'tz' => null, 'next' => null, 'why' => null, 'error' => $problem->getMessage()]);
            }
        }

        return $failed ? 1 : 0;
    }
}
