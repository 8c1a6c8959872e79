<?php

declare(strict_types=1);

namespace Tests\Core\Design;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Design\ScriptDocument;
use Ringo\Design\Unneeded;
use Ringo\Document\InvalidDocument;
use Ringo\Script\Steps\Listen\ListenStep;

/** What no call came to is taken out whole, and nothing else with it. */
final class UnneededTest extends TestCase
{
    public function testTakesOutATopicARuleAndAStep(): void
    {
        $document = self::document();
        $topics = static fn (ScriptDocument $one): array => array_merge(...array_map(static fn (mixed $step): array => $step instanceof ListenStep ? array_column($step->topics, 'key') : [], array_values($one->script->steps)));
        $topic = $topics($document)[0];
        $rule = $document->script->transfers->rules[0]['key'];
        $unneeded = new Unneeded;

        $without = $unneeded->takenOut($document, 'topic', $topic);
        self::assertNotContains($topic, $topics($without));
        self::assertSame(array_keys($document->script->steps), array_keys($without->script->steps), 'the steps it led to stay');
        $without = $unneeded->takenOut($document, 'transfer rule', $rule);
        self::assertSame(array_slice(array_column($document->script->transfers->rules, 'key'), 1), array_column($without->script->transfers->rules, 'key'));
        $step = array_keys($document->script->steps)[3];
        self::assertArrayNotHasKey($step, $unneeded->takenOut($document, 'step', $step)->script->steps);
    }

    public function testTakesOutAGreetingAndLeavesTheOthers(): void
    {
        $data = self::document()->toArray();
        $data['agent']['greeting'] = ['known' => 'Hello again.', 'withheld' => 'Hello, whoever you are.'];
        $document = ScriptDocument::fromArray($data);
        $one = (new Unneeded)->takenOut($document, 'greeting', 'withheld');

        self::assertNull($one->script->agent->greeting['withheld']);
        self::assertNotNull($one->script->agent->greeting['known']);
        self::assertArrayNotHasKey('greeting', (new Unneeded)->takenOut($one, 'greeting', 'known')->toArray()['agent']);
    }

    /** @param value-of<Unneeded::KINDS> $kind */
    #[DataProvider('kinds')]
    public function testWhatIsNotThereIsSaid(string $kind): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessageMatches('/there is no '.$kind.' “nothing” any more/');
        (new Unneeded)->takenOut(self::document(), $kind, 'nothing');
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (Unneeded::KINDS as $kind) {
            yield $kind => [$kind];
        }
    }

    private static function document(): ScriptDocument
    {
        return ScriptDocument::fromJson((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/pellbrook/maren.json'));
    }
}
