<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Acts\Questions;
use Ringo\Dialogue\Phrasebook;
use Ringo\Knowledge\Answerer;
use Ringo\Knowledge\CallKnowledge;
use Ringo\Knowledge\Library;
use Ringo\Language\SayingModel;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;

/** Whether a question wants something done or wants to know: learned from its data, measured on what it has not seen, and heeded in a call. */
final class RequestModelTest extends TestCase
{
    /** Sixty sayings that were frozen before anything had learned. */
    private const FROZEN = '90edcf243657f38c27671d511a3019a1f5554d4136998908a6390cb59da1d1c9';

    public function testWeightsAndDataBelongTogether(): void
    {
        $root = dirname(__DIR__, 3);
        $trained = json_decode((string) file_get_contents("{$root}/core/Language/en/requests/requests.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', "{$root}/data/corpora/requests.tsv"), 'train anew: training/sayings.py requests');
        self::assertSame($trained['weights_sha256'], hash_file('sha256', "{$root}/core/Language/en/requests/weights.bin"));
        foreach (json_decode((string) file_get_contents(__DIR__.'/requests.json'), true, 8, JSON_THROW_ON_ERROR) as $sample) {
            self::assertEqualsWithDelta($sample['of'], array_values(SayingModel::requests()->of($sample['said'])), 1e-3, $sample['said']);
        }
    }

    public function testSayingsItHasNotSeen(): void
    {
        $file = dirname(__DIR__, 3).'/data/corpora/requests_blind.tsv';
        self::assertSame(self::FROZEN, hash_file('sha256', $file));
        $right = $sureAndWrong = 0;
        $lines = file($file, FILE_IGNORE_NEW_LINES) ?: [];
        foreach ($lines as $line) {
            [$kind, $said] = explode("\t", $line);
            $wants = SayingModel::requests()->of($said)['wants'];
            $right += ($wants >= 0.5) === ($kind === 'wants') ? 1 : 0;
            $sureAndWrong += $wants >= 0.8 && $kind !== 'wants' || $wants <= 0.05 && $kind === 'wants' ? 1 : 0;
        }
        self::assertGreaterThanOrEqual(0.9, $right / count($lines));
        self::assertSame(0, $sureAndWrong);
    }

    /** @return array<string, array{string, string}> what somebody opens with, and the step they are brought to */
    public static function openings(): array
    {
        return [
            'a thing and a day' => ['Morning, have you got a generator I can have tomorrow', 'hire_length'],
            'a thing that is spare' => ['is there a floor saw going spare for Monday', 'hire_length'],
            'any of them' => ['are there any towers available next week', 'start_date'],
            'whether there is one' => ['do you have mini diggers', 'start_date'],
            'whether there is something else' => ['have you got insurance for the digger', 'help'],
            'a matter of their own' => ['when is my hire due back', 'message'],
            'a price is told' => ['how much is a generator', 'help'],
            'a rule is told' => ['what deposit do you want for a generator', 'help'],
        ];
    }

    #[DataProvider('openings')]
    public function testWhoeverWantsAThingIsNotToldAboutIt(string $said, string $step): void
    {
        $documents = (new Library)->folder(dirname(__DIR__, 3).'/database/demo/pellbrook/knowledge', static fn (string $problem) => null);
        $knowledge = new CallKnowledge(Answerer::over($documents), Vocabulary::of(), static fn (): string => '');
        $call = Conversation::with(Conversation::maren(), from: null, knowledge: $knowledge)->says($said);

        self::assertSame($step, $call->state->step);
    }

    public function testWhatWasAskedAboutIsTakenUp(): void
    {
        $documents = (new Library)->folder(dirname(__DIR__, 3).'/database/demo/pellbrook/knowledge', static fn (string $problem) => null);
        $knowledge = new CallKnowledge(Answerer::over($documents), Vocabulary::of(), static fn (): string => '');
        $call = Conversation::with(Conversation::maren(), from: null, knowledge: $knowledge)->says('how much would it be for a mini digger over the weekend');
        self::assertStringContainsString('ninety five pounds', $call->heard());
        $call->says("ok, I'll take it then");
        self::assertStringContainsString('mini digger', $call->heard(), 'the topic that begins by asking for the machine is taken up');
    }

    public function testWhoeverWantsToKnowIsToldBeforeTheTopicIsTakenUp(): void
    {
        $demo = dirname(__DIR__, 3).'/database/demo/harrowell';
        $script = json_decode((string) file_get_contents("{$demo}/isolde.json"), true, 32, JSON_THROW_ON_ERROR);
        $knowledge = new CallKnowledge(Answerer::over((new Library)->folder("{$demo}/knowledge", static fn (string $problem) => null)), Vocabulary::of(), static fn (): string => '');
        $call = Conversation::with($script, from: null, knowledge: $knowledge)->says('how much is a tuning of an upright');
        self::assertStringContainsString('£78', $call->heard());
        self::assertSame('open', $call->state->step);
        self::assertSame('which', Conversation::with($script, from: null, knowledge: $knowledge)->says('I would like a tuning')->state->step);
    }

    public function testWhatIsDeniedIsWhatWasAsked(): void
    {
        $documents = (new Library)->folder(dirname(__DIR__, 3).'/database/demo/pellbrook/knowledge', static fn (string $problem) => null);
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));

        self::assertStringStartsNotWith('No', (string) Answerer::over($documents)->answer('have you got a generator', $now)->text, 'that it must not run indoors denies none');
    }

    public function testAQuestionBeginsWithWhatIsAskedFor(): void
    {
        $questions = new Questions(new Phrasebook(Vocabulary::of(), Conversation::script()->agent));
        $in = static fn (string $said): array => array_map(static fn (Heard $one): string => $one->cleaned(), $questions->in(Heard::of($said, Vocabulary::of()))[0]);

        self::assertSame(['what deposit do you want for a generator'], $in('what deposit do you want for a generator'));
        self::assertSame(['which machines do you have'], $in('hello, we are new here, which machines do you have'));
        self::assertSame(['do you deliver'], $in('I wanted a mixer, do you deliver'));
    }
}
