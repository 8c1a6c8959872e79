<?php

declare(strict_types=1);

namespace Tests\Core\Knowledge;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Knowledge\Figures;
use Ringo\Knowledge\LabelledQuestions;
use Ringo\Knowledge\Ranking\Certainty;
use Ringo\Knowledge\Ranking\Pairing;
use Ringo\Knowledge\Ranking\Precedents;
use Ringo\Knowledge\Ranking\Ranker;
use Ringo\Knowledge\Rings;
use Ringo\Knowledge\Terms;
use Ringo\Language\Phrases;
use Ringo\Language\SayingModel;
use Ringo\Language\Vocabulary;
use Ringo\Language\WordVectors;

/** What was trained belongs to its data, and every weight has words for the bench. */
final class TrainingTest extends TestCase
{
    public function testWeightsBelongToTheirData(): void
    {
        $root = dirname(__DIR__, 3);
        self::assertSame(Ranker::trained()['data'], LabelledQuestions::fingerprint(array_map(static fn (string $folder): string => "{$root}/{$folder}", LabelledQuestions::TRAINED_ON)), 'train anew: php training/answers.php');
        $vectors = json_decode((string) file_get_contents("{$root}/core/Language/en/vectors/vectors.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($vectors['rows_sha256'], hash_file('sha256', "{$root}/core/Language/en/vectors/rows.bin"));
        self::assertSame($vectors['words'] * $vectors['dimensions'], filesize("{$root}/core/Language/en/vectors/rows.bin"));
    }

    public function testEveryFeatureHasWords(): void
    {
        self::assertSame([], array_diff_key(Ranker::trained()['ranking'], Vocabulary::of()->section('answer_features', 'words')));
    }

    public function testWhatQuestionsWantIsCountedAsTheTrainingDid(): void
    {
        $root = dirname(__DIR__, 3);
        $trained = json_decode((string) file_get_contents("{$root}/core/Language/en/questions/questions.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', "{$root}/data/corpora/questions.tsv"), 'train anew: training/questions.py');
        self::assertSame($trained['weights_sha256'], hash_file('sha256', "{$root}/core/Language/en/questions/weights.bin"));
        $wanted = SayingModel::questions();
        foreach (json_decode((string) file_get_contents(__DIR__.'/wanted.json'), true, 8, JSON_THROW_ON_ERROR) as $row) {
            self::assertEqualsWithDelta($row['of'], array_values($wanted->of($row['said'])), 1e-3, $row['said']);
        }
        self::assertEqualsWithDelta(1.0, array_sum($wanted->of('')), 1e-9);
    }

    public function testPairsAreCountedAsTheTrainingDid(): void
    {
        $root = dirname(__DIR__, 3);
        $trained = json_decode((string) file_get_contents("{$root}/core/Language/en/asking/meaning.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', "{$root}/data/corpora/asking.tsv"), 'train anew: training/asking.py');
        self::assertSame($trained['meanings_sha256'], hash_file('sha256', "{$root}/core/Language/en/meaning/rows.bin"), 'the meanings have changed: training/asking.py');
        self::assertSame($trained['rows_sha256'], hash_file('sha256', "{$root}/core/Language/en/asking/rows.bin"));
        $pairing = Pairing::english();
        foreach (json_decode((string) file_get_contents(__DIR__.'/asking.json'), true, 8, JSON_THROW_ON_ERROR) as $row) {
            self::assertEqualsWithDelta($row['alike'], $pairing->alike($row['asked'], $row['written']), 1e-3, $row['asked']);
        }
        self::assertSame(0.0, $pairing->alike('', 'The deposit is £50.'));
    }

    public function testWhatWasAskedElsewhereIsFoundWithWhatAnsweredIt(): void
    {
        $root = dirname(__DIR__, 3);
        $folder = "{$root}/core/Language/en/asking";
        $trained = json_decode((string) file_get_contents("{$folder}/meaning.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['precedents_sha256'], hash_file('sha256', "{$folder}/precedents.bin"));
        [$pairing, $precedents] = [Pairing::english(), new Precedents($folder)];
        $lines = file("{$root}/data/corpora/asking.tsv", FILE_IGNORE_NEW_LINES) ?: [];
        foreach (range(0, count($lines) - 1, 97) as $n) {
            [, $written, $asked] = explode("\t", $lines[$n]);
            $found = $precedents->of($asked, $pairing->meant($asked));
            // The same words are as near as can be, by meaning and by stems: two, which counts with its fourth power.
            self::assertEqualsWithDelta(16.0, $found[0][0], 0.7, $asked);
            self::assertGreaterThan(0.9, Precedents::supported([$found[0]], $pairing->meant($written))[1], $asked);
        }
        self::assertSame([], $precedents->of('', $pairing->meant('')));
        self::assertSame([0.0, 0.0], Precedents::supported([], $pairing->meant('The deposit is £50.')));
    }

    public function testWhatAnsweredAQuestionElsewhereSupportsASentenceLikeIt(): void
    {
        [$pairing, $precedents] = [Pairing::english(), new Precedents(dirname(__DIR__, 3).'/core/Language/en/asking')];
        foreach (['have you got a bog in the shop' => ['The toilets are behind the counter.', 'Vases are sold with a tray.'], 'is my terrier allowed in' => ['Dogs are welcome on the terrace.', 'The kitchen closes at nine.'], 'what do you want up front' => ['We ask for a deposit of a quarter.', 'The hall has forty seats.']] as $asked => [$right, $other]) {
            $found = $precedents->of($asked, $pairing->meant($asked));
            self::assertGreaterThan(Precedents::supported($found, $pairing->meant($other))[0], Precedents::supported($found, $pairing->meant($right))[0], $asked);
        }
    }

    public function testBlindBusinessesAreThoseThatWereFrozen(): void
    {
        $blind = ['knowledge_blind_second' => 'b7e3c2472e54a1d5cefab74c17140b604b5475a05650f9929e897f6f9c13a11f', 'knowledge_blind_fourth' => '36db4611464914c71cabe4afc91e95cd127a8c218fd8313e9347bd81fd20693f'];
        foreach ($blind as $set => $frozen) {
            $hash = hash_init('sha256');
            $files = glob(dirname(__DIR__, 3)."/data/corpora/{$set}/*/*") ?: [];
            sort($files);
            foreach ($files as $file) {
                hash_update($hash, (string) file_get_contents($file));
            }
            self::assertSame($frozen, hash_final($hash), $set);
        }
    }

    public function testTheRingsAreWrittenOutAsTheyStand(): void
    {
        $words = Vocabulary::of();
        $table = Rings::table(Rings::written($words));
        self::assertSame((new Phrases($table))->tree(), $words->section('ring_tree', 'tree'), 'run tools/phrase-trees.php');
        self::assertSame([count(Rings::written($words))], $words->section('ring_tree', 'count'));
        $own = Rings::with($words, ['digger, wopper', "excavator, skipper's licence"]);
        self::assertNotNull($own->phrases->meaning('skippers licence'), 'apostrophes are optional');
        self::assertNull(Rings::with($words, [])->phrases->meaning('wopper'), 'one business does not change another');
        self::assertSame([count(Rings::written($words))], $own->singles['wopper']);
        self::assertSame([...$table['excavator'] ?? [], count(Rings::written($words)) + 1], $own->phrases->meaning('excavator'), 'beside the rings it is in already');
    }

    /** @param list<float> $figures */
    #[DataProvider('questionsWithFigures')]
    public function testFiguresOfQuestionsAreRead(string $question, array $figures): void
    {
        $words = Vocabulary::of();
        self::assertSame($figures, (new Figures($words, new Terms($words)))->in($question, ' '.$question.' '));
    }

    /** @return iterable<array{string, list<float>}> */
    public static function questionsWithFigures(): iterable
    {
        yield ['four of the cheapest fifteen inch tyres', [4.0, 15.0]];
        yield ['my mum is seventy three', [73.0]];
        yield ['for 2 adults and 3 children', [2.0, 3.0]];
        yield ['three point five metres', [3.5]];
        yield ['a dozen cupcakes', [12.0]];
        yield ['a two hundred mile trip', [200.0]];
        yield ['is this one free', []];
        yield ['it is my first year', [1.0]];
        yield ['', []];
    }

    public function testVectorsKnowWhatIsAlike(): void
    {
        $vectors = WordVectors::english();
        self::assertGreaterThan(0.6, $vectors->likeness('bike', 'bicycle'));
        self::assertGreaterThan($vectors->likeness('sofa', 'invoice'), $vectors->likeness('sofa', 'couch'));
        self::assertEqualsWithDelta(1.0, $vectors->likeness('garden', 'garden'), 1e-6);
        self::assertSame(0.0, $vectors->likeness('garden', 'qzxv'));
    }

    public function testChancesAreChances(): void
    {
        self::assertSame(0.5, Certainty::chance([], ['bias' => 1.0]));
        self::assertGreaterThan(0.5, Certainty::chance(['bias' => 1.0], ['bias' => 1.0]));
        self::assertSame([], (new Ranker(['a' => 1.0]))->chances([]));
    }

    public function testAnswersAreComparedByValue(): void
    {
        $labelled = new LabelledQuestions;
        /** @return array{id: string, q: string, answerable: bool, doc: ?string, heading: ?string, must: list<string>, mustnot: list<string>, kind: string} */
        $question = static fn (array $must, array $not = []): array => ['id' => 'x', 'q' => 'x', 'answerable' => true, 'doc' => null, 'heading' => null, 'must' => array_map(strval(...), array_values($must)), 'mustnot' => array_map(strval(...), array_values($not)), 'kind' => ''];
        self::assertTrue($labelled->right($question(['9:30pm', '3 weeks']), 'Until 9.30 pm, for three weeks.'));
        self::assertTrue($labelled->right($question(['£1150|£1,200']), 'It is £1,150.'));
        self::assertTrue($labelled->right($question(['book*']), 'Please booking ahead.'));
        self::assertFalse($labelled->right($question(['£5']), 'It is £5.60.'));
        self::assertFalse($labelled->right($question(['£45'], ['£54']), 'It is £45 or £54.'));
        self::assertFalse($labelled->right($question(['licence'], ['no.']), 'No. A licence is needed.'));
        $this->expectException(\UnexpectedValueException::class);
        $labelled->read('{"q": 1}');
    }
}
