<?php

declare(strict_types=1);

namespace App\Actions\Transfers;

use App\Models\Business;
use App\Models\Offer;
use App\Models\Person;
use App\Models\Team;
use App\Models\TeamExample;
use Ringo\Brief\OpeningHours;
use Ringo\Document\Node;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Script\Hours;
use Ringo\Transfer\Person as CorePerson;
use Ringo\Transfer\StaffedTeam;
use Ringo\Transfer\Switchboard;
use Ringo\Transfer\Team as CoreTeam;

/** Makes the picture of who can be reached just now, for the engine. */
final readonly class SwitchboardOf
{
    public function __construct(private Vocabulary $words, private Lexicon $lexicon)
    {
    }

    /** The same, made when it is first looked at. */
    public function later(Business $business): Switchboard
    {
        return Switchboard::later(fn (): Switchboard => $this->business($business), $this->words, $this->lexicon, $business->caution());
    }

    /** @param bool $everybodyThere as if nobody were away: for tables of what the rules would do */
    public function business(Business $business, bool $everybodyThere = false): Switchboard
    {
        $waiting = Offer::query()->where('business_id', $business->id)->where('status', 'ringing')->where('target', 'like', 'team:%')->selectRaw('target, count(distinct call_id) as n')->groupBy('target')->pluck('n', 'target');
        $people = [];
        foreach ($business->people()->get() as $person) {
            $people[$person->key] = $this->person($person, $everybodyThere);
        }
        $learned = $this->learned($business);
        $hours = $business->brief()->hours;
        $teams = [];
        foreach ($business->teams()->with('people')->get() as $team) {
            $teams[$team->key] = $this->team($team, $people, (int) ($waiting['team:'.$team->key] ?? 0), $learned[$team->id] ?? [], $hours);
        }

        return new Switchboard($teams, $people, $this->words, $this->lexicon, $business->caution());
    }

    /** @return list<CoreTeam> the teams as they are described and have learned */
    public function teams(Business $business): array
    {
        $learned = $this->learned($business);

        return array_values($business->teams()->get()->map(fn (Team $team): CoreTeam => $this->described($team, $learned[$team->id] ?? []))->all());
    }

    /** @return array<int, list<string>> sayings that were learned and count, by team */
    private function learned(Business $business): array
    {
        $learned = [];
        foreach (TeamExample::query()->where('business_id', $business->id)->where('state', 'counts')->orderBy('id')->get(['team_id', 'said']) as $one) {
            $learned[$one->team_id][] = $one->said;
        }

        return $learned;
    }

    /** @param list<string> $learned */
    private function described(Team $team, array $learned): CoreTeam
    {
        return new CoreTeam($team->key, $team->name, $team->description, [...$team->examples, ...$learned]);
    }

    private function person(Person $person, bool $there): CorePerson
    {
        return new CorePerson($person->key, $person->name, $person->number, $there ? 'available' : $person->presence, $person->last_call_at?->toDateTimeImmutable(), $person->site);
    }

    /**
     * @param array<string, CorePerson> $people
     * @param list<string> $learned
     * @param OpeningHours $hours of the business, for a team that has none of its own
     */
    private function team(Team $team, array $people, int $waiting, array $learned, OpeningHours $hours): StaffedTeam
    {
        $members = array_values(array_filter($team->people->map(static fn (Person $one): ?CorePerson => $people[$one->key] ?? null)->all()));

        $own = Hours::read(Node::root($team->hours));

        return new StaffedTeam($this->described($team, $learned), $members, $own->given() || ! $hours->given() ? $own : Hours::of($hours), $team->ring, $team->seconds, $team->waiting_most, $waiting);
    }
}
