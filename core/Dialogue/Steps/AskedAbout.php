<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Acts\Wanting;
use Ringo\Dialogue\Phrasebook;
use Ringo\Fit\Topics;
use Ringo\Language\Token;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Understanding;

/** Topics that are only asked about: 'how long does a colour take', where nothing answers it. */
final readonly class AskedAbout
{
    /** Words of substance in a question about what was just done. */
    private const LITTLE = 2;

    public function __construct(private Understanding $understanding, private Phrasebook $phrases, private Topics $topics, private Wanting $wanting)
    {
    }

    /**
     * The topic that words only ask about, where nothing answered them and the topic is none that would: 'how long does a colour take' books
     * none.
     *
     * @param array<string, float> $ranked
     */
    public function topic(ListenStep $step, array $ranked, Hearing $hearing): ?string
    {
        if (! $this->wanting->about($hearing) || max([0.0, ...array_values($ranked)]) >= Topics::NAMED) {
            return null;
        }
        $best = (string) array_key_first($this->topics->meant($step->topics, $hearing->heard)->of);
        $topic = $step->topic($best);
        $answers = $topic !== null && $this->phrases->table('acts', 'answers_questions')->in($this->understanding->hear($topic['label'].', '.$topic['description'])->tokens);

        return $topic === null || $answers ? null : $best;
    }

    /** 'How much will that be' is about what was just done. */
    public function whatWasDone(Hearing $hearing): bool
    {
        return array_intersect(array_map(static fn (Token $token): string => $token->text, $hearing->heard->tokens), ['that', 'it', 'this']) !== [] && $this->phrases->content($hearing->heard->tokens) <= self::LITTLE;
    }

    /** @return list<string> topics that tell prices, where one is asked for */
    public function prices(ListenStep $step, Hearing $hearing): array
    {
        $prices = $this->phrases->table('acts', 'of_prices');
        $topics = ! $prices->in($hearing->heard->tokens) ? [] : array_filter($step->topics, fn (array $topic): bool => $prices->in($this->understanding->hear($topic['label'].', '.$topic['description'])->tokens));

        return array_values(array_map(strval(...), array_column($topics, 'key')));
    }
}
