<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Vocabulary;
use Ringo\Script\Steps\Step;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\WishReader;

/**
 * A wish about when, told while something else is asked: 'one of the mornings next week, not Tuesday', where a time is agreed further on.
 * The booking hears it again (Appointments\Matter::lately); until then it is no failed answer.
 */
final class WishAhead
{
    private ?WishReader $wishes = null;

    public function __construct(private readonly Vocabulary $words)
    {
    }

    public function move(Turn $turn, Step $step, Heard $words): ?Move
    {
        if (! BooksAhead::from($turn, $step->key(), ['book', 'change'])) {
            return null;
        }
        $this->wishes ??= new WishReader($this->words);
        $wish = $this->wishes->read(new Wish, $words->cleaned(), new Context($turn->scope()->now, $turn->script->agent->country));
        $when = $wish->times !== null || $wish->days !== null || $wish->weekdays !== null || $wish->order !== null || [...$wish->notDays, ...$wish->notWeekdays, ...$wish->notTimes, ...$wish->byDay] !== [];
        if (! $when) {
            return null;
        }
        $turn->trace->rule('not what was asked, but a wish for the time to be agreed');
        $turn->standing('acknowledge_words');

        return Move::again();
    }
}
