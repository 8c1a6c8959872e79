<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Steps\Runners;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Fit\Topics;
use Ringo\Language\SayingModel;
use Ringo\Script\Standing;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Speech\Prompt;
use Ringo\Value\ValueType;

/**
 * What somebody has against it is answered from the script's written answers, wherever it comes: at most twice in a call, then the agent
 * lets go. Which came is kept with the call.
 *
 * @phpstan-import-type Objection from Standing as Written
 */
final class Objection implements Consideration
{
    /** Who still has something against it after so many answers does not want to. */
    public const AT_MOST = 2;

    /** By how much taking words for an objection that they are not is dearer than asking on. */
    private const DEARER = 2.0;

    /** From this likelihood on words are of a kind that is usual in any trade. */
    public const LIKELY = 0.5;

    /** The same where anything may be told: 'we had ours from another firm' answers an open question. */
    private const LIKELY_WHERE_TOLD = 0.7;

    /** Fewer words than this say no more than yes or no. */
    private const LEAST_WORDS = 2;

    /** @var array<string, string|null> kinds of what is told in plain words */
    private array $known = [];

    public function __construct(private readonly Topics $topics, private readonly Runners $runners, private readonly SayingModel $kinds)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $objections = $turn->script->standing->objections;
        $found = $objections === [] || $hearing->asks() ? null : $this->found($turn, $objections, $hearing);

        return $found === null ? null : $this->met($turn, $found);
    }

    /** A question that nothing answers may be an objection as well: 'how do I know you are who you say?'. */
    public function asked(Turn $turn, Hearing $hearing): ?Move
    {
        $objections = $turn->script->standing->objections;
        $found = $objections === [] || ! $hearing->asks() ? null : $this->usual($objections, $hearing->heard->cleaned(), self::LIKELY_WHERE_TOLD);

        return $found === null ? null : $this->met($turn, $found);
    }

    /** @param Written $found */
    private function met(Turn $turn, array $found): Move
    {
        $state = $turn->state;
        $state->objections[] = $found['key'];
        $times = count($state->objections);
        if ($times > self::AT_MOST) {
            return $this->letsGo($turn, $found['key']);
        }
        $before = count(array_keys($state->objections, $found['key'], true)) - 1;
        $turn->trace->rule("objection {$found['key']}, ".($times === 1 ? 'the first' : 'the second').' of the call');
        $said = $found['say'][min($before, count($found['say']) - 1)];
        $turn->prompt(Prompt::of($said), 'objection.'.$found['key']);

        return Move::backToIt();
    }

    private function letsGo(Turn $turn, string $key): Move
    {
        $turn->trace->rule("objection {$key}: lets go");
        $step = $turn->script->standing->letGo;
        if ($step !== null) {
            return Move::to($step);
        }
        $turn->standing('let_go');
        $turn->end($turn->state->outcome ?? Ending::LET_GO);

        return Move::stay();
    }

    /**
     * @param list<Written> $objections
     *
     * @return Written|null by its words, else by what is usual in any trade, else by what they mean
     */
    private function found(Turn $turn, array $objections, Hearing $hearing): ?array
    {
        $heard = $hearing->heard;
        $topics = [];
        foreach ($objections as $one) {
            $topics[] = $topic = ['key' => $one['key'], 'label' => '', 'description' => $one['means'], 'phrases' => $one['when']];
            if ($topic['phrases'] !== [] && $this->topics->named($topic, $heard)) {
                return $one;
            }
        }
        if (count($heard->tokens) < self::LEAST_WORDS || $this->answers($turn, $hearing)) {
            return null;
        }
        $usual = $this->usual($objections, $heard->cleaned(), $this->tells($turn) ? self::LIKELY_WHERE_TOLD : self::LIKELY);
        if ($usual !== null) {
            return $usual;
        }
        $meant = $this->topics->meant($topics, $heard);
        $key = $meant->noneMeant() ? null : $meant->taken(dearer: self::DEARER);

        return array_column($objections, null, 'key')[$key ?? ''] ?? null;
    }

    /**
     * @param list<Written> $objections
     *
     * @return Written|null the one of the kind that the words are likely of
     */
    private function usual(array $objections, string $said, float $least): ?array
    {
        $likely = $this->kinds->of($said);
        $found = null;
        foreach ($objections as $one) {
            $kind = $one['like'] ?? $this->kindOf($one);
            if ($kind !== null && $likely[$kind] >= max($least, $found === null ? 0.0 : $likely[$found[1]] + 1e-9)) {
                $found = [$one, $kind];
            }
        }

        return $found[0] ?? null;
    }

    /**
     * What is told in plain words alone may be something usual all the same: 'it costs too much'.
     *
     * @param Written $one
     */
    private function kindOf(array $one): ?string
    {
        $words = array_values(array_filter([$one['means'], ...$one['when']], static fn (string $text): bool => $text !== ''));
        $key = implode("\n", $words);
        if (! array_key_exists($key, $this->known)) {
            $sums = [];
            foreach ($words as $text) {
                foreach ($this->kinds->of($text) as $kind => $likelihood) {
                    $sums[$kind] = ($sums[$kind] ?? 0.0) + $likelihood / count($words);
                }
            }
            unset($sums['-'], $sums['whence']);
            $this->known[$key] = $sums !== [] && max($sums) >= self::LIKELY ? (string) array_search(max($sums), $sums, true) : null;
        }

        return $this->known[$key];
    }

    /** Whether something other than a yes or one of several was asked for. */
    private function tells(Turn $turn): bool
    {
        $step = $turn->step();

        return $step instanceof AskStep && ! in_array($turn->script->sheet->field($step->field)?->type, [ValueType::YesNo, ValueType::Choice, ValueType::Several], true);
    }

    /** 'About four thousand pounds', where a sum was asked for, is no objection to the price; a no may well come with one. */
    private function answers(Turn $turn, Hearing $hearing): bool
    {
        $step = $turn->step();
        $reading = $step === null ? null : $this->runners->asking($step)?->reading($turn, $step, $hearing);

        return $reading !== null && $reading->found() && ! is_bool($reading->value) && ! ($step instanceof AskStep && $turn->script->sheet->field($step->field)?->type === ValueType::Text);
    }
}
