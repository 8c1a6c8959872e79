<?php

declare(strict_types=1);

namespace Ringo\Transfer;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;
use Ringo\Numbering\NumberingPlan;
use Ringo\Script\Hours;

/**
 * Teams and people from a file: a list of teams as `./ringo route` takes it, or an object with `teams` and `people`.
 *
 * In a bare list every team has one person, who is always there.
 */
final readonly class StaffFile
{
    public function __construct(private NumberingPlan $plan, private string $country)
    {
    }

    /** @throws \InvalidArgumentException saying where and what is wrong */
    public function read(string $json): Switchboard
    {
        $data = json_decode($json, true);
        if (! is_array($data)) {
            throw new \InvalidArgumentException('this is no JSON: '.json_last_error_msg());
        }
        $bare = array_is_list($data);
        $people = [];
        $members = [];
        foreach ($bare ? [] : ($data['people'] ?? []) as $i => $one) {
            if (! is_array($one) || ! is_string($one['key'] ?? null) || ! is_string($one['name'] ?? null)) {
                throw new \InvalidArgumentException("people[{$i}]: write at least a key and a name");
            }
            $number = $this->plan->parse(is_scalar($one['number'] ?? null) ? (string) $one['number'] : '', $this->country);
            if (isset($one['number']) && ($number === null || ! $number->valid)) {
                throw new \InvalidArgumentException("people[{$i}]: ".json_encode($one['number']).' is no telephone number');
            }
            $presence = $one['presence'] ?? 'available';
            if (! in_array($presence, ['available', 'busy', 'away'], true)) {
                throw new \InvalidArgumentException("people[{$i}]: presence is available, busy or away");
            }
            $people[$one['key']] = new Person($one['key'], $one['name'], $number?->e164, $presence, null, is_string($one['site'] ?? null) ? $one['site'] : '');
            foreach (is_array($one['teams'] ?? null) ? $one['teams'] : [] as $team) {
                $members[(string) $team][] = $people[$one['key']];
            }
        }
        $teams = [];
        foreach ($bare ? $data : ($data['teams'] ?? []) as $i => $one) {
            try {
                $team = Team::fromArray(is_array($one) ? $one : throw new \InvalidArgumentException('is no object'));
                $hours = Hours::read(Node::root(is_array($one['hours'] ?? null) ? $one['hours'] : []));
            } catch (\InvalidArgumentException $problem) {
                throw new \InvalidArgumentException("teams[{$i}]: {$problem->getMessage()}");
            } catch (InvalidDocument $problem) {
                throw new \InvalidArgumentException("teams[{$i}].hours: ".($problem->problems[0]['message'] ?? 'cannot be read'));
            }
            if ($bare) {
                $people[$team->key] = new Person($team->key, 'somebody at '.$team->name, null, 'available');
                $members[$team->key] = [$people[$team->key]];
            }
            $teams[$team->key] = new StaffedTeam($team, $members[$team->key] ?? [], $hours, in_array($one['ring'] ?? '', StaffedTeam::RING, true) ? $one['ring'] : 'all', is_int($one['seconds'] ?? null) ? $one['seconds'] : 20, is_int($one['waiting_most'] ?? null) ? $one['waiting_most'] : 3);
        }

        return new Switchboard($teams, $people);
    }
}
