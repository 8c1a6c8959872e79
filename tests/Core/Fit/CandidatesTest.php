<?php

declare(strict_types=1);

namespace Tests\Core\Fit;

use PHPUnit\Framework\TestCase;
use Ringo\Fit\Candidates;
use Ringo\Fit\Meaning;
use Ringo\Fit\Memory;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;

final class CandidatesTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../../core/Language/en/memory';

    public function testTheMemoryBelongsToTheMeanings(): void
    {
        $kept = json_decode((string) file_get_contents(self::FOLDER.'/memory.json'), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame(Meaning::english()->version(), $kept['meanings'], 'the meanings have changed: php training/memory.php');
        self::assertSame($kept['sha256'], hash_file('sha256', self::FOLDER.'/memory.bin'));
    }

    public function testMemorySpeaksForWhatCallersOfOthersMeant(): void
    {
        $meaning = Meaning::english();
        $vets = array_map($meaning->vectorOf(...), ['nurses' => ['name' => 'Nurses', 'about' => 'Boosters, worming, weighing and nail clipping for dogs and cats.'], 'accounts' => ['name' => 'Accounts', 'about' => 'Bills, insurance claims and payment plans.']]);
        $of = Memory::english()->of($meaning->vector('his claws are clicking on the kitchen floor'), $vets);
        self::assertGreaterThan($of['accounts'], $of['nurses']);
        self::assertEqualsWithDelta(0.0, array_sum($of), 1e-9);
    }

    public function testAnExampleOfTheBusinessDecides(): void
    {
        $words = Vocabulary::of();
        $lexicon = new Lexicon($words);
        $teams = [['key' => 'a', 'name' => 'Office', 'about' => 'letters and keys', 'examples' => []], ['key' => 'b', 'name' => 'Yard', 'about' => 'parking and gates', 'examples' => []]];
        $said = 'the swan has come back again';
        $before = (new Candidates($teams, $words, $lexicon))->likely($said);
        $teams[1]['examples'] = [$said];
        $after = (new Candidates($teams, $words, $lexicon))->likely($said);
        self::assertGreaterThan($before->of['b'], $after->of['b']);
        self::assertSame('b', $after->taken());
    }

    public function testHeldOutTradesCanBeForgotten(): void
    {
        $trade = json_decode((string) file_get_contents(__DIR__.'/../../../data/trades/boarding-kennels.json'), true, 32, JSON_THROW_ON_ERROR);
        $teams = [];
        foreach ($trade['splits'][0] as $team) {
            $teams[$team['key']] = Meaning::english()->vectorOf(['name' => $team['name'], 'about' => $team['description']]);
        }
        $said = Meaning::english()->vector('ring me if he will not eat');
        self::assertNotSame(Memory::english()->of($said, $teams), Memory::english()->without('boarding-kennels')->of($said, $teams));
    }
}
