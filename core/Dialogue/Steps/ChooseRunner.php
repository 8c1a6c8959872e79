<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Topics;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Heard;
use Ringo\Understanding\OptionKinds;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A menu: an option by its name, its place, its key, or other words that fit it. */
final readonly class ChooseRunner implements AskingRunner
{
    /** An option named as surely as this is chosen, though a question stands beside it. */
    private const NAMED_OUTRIGHT = 0.85;

    /** An option so likely by its meaning is asked about. */
    private const MAY_BE_MEANT = 0.6;

    /** How sure an option is that the caller agreed to have meant. */
    private const SAID_SO = 0.9;

    /** Words from which meaning is weighed. */
    private const WORDS_THAT_MEAN = 3;

    /** What words may do and still choose an option. */
    private const OF_THE_MATTER = [ActKind::Question, ActKind::Complaint, ActKind::Thanks];

    private const KEYS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', '*' => 'star', '#' => 'hash'];

    private OptionKinds $kinds;

    public function __construct(private Puts $puts, private Understanding $understanding, private Topics $topics, private Collector $collector, private Keeper $keeper, private Replies $replies)
    {
        $this->kinds = new OptionKinds($understanding->words);
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof ChooseStep);
        $known = $step->field === null ? null : ($turn->state->values[$step->field]->value ?? null);
        $option = is_string($known) ? $step->option($known) : null;
        if ($option !== null) {
            $turn->trace->rule("{$step->field} is known: {$step->key()} is passed by");

            return Move::to($option['next']);
        }
        if ($this->puts->visit($turn, $step)) {
            $turn->prompt($step->prompt, $step->key(), true);
        }

        return Move::stay();
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        \assert($step instanceof ChooseStep);
        $words = $hearing->asks() && ! $hearing->statement->isEmpty() ? $hearing->statement : $hearing->heard;
        $reading = $this->option($turn, $step, $words);
        if (! $reading->found() && $words !== $hearing->heard) {
            $reading = $this->option($turn, $step, $hearing->heard);
        }
        // A question the business has an answer to is one, unless an option was named outright.
        $onlyAsks = $hearing->asks() && $hearing->statement->isEmpty();

        return $onlyAsks && $reading->confidence < self::NAMED_OUTRIGHT && $this->replies->answer($turn, $hearing->questions[0]) !== null ? Reading::none('the words ask something') : $reading;
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof ChooseStep);
        // 'Yes, speaking' says who has picked up, and chooses nothing.
        if ($turn->script->agent->direction === 'outbound' && $this->understanding->words->phrases('outbound', 'picked_up')->without($hearing->heard->tokens) === []) {
            $turn->trace->rule('who picked up says so: the menu again');

            return Move::again();
        }
        $reading = $this->reading($turn, $step, $hearing);
        $label = $reading->found() ? (string) ($step->option((string) $reading->value)['label'] ?? '') : '';
        $turn->trace->reading($step->field ?? $step->key(), 'choice', $reading, $label, $reading->found(), $reading->found() ? 'answers what was asked' : ($reading->doubt ?? 'none of the options was heard'));
        if (! $reading->found()) {
            return $this->meant($turn, $step, $hearing);
        }
        // A question beside the choice is answered at once.
        if ($hearing->asks() && ! $hearing->statement->isEmpty() && $this->replies->serve($turn, $hearing->questions, false) !== null) {
            $turn->trace->rule('in the same breath as an answer');
            $hearing->dealtWith(ActKind::Question);
        }

        return $this->choose($turn, $step, $reading, Origin::Asked, $hearing->heard);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof ChooseStep);
        $key = rtrim($digits, '#');
        foreach ($step->options as $option) {
            if ($option['digit'] === $digits || $option['digit'] === $key) {
                $turn->trace->rule("key {$digits}: {$option['label']}");

                return $this->choose($turn, $step, Reading::of($option['key'], 1.0, $digits, 0, strlen($digits)), Origin::Keyed);
            }
        }
        if ($digits === $step->repeatKey) {
            $turn->trace->rule("key {$digits}: the menu again");
            $turn->repeat();

            return Move::stay();
        }

        return null;
    }

    public function short(Turn $turn, Step $step): Prompt
    {
        \assert($step instanceof ChooseStep);

        return $step->again ?? $this->puts->question($step->prompt);
    }

    public function help(Turn $turn, Step $step): Help
    {
        \assert($step instanceof ChooseStep);
        $turn->speak($this->menu($step), $step->key(), true);

        return Help::Question;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        \assert($step instanceof ChooseStep);

        return new Waiting('choice', Waiting::SHORT, implode('', array_column($step->options, 'digit')).($step->repeatKey ?? ''));
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        \assert($step instanceof ChooseStep);
        $failures = $turn->state->failures;
        $own = match ($missed) {
            Missed::Silence => $step->silence[$turn->state->silences - 1] ?? null,
            Missed::Nonsense => $step->nonsense[$failures - 1] ?? null,
            Missed::WrongKey => $step->wrongKey === [] ? null : $step->wrongKey[($failures - 1) % count($step->wrongKey)],
        };

        return $own === null ? null : Prompt::of($own);
    }

    /** 'Could I come a bit later that day' means another time: asked back, for no word of the option was said. */
    private function meant(Turn $turn, ChooseStep $step, Hearing $hearing): ?Move
    {
        $answered = $hearing->asks() && $this->replies->answer($turn, $hearing->questions[0]) !== null;
        if ($hearing->elsewhere(self::OF_THE_MATTER) || $answered) {
            return null;
        }
        $ofAKind = $hearing->asks() ? null : $this->kinds->said($step->options, $hearing->heard);
        if ($ofAKind !== null) {
            $turn->trace->rule("option {$ofAKind->value} is told by its kind: asks");

            return $this->ask($turn, $step, (string) $ofAKind->value);
        }
        if (count($hearing->heard->tokens) < self::WORDS_THAT_MEAN) {
            return null;
        }
        $likely = $this->topics->meant(
            array_map(static fn (array $option): array => ['key' => $option['key'], 'label' => $option['label'], 'description' => '', 'phrases' => $option['phrases']], $step->options),
            $hearing->heard,
        );
        $best = (string) array_key_first($likely->of);
        if ($likely->of[$best] < self::MAY_BE_MEANT) {
            return null;
        }
        $turn->trace->rule("option {$best} is meant to ".round(100 * $likely->of[$best]).' %: asks');
        $turn->trace->sureness = round($likely->of[$best], 3);

        return $this->ask($turn, $step, $best);
    }

    private function ask(Turn $turn, ChooseStep $step, string $best): Move
    {
        $turn->state->mode = Mode::Clarify;
        $turn->state->candidates = [$best];
        $turn->standing('choose_meant', ['it' => $step->option($best)['label'] ?? $best], true);

        return Move::stay();
    }

    /** The option that was meant, once the caller has said so. */
    public function chosen(Turn $turn, ChooseStep $step, string $key, Heard $heard): ?Move
    {
        $said = Reading::of($key, self::SAID_SO, $heard->original, 0, 0);
        $next = $step->option($key)['next'] ?? '';
        foreach ($this->collector->answersFirst($turn, $heard, $next) as $field => $reading) {
            $first = $turn->script->sheet->field($field);
            if ($first !== null) {
                $turn->considered($first, $reading, true, 'answers what is asked next');
                $this->keeper->take($turn, $first, $reading, Origin::Volunteered);
            }
        }

        return $this->choose($turn, $step, $said, Origin::Asked, $heard);
    }

    /** The menu, key by key. */
    public function menu(ChooseStep $step): string
    {
        return implode(' ', array_map(static fn (array $option): string => mb_strtoupper(mb_substr($option['label'], 0, 1)).mb_substr($option['label'], 1).', press '.self::KEYS[$option['digit']].'.', $step->options));
    }

    private function option(Turn $turn, ChooseStep $step, Heard $heard): Reading
    {
        $options = array_map(static fn (array $option): array => ['key' => $option['key'], 'label' => $option['label'], 'phrases' => $option['phrases']], $step->options);
        $reading = $this->understanding->read(ValueType::Choice, $heard, $turn->plain()->withOptions($options));
        if ($reading->found()) {
            return $reading;
        }
        $ranked = $this->topics->rank(array_map(static fn (array $option): array => [...$option, 'description' => ''], $options), $heard);
        $best = array_key_first($ranked);
        if ($best === null || $ranked[$best] < Topics::NAMED || $ranked[$best] - (array_values($ranked)[1] ?? 0) < Topics::LEAD) {
            return $reading;
        }

        return Reading::of((string) $best, min(0.9, 0.6 + 0.2 * $ranked[$best]), $heard->original, 0, strlen($heard->original));
    }

    private function choose(Turn $turn, ChooseStep $step, Reading $reading, Origin $origin, ?Heard $heard = null): ?Move
    {
        $option = $step->option((string) $reading->value);
        if ($option === null) {
            return null;
        }
        $field = $step->field === null ? null : $turn->script->sheet->field($step->field);
        foreach ($heard === null ? [] : $this->collector->volunteered($turn, $heard, $field, $reading) as $other => $more) {
            $told = $turn->script->sheet->field($other);
            if ($told !== null) {
                $turn->considered($told, $more, true, 'volunteered');
                $this->keeper->take($turn, $told, $more, Origin::Volunteered);
            }
        }
        if ($field !== null) {
            $turn->hold($field, new Held($option['key'], $reading->confidence, $origin, $turn->callerTurn, $reading->said));
        }

        return Move::on($option['next']);
    }
}
