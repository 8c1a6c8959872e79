<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Outreach;

use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;
use Ringo\Script\Script;

/** When a campaign would be through as it stands, with one line more, and with one hour more a day: the same people, the same luck. */
final readonly class WhatMore
{
    private const DAY = 24 * 60;

    public function __construct(private Script $script, private int $now, private string $seed)
    {
    }

    /**
     * @param array<string, mixed> $document in the format of campaigns
     * @param list<Listed> $people
     *
     * @return array<string, array{reached: int, attempts: int, last: ?string}> by what is more: nothing, line, hour
     */
    public function of(array $document, array $people, int $lines, int $aMinute): array
    {
        return [
            'nothing' => $this->run($document, $people, $lines, $aMinute),
            'line' => $this->run($document, $people, $lines + 1, $aMinute),
            'hour' => $this->run(['windows' => array_map($this->longer(...), is_array($document['windows'] ?? null) ? $document['windows'] : [])] + $document, $people, $lines, $aMinute),
        ];
    }

    /**
     * @param array<string, mixed> $document
     * @param list<Listed> $people
     *
     * @return array{reached: int, attempts: int, last: ?string}
     */
    private function run(array $document, array $people, int $lines, int $aMinute): array
    {
        $campaign = Campaign::fromArray($document);
        $simulated = new SimulatedCampaign($campaign, $this->script, new DrawnCall($campaign->rates, $this->seed), $this->now, $lines, $aMinute);
        foreach ($people as $person) {
            $simulated->add($person);
        }
        $found = $simulated->run();

        return ['reached' => $found['reached'], 'attempts' => $found['attempts'], 'last' => $found['last']];
    }

    /** The last stretch of a day an hour longer, as far as the day goes. */
    private function longer(mixed $stretches): mixed
    {
        if (! is_array($stretches) || $stretches === [] || ! is_string($last = $stretches[count($stretches) - 1] ?? null) || preg_match('/^(\d\d:\d\d)-(\d\d):(\d\d)$/', $last, $found) !== 1) {
            return $stretches;
        }
        $until = min(self::DAY, 60 * (int) $found[2] + (int) $found[3] + 60);
        $stretches[count($stretches) - 1] = sprintf('%s-%02d:%02d', $found[1], intdiv($until, 60), $until % 60);

        return $stretches;
    }
}
