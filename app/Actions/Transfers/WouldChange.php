<?php

declare(strict_types=1);

namespace App\Actions\Transfers;

use App\Models\Business;
use App\Models\CallStep;
use App\Models\Team;
use App\Models\TeamExample;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Transfer\Fit;
use Ringo\Transfer\Team as CoreTeam;
use Ringo\Transfer\TeamFit;

/** What else would come to another team if an example counted: tried on the other examples and on what callers said lately. */
final readonly class WouldChange
{
    /** Sayings of callers that are looked at. */
    private const LATELY = 80;

    public function __construct(private SwitchboardOf $switchboard, private Vocabulary $words, private Lexicon $lexicon)
    {
    }

    /** @return array{tried: int, own: array{before: string, after: string}, changes: list<array{said: string, before: string, after: string}>} */
    public function of(Business $business, Team $team, string $said): array
    {
        $teams = $this->switchboard->teams($business);
        $caution = $business->caution();
        $before = new TeamFit($teams, $this->words, $this->lexicon, $caution);
        $after = new TeamFit(array_map(static fn (CoreTeam $one): CoreTeam => $one->key === $team->key ? $one->withExamples([$said]) : $one, $teams), $this->words, $this->lexicon, $caution);
        $changes = [];
        $sayings = array_values(array_diff($this->sayings($business), [$said]));
        foreach ($sayings as $one) {
            $was = $this->inWords($before->of($one), $before);
            $is = $this->inWords($after->of($one), $after);
            if ($was !== $is) {
                $changes[] = ['said' => $one, 'before' => $was, 'after' => $is];
            }
        }

        return ['tried' => count($sayings), 'own' => ['before' => $this->inWords($before->of($said), $before), 'after' => $this->inWords($after->of($said), $after)], 'changes' => $changes];
    }

    private function inWords(Fit $fit, TeamFit $of): string
    {
        return match (true) {
            $fit->team !== null => $of->team($fit->team)->name,
            $fit->candidates !== [] => 'asks: '.$this->named($of, $fit->candidates),
            default => 'nobody',
        };
    }

    /** @param list<string> $keys */
    private function named(TeamFit $of, array $keys): string
    {
        // In which order they are asked about changes nothing.
        sort($keys);

        return implode(' or ', array_map(static fn (string $key): string => $of->team($key)->name, $keys));
    }

    /** @return list<string> */
    private function sayings(Business $business): array
    {
        $examples = TeamExample::query()->where('business_id', $business->id)->where('state', '!=', 'removed')->orderByDesc('id')->limit(self::LATELY)->pluck('said')->all();
        $told = array_merge(...$business->teams()->get()->map(static fn (Team $team): array => $team->examples)->all(), ...[[]]);
        $heard = CallStep::query()->join('calls', 'calls.id', '=', 'call_steps.call_id')->where('calls.business_id', $business->id)->where('calls.kind', 'live')->where('call_steps.n', '<=', 3)
            ->orderByDesc('call_steps.id')->limit(self::LATELY)->pluck('call_steps.event')->map(static fn (mixed $event): string => is_array($event) && ($event['kind'] ?? '') === 'said' ? (string) ($event['text'] ?? '') : '')->filter(static fn (string $text): bool => str_word_count($text) >= 3)->all();

        return array_values(array_unique([...array_map(strval(...), $examples), ...$told, ...array_values($heard)]));
    }
}
