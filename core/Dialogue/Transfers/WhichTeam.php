<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Transfers;

use Ringo\Advice\Purpose;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Transfer\Fit;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Heard;

/** Which team a call is for: by what was said so far, by what the caller answers when asked, else the default. */
final readonly class WhichTeam
{
    /** How often a caller is asked which team before the default takes the call. */
    private const MOST_QUESTIONS = 2;

    /** What the caller said lately counts for which team it is. */
    private const LATELY = 4;

    public function __construct(private Switchboard $switchboard)
    {
    }

    /** Where a call goes that is for no team in particular. */
    public static function otherwise(Turn $turn): string
    {
        $default = $turn->script->transfers->default;

        return $default === '' ? 'team:none' : $default;
    }

    /** The team that fits what was said so far; null where the caller is asked which. */
    public function fitting(Turn $turn): ?string
    {
        $fit = $this->switchboard->fit();
        if ($fit === null) {
            $turn->trace->rule('no teams are described, so the default');

            return self::otherwise($turn);
        }
        $found = $this->told($turn, $fit->of($this->spoken($turn)));
        if ($found->team !== null) {
            return 'team:'.$found->team;
        }
        $advised = $this->advised($turn, $found->candidates);
        if ($advised !== null) {
            return 'team:'.$advised;
        }
        if ($found->candidates !== []) {
            $this->asks($turn, $found);

            return null;
        }

        return self::otherwise($turn);
    }

    /**
     * Which of the teams between which the caller would be asked an adviser says.
     *
     * @param list<string> $candidates
     */
    private function advised(Turn $turn, array $candidates): ?string
    {
        $choices = [];
        foreach ($candidates as $key) {
            $team = $this->switchboard->team($key);
            $choices[$key] = $team === null ? $key : $team->team->name.($team->team->description === '' ? '' : ': '.$team->team->description);
        }

        return count($choices) < 2 ? null : $turn->advised(Purpose::Team, 'Which team of the business is the call for?', $choices);
    }

    /** The target that the caller's answer names; null where they are asked once more. No more than two questions; then the default. */
    public function answered(Turn $turn, Heard $heard): ?string
    {
        $state = $turn->state;
        $fit = $this->switchboard->fit();
        $asked = $state->transfer['asked'] ?? 0;
        if ($fit === null) {
            return self::otherwise($turn);
        }
        $before = $state->said;
        array_pop($before);
        $found = $this->told($turn, $fit->answered(implode('. ', array_slice($before, -self::LATELY)), $state->candidates, $heard->original));
        $first = $before[count($before) - 1] ?? '';
        if ($found->team !== null && $asked <= 1 && $first !== '' && in_array($found->team, $state->candidates, true)) {
            $turn->trace->lesson = ['said' => $first, 'team' => $found->team];
        }
        $state->mode = Mode::Answer;
        $state->candidates = [];
        if ($found->team === null && $asked < self::MOST_QUESTIONS) {
            $again = $found->candidates !== [] || $this->noneOfThose($heard) ? $found : $fit->of($heard->original);
            if ($again->candidates !== []) {
                $this->asks($turn, $again);

                return null;
            }
        }

        return $found->team !== null ? 'team:'.$found->team : self::otherwise($turn);
    }

    private function asks(Turn $turn, Fit $found): void
    {
        $state = $turn->state;
        $state->mode = Mode::WhichTeam;
        $state->candidates = $found->candidates;
        if ($state->transfer !== null) {
            $state->transfer['asked']++;
        }
        $turn->speak($found->question, $state->step, true);
    }

    private function told(Turn $turn, Fit $found): Fit
    {
        $turn->trace->rule('which team: '.$found->why);
        $turn->trace->fit = $found->scores;
        $turn->trace->sureness = $found->sureness();

        return $found;
    }

    /** 'None of those' ends the asking. */
    private function noneOfThose(Heard $heard): bool
    {
        return preg_match('/\b(?:none|neither)\b/', $heard->cleaned()) === 1;
    }

    private function spoken(Turn $turn): string
    {
        $topic = $turn->state->topic;
        $label = '';
        foreach ($turn->script->steps as $step) {
            if ($step instanceof ListenStep && $topic !== null && ($found = $step->topic($topic)) !== null) {
                $label = $found['description'];
            }
        }
        $said = implode('. ', array_slice($turn->state->said, -self::LATELY));

        return $said === '' ? $label : $said;
    }
}
