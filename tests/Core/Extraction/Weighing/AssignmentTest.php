<?php

declare(strict_types=1);

namespace Tests\Core\Extraction\Weighing;

use PHPUnit\Framework\TestCase;
use Ringo\Extraction\Profiler;
use Ringo\Extraction\Weighing\Assignment;
use Ringo\Extraction\Weighing\Candidate;
use Ringo\Extraction\Weighing\Choice;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\RecordSheet;

final class AssignmentTest extends TestCase
{
    public function testAFieldYieldsToOneOfItsKindThatHasTheBetterClaim(): void
    {
        $fair = (new Assignment)->of([
            'owner' => [$this->choice('owner', 'Rosa Bianchi', 0.9)],
            'rider' => [$this->choice('rider', 'Rosa Bianchi', 0.5), $this->choice('rider', 'Tess', 0.3)],
        ]);

        self::assertSame(0.9, $fair['owner'][0]->likelihood);
        self::assertSame(['Tess', 'Rosa Bianchi'], array_map(static fn (Choice $one): mixed => $one->candidate->value, $fair['rider']));
    }

    public function testTwoOfAKindMayHoldTheSameWhereBothAreLikely(): void
    {
        $fair = (new Assignment)->of(['owner' => [$this->choice('owner', 'Rosa Bianchi', 0.9)], 'rider' => [$this->choice('rider', 'Rosa Bianchi', 0.85)]]);

        self::assertGreaterThan(0.75, $fair['rider'][0]->likelihood);
    }

    public function testFieldsOfOtherKindsAndThoseOfYesAndNoKeepTheirs(): void
    {
        $ranked = ['owner' => [$this->choice('owner', true, 0.9)], 'sure' => [$this->choice('sure', true, 0.4)], 'keen' => [$this->choice('keen', true, 0.8)]];

        self::assertEqualsWithDelta(0.4, (new Assignment)->of($ranked)['sure'][0]->likelihood, 1e-9);
    }

    private function choice(string $key, mixed $value, float $likelihood): Choice
    {
        $sheet = RecordSheet::fromArray([
            'type' => 'object',
            'properties' => ['owner' => ['type' => 'string', 'format' => 'person-name'], 'rider' => ['type' => 'string', 'format' => 'person-name'], 'sure' => ['type' => 'boolean'], 'keen' => ['type' => 'boolean']],
        ]);
        foreach ((new Profiler(Vocabulary::of()))->profiles($sheet, 'GB') as $field) {
            if ($field->key() === $key) {
                return new Choice(new Candidate($field, $value, 1, 1, '', Candidate::ANSWER, []), $likelihood);
            }
        }

        throw new \LogicException('no such field');
    }
}
