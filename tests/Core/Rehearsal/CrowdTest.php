<?php

declare(strict_types=1);

namespace Tests\Core\Rehearsal;

use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Engine;
use Ringo\Diary\Diaries;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Dice;
use Ringo\Rehearsal\Crowd\Facts;
use Ringo\Rehearsal\Crowd\Line;
use Ringo\Rehearsal\Crowd\NoisyLine;
use Ringo\Rehearsal\Crowd\Phrases;
use Ringo\Rehearsal\Crowd\Report;
use Ringo\Rehearsal\Crowd\Same;
use Ringo\Rehearsal\Crowd\Sayings;
use Ringo\Rehearsal\Crowd\Temper;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\Crowd\Walked;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;
use Ringo\Statistics\Share;
use Ringo\Transcript\Turn;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Crowds of stand-in callers: the same for the same seed, truthful about themselves, and of one mind with what their calls left. */
final class CrowdTest extends TestCase
{
    public function test_the_same_seed_gives_the_same_crowd_and_the_same_calls(): void
    {
        $script = self::maren();
        self::assertEquals(self::crowd($script)->caller(7), self::crowd($script)->caller(7));
        self::assertNotEquals(self::crowd($script)->caller(7), self::crowd($script)->caller(8));
        self::assertNotEquals(self::crowd($script)->caller(7)->truth, self::crowd($script, '2')->caller(7)->truth);
        $told = static fn (): array => array_map(static fn (Turn $turn): string => $turn->text, self::walk($script, 0.2)->of(self::crowd($script)->caller(5))->call->transcript->turns);
        self::assertSame($told(), $told());
        self::assertSame($this->report($script, 40)->toArray(), $this->report($script, 40)->toArray());
    }

    public function test_tempers_and_topics_are_all_there(): void
    {
        $tempers = $topics = [];
        for ($n = 1; $n <= 400; $n++) {
            $who = self::crowd(self::maren())->caller($n);
            $tempers[$who->temper->value] = true;
            $topics[$who->topic ?? ''] = true;
            self::assertSame($who->temper === Temper::WantsPerson, $who->topic === null);
        }
        self::assertCount(count(Temper::cases()), $tempers);
        self::assertCount(9, $topics);
    }

    public function test_what_is_said_on_a_clean_line_is_what_is_read(): void
    {
        // The sayings are no echo of the readers: each type is written apart from them, and read by them.
        $understanding = new Understanding(Vocabulary::of(), new NumberingPlan);
        $phrases = new Phrases(Vocabulary::of());
        $now = self::now();
        $right = $all = [];
        $script = self::maren();
        foreach ($script->sheet->fields as $field) {
            if (in_array($field->type, [ValueType::Text, ValueType::DateTime, ValueType::Items], true)) {
                continue;
            }
            for ($n = 0; $n < 60; $n++) {
                $dice = new Dice("{$field->key}|{$n}");
                $value = (new Facts($phrases))->value($field, $script, $now, $dice, 'Dara Whitcombe');
                $said = (new Sayings($phrases))->of($field, $value, $now, $dice);
                $read = $understanding->read($field->type, $understanding->hear($said), new Context($now, 'GB', $field->options, true, $field->pattern))->value;
                $type = $field->type->value;
                $all[$type] = ($all[$type] ?? 0) + 1;
                $right[$type] = ($right[$type] ?? 0) + (Same::value($field, $read, $value) ? 1 : 0);
            }
        }
        self::assertGreaterThanOrEqual(8, count($all));
        foreach ($all as $type => $n) {
            self::assertGreaterThan(0.93, ($right[$type] ?? 0) / $n, $type);
        }
    }

    public function test_numbers_in_words(): void
    {
        $sayings = new Sayings(new Phrases(Vocabulary::of()));
        foreach ([0 => 'zero', 17 => 'seventeen', 40 => 'forty', 99 => 'ninety nine', 100 => 'one hundred', 215 => 'two hundred and fifteen', 1006 => 'one thousand and six', 4120 => 'four thousand one hundred and twenty'] as $number => $words) {
            self::assertSame($words, $sayings->number($number));
        }
    }

