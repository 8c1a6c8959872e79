<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Report;
use Ringo\Rehearsal\Crowd\Temper;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\Crowd\Walked;
use Ringo\Script\Script;
use Ringo\Statistics\Share;

/** `./ringo crowd SCRIPT --callers=1000 --seed=1`: stand-in callers try a script, or two with the same callers. */
final class CrowdCommand
{
    public const USAGE = './ringo crowd SCRIPT [--callers=200] [--seed=1] [--noise=0…1] [--temper=NAME] [--against=OTHER] [--teams=FILE] [--knowledge=FOLDER] [--diaries=FILE] [--errands=FILE] [--now=…] [--call=N]';

    private const MOST_CALLERS = 100_000;

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['callers', 'seed', 'noise', 'temper', 'against', ...ScriptInput::AROUND, 'now', 'tz', 'call']);
        $callers = $arguments->get('callers') ?? '200';
        $noise = $arguments->get('noise') ?? '0';
        if (count($arguments->positional) !== 1 || preg_match('/^\d+$/', $callers) !== 1 || (int) $callers < 1 || (int) $callers > self::MOST_CALLERS || ! is_numeric($noise) || (float) $noise < 0 || (float) $noise > 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $input = new ScriptInput($arguments);
        $script = $input->script($arguments->positional[0]);
        $now = $arguments->now($script->agent->tz);
        $seed = $arguments->get('seed') ?? '1';
        $tempers = array_column(Temper::cases(), 'value');
        $temper = Temper::tryFrom($arguments->get('temper') ?? $tempers[0]);
        if ($temper === null) {
            throw new WrongUsage('--temper is one of '.implode(', ', $tempers).'.');
        }
        $temper = $arguments->has('temper') ? $temper : null;
        $crowd = new Crowd($script, $now, $seed);
        $walk = $this->walk($input, $script, $now, (float) $noise);
        if ($arguments->has('call')) {
            $this->one($walk()->of($crowd->caller(max(1, (int) $arguments->get('call')))));

            return 0;
        }
        $report = $this->through($crowd, $walk, (int) $callers, $temper);
        $answer = $report->toArray();
        if ($arguments->get('against') !== null) {
            $other = $input->script($arguments->get('against'));
            $against = $this->through($crowd, $this->walk($input, $other, $now, (float) $noise), (int) $callers, $temper);
            $answer['against'] = $against->toArray();
            $answer += $this->compared($report, $against);
        }
        Output::json($answer);

        return 0;
    }

    /** @param \Closure(): Walk $walk */
    private function through(Crowd $crowd, \Closure $walk, int $callers, ?Temper $temper): Report
    {
        $report = new Report;
        $one = $walk();
        for ($n = 1; $callers > 0; $n++) {
            $who = $crowd->caller($n);
            if ($temper === null || $who->temper === $temper) {
                $report->add($one->of($who));
                $callers--;
            }
        }

        return $report;
    }

    /** @return array<string, mixed> */
    private function compared(Report $one, Report $other): array
    {
        $changed = [];
        $better = $worse = 0;
        foreach ($one->by as $n => $achieved) {
            if ($achieved !== $other->by[$n]) {
                $achieved ? $worse++ : $better++;
                $changed[] = ['caller' => $n, 'before' => $achieved, 'after' => $other->by[$n]];
            }
        }

        return ['difference' => Share::paired($better, $worse, count($one->by)), 'changed' => $changed];
    }

    private function one(Walked $walked): void
    {
        Output::json([
            'caller' => $walked->who->n, 'topic' => $walked->who->topic, 'temper' => $walked->who->temper->value, 'meant' => $walked->meant, 'achieved' => $walked->achieved, 'fields' => $walked->fields,
            'outcome' => $walked->outcome, 'failures' => $walked->failures, 'turns' => array_map(static fn (\Ringo\Transcript\Turn $turn): array => $turn->toArray(), $walked->call->transcript->turns),
        ], true);
    }

    /** @return \Closure(): Walk */
    private function walk(ScriptInput $input, Script $script, \DateTimeImmutable $now, float $noise): \Closure
    {
        $errands = $input->errands();

        return static function () use ($input, $script, $errands, $now, $noise): Walk {
            $book = $input->diaries();

            return new Walk($input->engine($script, $book, $errands), $now, $noise, $errands, $book);
        };
    }
}
