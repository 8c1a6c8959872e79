<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Phrasebook;
use Ringo\Fit\Topics;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Understanding\Understanding;

/** Topics about what stands already, where somebody speaks of such a thing: 'my order', 'I booked'. */
final readonly class StandsAlready
{
    /** Two of them are as likely as each other within this. */
    private const AS_LIKELY = 0.1;

    /** So many are asked about. */
    private const MOST = 2;

    public function __construct(private Understanding $understanding, private Phrasebook $phrases, private Topics $topics)
    {
    }

    /**
     * The likeliest topics about what stands already, two at most, where the words tell of such a thing and the best topic is not about one: 'we've
     * a room booked tonight, and the train is late'.
     *
     * @return ?list<string>
     */
    public function topics(ListenStep $step, string $best, Hearing $hearing): ?array
    {
        if (! $this->phrases->table('acts', 'stands_already')->in($hearing->heard->tokens)) {
            return null;
        }
        $about = $this->phrases->table('acts', 'about_what_stands');
        $topic = $step->topic($best);
        if ($topic === null || ! $this->phrases->table('acts', 'begins_something')->in($this->understanding->hear($topic['label'].', '.$topic['description'])->tokens)) {
            return null;
        }
        $standing = [];
        foreach ($step->topics as $topic) {
            if ($about->in($this->understanding->hear($topic['label'].', '.$topic['description'])->tokens)) {
                $standing[$topic['key']] = true;
            }
        }
        if ($standing === [] || isset($standing[$best])) {
            return null;
        }
        $of = array_intersect_key($this->topics->meant($step->topics, $hearing->heard)->of, $standing);

        $most = max([0.0, ...array_values($of)]);
        // 'Can I put it off' may move it or cancel it.
        $likely = array_keys(array_filter($of, static fn (float $likely): bool => $likely >= $most - self::AS_LIKELY));

        return array_slice(array_map(strval(...), $likely), 0, self::MOST);
    }
}