    public function test_the_plain_and_the_brief_get_what_they_came_for(): void
    {
        $script = self::maren();
        $walk = self::walk($script, 0.0);
        $achieved = $all = 0;
        for ($n = 1; $n <= 400; $n++) {
            $who = self::crowd($script)->caller($n);
            if (! in_array($who->temper, [Temper::Plain, Temper::Brief, Temper::Keys, Temper::Interrupts], true)) {
                continue;
            }
            $walked = $walk->of($who);
            $all++;
            $achieved += $walked->achieved ? 1 : 0;
            self::assertSame($walked->achieved, $walked->failures === [], json_encode($walked->failures) ?: '');
        }
        self::assertGreaterThan(60, $all);
        self::assertGreaterThan(0.88, $achieved / $all);
    }

    public function test_what_the_report_counts_is_what_the_calls_left(): void
    {
        $script = self::maren();
        $walk = self::walk($script, 0.1);
        $report = new Report;
        $achieved = $failed = 0;
        $fields = ['right' => 0, 'wrong' => 0, 'missing' => 0];
        for ($n = 1; $n <= 60; $n++) {
            $walked = $walk->of(self::crowd($script)->caller($n));
            $report->add($walked);
            $achieved += $walked->achieved ? 1 : 0;
            $failed += count($walked->failures);
            foreach ($walked->fields as $field => $how) {
                self::assertArrayHasKey($how, $fields);
                $fields[$how]++;
                self::assertSame($how !== 'missing', isset($walked->call->state->values[$field]));
            }
        }
        $told = $report->toArray();
        self::assertSame([60, $achieved, $fields], [$told['callers'], $told['achieved'], $told['fields']]);
        self::assertSame(60, array_sum($told['outcomes']));
        self::assertSame(60, array_sum(array_column($told['by_temper'], 'callers')));
        self::assertSame($failed, array_sum(array_column($told['failures'], 'count')));
        self::assertSame(60, count($report->by));
        $traffic = $report->traffic()->toArray();
        self::assertSame(60, $traffic['calls']);
        self::assertSame(60, $traffic['steps'][$script->first]);
        self::assertSame(60, array_sum($traffic['left']), 'every call ends somewhere');
        self::assertEquals($report->toArray(), Report::goingOn(json_decode((string) json_encode($report->sums()), true))->toArray());
    }

    public function test_lines_differ_and_what_is_said_on_a_bad_one_arrives_worse(): void
    {
        $script = self::maren();
        $lines = ['clean' => 0, 'usual' => 0, 'bad' => 0];
        for ($n = 1; $n <= 800; $n++) {
            $lines[self::crowd($script)->caller($n)->line->value]++;
        }
        self::assertEqualsWithDelta(200, $lines['clean'], 45);
        self::assertEqualsWithDelta(200, $lines['bad'], 45);
        self::assertSame([0.0, 0.3, 0.6, 1.0], [Line::Clean->strength(0.3), Line::Usual->strength(0.3), Line::Bad->strength(0.3), Line::Bad->strength(0.8)]);
        $told = $this->report($script, 120, 0.4)->toArray()['by_line'];
        self::assertSame(['clean', 'usual', 'bad'], array_keys($told));
        self::assertSame(120, array_sum(array_column($told, 'callers')));
        self::assertGreaterThan($told['bad']['achieved'] / $told['bad']['callers'], $told['clean']['achieved'] / $told['clean']['callers']);
    }

    public function test_noise_is_worse_than_none_and_a_broken_script_worse_than_a_sound_one(): void
    {
        $script = self::maren();
        $clean = $this->report($script, 60)->toArray();
        $noisy = $this->report($script, 60, 0.6)->toArray();
        self::assertLessThan($clean['achieved'], $noisy['achieved']);
        self::assertGreaterThan($clean['turns'], $noisy['turns']);
        $broken = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/pellbrook/maren.json'), true);
        foreach ($broken['steps'] as &$step) {
            // The day is asked for twice under another name, and nobody hears of delivery.
            if ($step['key'] === 'hire_length') {
                $step['field'] = 'start_date';
                $step['known'] = 'ask';
            }
        }
        unset($step);
        $other = $this->report((new ScriptReader)->fromArray($broken), 60)->by;
        $better = $worse = 0;
        foreach ($this->report($script, 60)->by as $n => $achieved) {
            $better += ! $achieved && $other[$n] ? 1 : 0;
            $worse += $achieved && ! $other[$n] ? 1 : 0;
        }
        self::assertGreaterThanOrEqual($better, $worse);
    }

