<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Outreach\StandInPublic;
use Ringo\Rehearsal\Outreach\SimulatedCampaign;
use Ringo\Rehearsal\Outreach\TheirCall;

/** `./ringo outreach CAMPAIGN.json --list=CSV --script=SCRIPT`: a whole campaign, each call really held with the simulated public. */
final class OutreachCommand
{
    public const USAGE = './ringo outreach CAMPAIGN.json --list=CSV --script=SCRIPT [--lines=5] [--a-minute=30] [--seed=1] [--each] [--now=2026-05-05T09:00+01:00] [--teams=FILE] [--knowledge=FOLDER] [--diaries=FILE] [--errands=FILE]';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['list', 'script', 'lines', 'a-minute', 'seed', 'each', 'now', 'tz', ...ScriptInput::AROUND]);
        [$lines, $aMinute] = [$arguments->get('lines') ?? '5', $arguments->get('a-minute') ?? '30'];
        if (count($arguments->positional) !== 1 || $arguments->get('list') === null || $arguments->get('script') === null || preg_match('/^[1-9]\d{0,3}$/', $lines) !== 1 || preg_match('/^[1-9]\d{0,3}$/', $aMinute) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $campaign = CampaignInput::campaign($arguments->positional[0]);
        $input = new ScriptInput($arguments);
        $script = $input->script($arguments->get('script'));
        if ($script->agent->direction !== 'outbound') {
            throw new BadInput("{$arguments->get('script')}: this agent answers calls; a campaign needs one that places them (agent.direction: outbound).");
        }
        $seed = $arguments->get('seed') ?? '1';
        [$diaries, $errands] = [$input->diaries(), $input->errands()];
        $theirs = new TheirCall($input->engine($script, $diaries, $errands), new StandInPublic($campaign->rates, $seed), $seed, $diaries, $errands);
        $simulated = new SimulatedCampaign($campaign, $script, $theirs, CampaignInput::now($arguments), (int) $lines, (int) $aMinute);
        $failed = false;
        foreach (CampaignInput::list($arguments->get('list')) as $line => $person) {
            try {
                $simulated->add(is_array($person) ? throw new BadInput($person['error']) : $person);
            } catch (BadInput|\DomainException $problem) {
                $failed = true;
                fwrite(STDERR, "{$arguments->get('list')}, line {$line}: {$problem->getMessage()}. It is left out.\n");
            }
        }
        $found = $simulated->run($arguments->has('each') ? static function (array $attempt): void {
            unset($attempt['at']);
            Output::json($attempt);
        } : null);
        Output::json(array_replace($found, array_map(static fn (array $one): object => (object) $one, array_filter($found, is_array(...)))), true);

        return $failed ? 1 : 0;
    }
}
