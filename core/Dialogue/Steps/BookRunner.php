<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Appointments\Agreed;
use Ringo\Dialogue\Appointments\Agreeing;
use Ringo\Dialogue\Appointments\Choice;
use Ringo\Dialogue\Appointments\Finding;
use Ringo\Dialogue\Appointments\Matter;
use Ringo\Dialogue\Appointments\Talk;
use Ringo\Dialogue\Appointments\WaitingList;
use Ringo\Dialogue\Ports\Appointments;
use Ringo\Dialogue\Ports\Booked;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Diary\Service;
use Ringo\Diary\Start;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Value\ValueType;

/**
 * Agrees a time with the caller: finds the booking it is about, takes what was volunteered, offers two or three times that differ, takes
 * a choice or a new wish, and hands what is held, booked or waited for to those who do it.
 */
final readonly class BookRunner implements AskingRunner
{
    public function __construct(private Puts $puts, private Understanding $understanding, private ?Appointments $book, private Talk $talk, private Choice $choice, private Finding $finding, private Agreeing $agreeing, private WaitingList $waiting)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        $turn->counsel->close();
        \assert($step instanceof BookStep);
        if ($this->book === null) {
            $turn->trace->rule("{$step->key()}: there is no diary to look into");

            return Move::to($step->none);
        }
        if (($turn->state->booking['step'] ?? null) === $step->key()) {
            return $this->again($turn, $step);
        }
        if (! $this->puts->visit($turn, $step)) {
            return Move::stay();
        }
        $matter = Matter::of($turn, $step, $this->book, $this->understanding->words);
        $matter->begin();
        if ($step->does === 'book') {
            return $this->about($matter, null);
        }
        $found = $this->finding->begin($matter);

        return $found instanceof Move ? $found : $this->about($matter, $found);
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        return Reading::none();
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        $turn->counsel->close();
        \assert($step instanceof BookStep);
        if ($this->book === null || ($turn->state->booking['step'] ?? null) !== $step->key()) {
            return null;
        }
        $matter = Matter::of($turn, $step, $this->book, $this->understanding->words);
        $yes = $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->value;
        switch ($matter->going()['asks']) {
            case 'find':
            case 'which':
                $found = $this->finding->answer($matter, $hearing->heard, $yes);

                return $found instanceof Booked ? $this->about($matter, $found) : $found;
            case 'cancel':
                return is_bool($yes) ? $this->cancelled($matter, $yes) : null;
            case 'waiting':
                return is_bool($yes) ? $this->waiting->answer($matter, $yes) : null;
        }
        $service = $matter->service();
        if ($service === null) {
            return Move::to($step->none);
        }
        if ($step->waiting !== null && $this->choice->wouldWait($hearing->heard)) {
            return $this->waiting->answer($matter, true);
        }
        if ($matter->going()['asks'] === 'times') {
            return $this->times($matter, $service, $hearing);
        }

        return $this->wished($matter, $service, $hearing, $yes);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof BookStep);
        $going = $turn->state->booking;
        $place = (int) rtrim($digits, '#') - 1;
        $one = $going['offered'][$place] ?? null;
        if ($this->book === null || $going === null || $one === null || ! in_array($going['asks'], ['choice', 'which'], true)) {
            return null;
        }
        $matter = Matter::of($turn, $step, $this->book, $this->understanding->words);
        if ($going['asks'] === 'which') {
            $booked = $this->book->referred($turn->state->id, $going['which'][$place] ?? '', $turn->scope()->now);

            return $booked === null ? null : $this->about($matter, $booked);
        }
        $service = $matter->service();

        return $service === null ? null : $this->agreeing->hold($matter, $service, new Start(...$one));
    }

    public function short(Turn $turn, Step $step): ?Prompt
    {
        $question = $turn->state->booking['question'] ?? '';

        return $question === '' ? $step->prompt() : Prompt::of($question);
    }

    public function help(Turn $turn, Step $step): Help
    {
        $turn->standing('example', ['it' => $turn->phrase('wish_example')]);

        return Help::Hint;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        return new Waiting('datetime', Waiting::LONG, '123');
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        return null;
    }

    /** What is done once it is known which booking it is about; none where one is to be made. */
    private function about(Matter $matter, ?Booked $booked): Move
    {
        $turn = $matter->turn;
        $step = $matter->step;
        if ($booked !== null && $step->notice > 0 && $booked->start->at - $matter->now() < 3600 * $step->notice) {
            $turn->trace->rule("{$step->key()}: less than {$step->notice} hours before it");
            $turn->standing('your_booking', ['it' => $this->talk->booking($turn, $matter->diaries, $booked)]);
            $turn->standing('too_late_to_change', ['hours' => (string) $step->notice]);
            $matter->over();

            return Move::to($step->none);
        }
        $chosen = $step->serviceField === null ? null : ($turn->state->values[$step->serviceField] ?? null)?->value;
        $service = $matter->diaries->services[$booked->service ?? (is_string($chosen) ? $chosen : ($step->service ?? ''))] ?? null;
        if ($service === null) {
            $turn->trace->rule("{$step->key()}: there is no such service");
            $matter->over();

            return Move::to($step->none);
        }
        $matter->set(['service' => $service->key, 'area' => $booked->area ?? $this->talk->area($turn, $step, $matter->diaries), 'reference' => $booked?->reference, 'offered' => [], 'which' => []]);
        if ($step->does === 'cancel' && $booked !== null) {
            $turn->standing('cancel_ask', ['it' => $this->talk->booking($turn, $matter->diaries, $booked)], true);
            $matter->asked('cancel');

            return Move::stay();
        }
        if ($booked !== null) {
            $turn->standing('your_booking', ['it' => $this->talk->booking($turn, $matter->diaries, $booked)]);
        }

        return $this->open($matter, $service);
    }

    /** What was volunteered before counts as the first wish; else it is asked for. */
    private function open(Matter $matter, Service $service): Move
    {
        $wish = $matter->wish();
        foreach ($matter->going()['finds']['date'] === null ? $matter->lately() : [] as $said) {
            $wish = $matter->negotiation->wish($wish, $matter->withoutSeries($said), $matter->now());
        }
        if ($wish->isEmpty()) {
            $matter->turn->prompt($matter->step->prompt, $matter->step->key(), true);
            $matter->set(['asks' => 'wish', 'question' => '']);

            return Move::stay();
        }
        $matter->turn->trace->rule("{$matter->step->key()}: a wish was told before");
        $matter->set(['wish' => $wish->toArray()]);

        return $this->agreeing->offer($matter, $service);
    }

    /**
     * 'The week after' of whoever moves a booking is the week after that.
     *
     * @return list<Start> the booking that is moved, where there is one
     */
    private function moved(Matter $matter): array
    {
        $reference = $matter->going()['reference'];
        $booked = $reference === null ? null : $matter->book->referred($matter->turn->state->id, $reference, $matter->turn->scope()->now);

        return $booked === null ? [] : [$booked->start];
    }

    /** A choice among what was offered, a yes to what is held, or a new wish. */
    private function wished(Matter $matter, Service $service, Hearing $hearing, mixed $yes): ?Move
    {
        $heard = $hearing->heard;
        $starts = $matter->offered();
        $words = $matter->withoutSeries($heard->original);
        $wish = $matter->negotiation->wish(
            $matter->wish(),
            $words,
            $matter->now(),
            array_map(static fn (Start $start): int => $start->at, $starts !== [] ? $starts : $this->moved($matter)),
        );
        $changed = $wish->toArray() != $matter->going()['wish'];
        if ($matter->going()['held'] !== null) {
            if ($yes === true && ! $changed) {
                return $this->agreeing->settle($matter, $service);
            }
            // What was not understood takes nobody's place away.
            if ($changed || $this->choice->refuses($heard, $yes)) {
                $matter->book->release($matter->turn->state->id);
                $matter->set(['held' => null, 'all' => []]);
            }
        }
        $chosen = $this->choice->of($heard, $starts, $yes, $matter->diaries, $matter->now());
        if ($chosen !== null) {
            // What was ruled out stays so, though one that was offered is left: 'not this week', and then 'the Tuesday'.
            $matter->set(['wish' => $matter->wish()->but(['notDays' => $wish->notDays, 'notWeekdays' => $wish->notWeekdays, 'notTimes' => $wish->notTimes])->toArray()]);

            return $this->agreeing->hold($matter, $service, $chosen);
        }
        $changed = $changed || $words !== $heard->original || $this->choice->holdsTo($heard, $starts, $matter->diaries, $matter->now());
        if ($starts !== [] && $this->choice->asksWhom($heard)) {
            $this->talk->with($matter->turn, $matter->diaries, $starts);

            return Move::again();
        }
        if ($starts !== [] && $this->choice->asksEarliest($heard)) {
            return $this->agreeing->earliest($matter, $service, $starts);
        }
        if ($starts !== [] && $hearing->act(ActKind::DontMind) !== null && $this->choice->namesNone($heard, $starts, $matter->diaries, $matter->now())) {
            $matter->turn->trace->rule("{$matter->step->key()}: any of them will do");

            return $this->agreeing->hold($matter, $service, $starts[0]);
        }
        if ($yes === true && ! $changed && count($starts) > 1) {
            // Who says yes to 'which one?' as well is told of the first alone.
            if ($matter->going()['pressed'] ?? false) {
                $matter->turn->trace->rule("{$matter->step->key()}: yes twice to several, the first is put to them");

                return $this->agreeing->hold($matter, $service, $starts[0]);
            }
            $matter->set(['pressed' => true]);
            $this->talk->which($matter->turn, $matter->diaries, $starts);

            return Move::stay();
        }
        // 'Whenever suits you', 'when can you come?': the earliest times there are.
        $any = $starts === [] && $this->choice->leavesItToUs($heard);
        if (! $changed && ! $any && ! $this->choice->refuses($heard, $yes)) {
            return null;
        }
        $refused = $changed ? [] : array_map(static fn (Start $start): int => $start->at, $starts);
        $wish = $this->ofThatDay($matter, $service, $wish, $starts);
        $matter->set(['wish' => $wish->toArray(), 'refused' => array_values(array_unique([...$matter->going()['refused'], ...$refused]))]);

        return $this->agreeing->offer($matter, $service, $refused !== [] && $starts !== []);
    }

    /**
     * 'Half one is fine' is meant of the day that was offered, where it has that hour free.
     *
     * @param list<Start> $starts
     */
    private function ofThatDay(Matter $matter, Service $service, Wish $wish, array $starts): Wish
    {
        $dates = array_values(array_unique(array_map(static fn (Start $start): string => $start->in($matter->diaries->tz)->format('Y-m-d'), $starts)));
        if (count($dates) !== 1 || $wish->days !== null || $wish->weekdays !== null || $wish->times === null || $wish->times == $matter->wish()->times) {
            return $wish;
        }
        $that = $wish->but(['days' => [[$dates[0], $dates[0]]]]);

        return $matter->negotiation->offer($service, $that, $matter->now(), $matter->going()['area'])->met ? $that : $wish;
    }

    /** How many times a series has. */
    private function times(Matter $matter, Service $service, Hearing $hearing): ?Move
    {
        $matter->withoutSeries($hearing->heard->original);
        $series = $matter->going()['series'];
        if ($series !== null && $series['times'] === null) {
            $number = $this->understanding->read(ValueType::Number, $hearing->heard, $matter->turn->plain())->value;
            if (! is_numeric($number) || (int) $number < 2) {
                return null;
            }
            $matter->set(['series' => ['times' => min((int) $number, $matter->step->series)] + $series]);
        }

        return $this->agreeing->offer($matter, $service);
    }

    private function cancelled(Matter $matter, bool $yes): Move
    {
        $reference = $matter->going()['reference'];
        $matter->over();
        if (! $yes || $reference === null) {
            $matter->turn->standing('not_cancelled');

            return Move::to($matter->step->none);
        }
        $matter->book->cancel($matter->turn->state->id, $reference);
        $matter->turn->trace->rule("{$matter->step->key()}: cancels {$reference}");
        (new Agreed)->undo($matter->turn, $reference);
        $matter->turn->standing('cancelled');

        return Move::on($matter->step->next);
    }

    /** The question again, after a detour. */
    private function again(Turn $turn, BookStep $step): Move
    {
        $question = $turn->state->booking['question'] ?? '';
        $question !== '' ? $turn->speak($question, $step->key(), true) : $turn->prompt($step->prompt, $step->key(), true);

        return Move::stay();
    }
}