    public function test_a_clean_line_changes_nothing_and_a_bad_one_loses_words(): void
    {
        $phrases = new Phrases(Vocabulary::of());
        $said = 'I would like fifteen of the heavy ones for the site please';
        self::assertSame($said, (new NoisyLine($phrases, 0.0))->carries($said, new Dice('1')));
        $heard = array_map(static fn (int $n): string => (new NoisyLine($phrases, 0.8))->carries($said, new Dice((string) $n)), range(1, 40));
        self::assertGreaterThan(30, count(array_unique($heard)));
        self::assertNotSame([], array_filter($heard, static fn (string $one): bool => str_contains($one, 'fifty')));
        self::assertSame('yes', (new NoisyLine($phrases, 0.01))->carries('yes', new Dice('3')));
    }

    public function test_shares_and_their_intervals(): void
    {
        // E. B. Wilson's interval for 8 of 10, and for none of 20.
        self::assertEqualsWithDelta([0.4902, 0.9433], Share::interval(8, 10), 0.0002);
        self::assertEqualsWithDelta([0.0, 0.1611], Share::interval(0, 20), 0.0002);
        self::assertSame(['difference' => 0.0, 'interval' => [0.0, 0.0], 'p' => 1.0], Share::paired(0, 0, 50));
        // Ten changed, nine of them for the better: two-sided, 22 of 1,024.
        self::assertEqualsWithDelta(22 / 1024, Share::paired(9, 1, 100)['p'], 1e-6);
        self::assertSame(0.08, Share::paired(9, 1, 100)['difference']);
    }

    public function test_the_paired_test_errs_on_equals_as_often_as_it_says(): void
    {
        mt_srand(4);
        $wrong = 0;
        for ($round = 0; $round < 2000; $round++) {
            $better = $worse = 0;
            for ($n = 0; $n < 40; $n++) {
                mt_rand(0, 1) === 1 ? $better++ : $worse++;
            }
            $wrong += Share::paired($better, $worse, 200)['p'] < 0.05 ? 1 : 0;
        }
        self::assertLessThan(0.05, $wrong / 2000);
        self::assertGreaterThan(0.015, $wrong / 2000);
    }

    private function report(Script $script, int $callers, float $noise = 0.0): Report
    {
        $report = new Report;
        $walk = self::walk($script, $noise);
        foreach (range(1, $callers) as $n) {
            $walked = $walk->of(self::crowd(self::maren())->caller($n));
            self::assertInstanceOf(Walked::class, $walked);
            $report->add($walked);
        }

        return $report;
    }

    public function testWhoeverWantsTheDiaryIsServedByIt(): void
    {
        $demo = dirname(__DIR__, 3).'/database/demo/harrowell';
        $script = (new ScriptReader)->fromJson((string) file_get_contents("{$demo}/isolde.json"));
        $book = new SketchBook(Diaries::fromArray(json_decode((string) file_get_contents("{$demo}/diaries.json"), true, 64, JSON_THROW_ON_ERROR)));
        $walk = new Walk(Engine::for($script, appointments: $book), self::now(), 0.0, book: $book);
        $served = [];
        $visitor = 1;
        foreach (range(1, 60) as $n) {
            $walked = $walk->of(self::crowd($script)->caller($n));
            self::assertArrayNotHasKey('reference', $walked->fields, 'what booking fills is nothing a caller means');
            $served[$walked->who->topic ?? 'person'][] = $walked->achieved;
            $visitor = $walked->who->topic === 'visit' ? $n : $visitor;
            if ($walked->achieved && $walked->who->topic === 'cancel') {
                self::assertSame([], $book->all(), 'their booking stands no longer');
            }
        }
        foreach (['visit', 'move', 'cancel'] as $topic) {
            self::assertGreaterThanOrEqual(0.9, array_sum(array_map(intval(...), $served[$topic])) / count($served[$topic]), $topic);
        }
        // Without a diary nobody gets what they came for, and it is told.
        $without = (new Walk(Engine::for($script), self::now(), 0.0))->of(self::crowd($script)->caller($visitor));
        self::assertFalse($without->achieved);
    }

    private static function crowd(Script $script, string $seed = '1'): Crowd
    {
        return new Crowd($script, self::now(), $seed);
    }

    private static function walk(Script $script, float $noise): Walk
    {
        return new Walk(Engine::for($script), self::now(), $noise);
    }

    private static function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
    }

    private static function maren(): Script
    {
        static $script = null;

        return $script ??= (new ScriptReader)->fromJson((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/pellbrook/maren.json'));
    }
}
