<?php

declare(strict_types=1);

namespace Tests\Core\Transfer;

use PHPUnit\Framework\TestCase;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Transfer\Team;
use Ringo\Transfer\TeamFit;

/** Which team fits, over the tables in cases/: teams of twenty trades and what their callers say, half of it in none of the description's words. */
final class TeamFitTest extends TestCase
{
    public function testFindsTheTeamOrAsksTheRightQuestion(): void
    {
        $words = Vocabulary::of();
        $lexicon = new Lexicon($words);
        $calls = $right = $wrong = 0;
        $missed = [];
        foreach (glob(__DIR__.'/cases/*.json') ?: [] as $file) {
            $data = json_decode((string) file_get_contents($file), true, 16, JSON_THROW_ON_ERROR);
            $fit = new TeamFit(array_values(array_map(Team::fromArray(...), $data['teams'])), $words, $lexicon);
            foreach ($data['calls'] as $call) {
                $found = $fit->of($call['said']);
                $calls++;
                $right += $found->team === $call['team'] || in_array($call['team'], $found->candidates, true) ? 1 : 0;
                if ($found->team !== null && $found->team !== $call['team']) {
                    $wrong++;
                    $missed[] = basename($file)." “{$call['said']}” went to {$found->team}";
                }
                if ($found->candidates !== []) {
                    self::assertSame($fit->question($found->candidates), $found->question);
                    self::assertLessThanOrEqual(3, count($found->candidates));
                }
            }
        }
        self::assertGreaterThanOrEqual(0.95, $right / $calls);
        self::assertLessThanOrEqual(0.03, $wrong / $calls, implode("\n", $missed));
    }

    public function testAQuestionSeparatesExactlyTheCandidates(): void
    {
        $fit = self::fit();
        self::assertSame('Is it about invoices or refunds, or broken machines?', $fit->question(['accounts', 'engineers']));
        foreach (['the first one' => 'accounts', 'the second' => 'engineers', 'the latter' => 'engineers', 'engineers please' => 'engineers', 'the broken one' => 'engineers', 'a refund' => 'accounts'] as $answer => $team) {
            self::assertSame($team, $fit->answered('I have a question', ['accounts', 'engineers'], $answer)->team, $answer);
        }
        self::assertNull($fit->answered('I have a question', ['accounts', 'engineers'], 'um')->team);
        self::assertSame('counter', $fit->answered('I have a question', ['accounts', 'engineers'], 'neither, I want to reserve a digger')->team);
    }

    public function testWhoWantsNoneOfThoseIsAskedAboutTheOthers(): void
    {
        foreach (['neither', 'none of those', 'no'] as $answer) {
            self::assertSame('counter', self::fit()->answered('I have a question', ['accounts', 'engineers'], $answer)->team, "{$answer}: one other is left");
            self::assertNull(self::fit()->answered('I have a question', ['accounts', 'engineers', 'counter'], $answer)->team, "{$answer}: none is left");
        }
        $words = Vocabulary::of();
        $teams = ['accounts' => 'invoices and refunds', 'engineers' => 'broken machines', 'counter' => 'reservations and prices', 'yard' => 'collections and deliveries', 'people' => 'vacancies and wages'];
        $fit = new TeamFit(array_map(static fn (string $key, string $about): Team => new Team($key, ucfirst($key), $about), array_keys($teams), $teams), $words, new Lexicon($words));
        $found = $fit->answered('when is the lorry coming', ['accounts', 'engineers', 'counter'], 'none of those');
        self::assertSame([null, ['yard', 'people']], [$found->team, $found->candidates]);
        self::assertSame($fit->question(['yard', 'people']), $found->question);
    }

    public function testFewWordsThatMeanSomethingAreAskedAbout(): void
    {
        self::assertSame('counter', self::fit()->of('how much a year')->team);
        $hello = self::fit()->of('hello, good morning');
        self::assertSame([null, []], [$hello->team, $hello->candidates]);
    }

    public function testANewTeamWorksTheMomentItIsDescribed(): void
    {
        $words = Vocabulary::of();
        $teams = [new Team('accounts', 'Accounts', 'invoices and refunds'), new Team('jobs', 'Recruitment', 'vacancies and applications')];
        self::assertSame('jobs', (new TeamFit($teams, $words, new Lexicon($words)))->of('are you taking anyone on at the moment')->team);
        self::assertSame('accounts', (new TeamFit([$teams[0], new Team('jobs', 'People', '', ['are you hiring'])], $words, new Lexicon($words)))->of('you charged me twice')->team);
    }

    private static function fit(): TeamFit
    {
        $words = Vocabulary::of();

        return new TeamFit([new Team('accounts', 'Accounts', 'invoices and refunds'), new Team('engineers', 'Engineers', 'broken machines'), new Team('counter', 'Counter', 'reservations and prices')], $words, new Lexicon($words));
    }
}
