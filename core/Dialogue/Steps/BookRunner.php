<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Appointments\Agreed;
use Ringo\Dialogue\Appointments\Choice;
use Ringo\Dialogue\Appointments\Talk;
use Ringo\Dialogue\Ports\Appointments;
use Ringo\Dialogue\Ports\Booked;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
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
 * Agrees a time with the caller: takes what was volunteered, offers two or three times that differ, takes a choice or a new wish, holds
 * what it reads back, and books it. Somebody quicker is told of, and the nearest offered.
 */
final readonly class BookRunner implements AskingRunner
{
    /** What callers said before the step that may hold a wish. */
    private const LATELY = 12;

    public function __construct(private Puts $puts, private Understanding $understanding, private ?Appointments $book, private Talk $talk, private Choice $choice, private Agreed $agreed)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof BookStep);
        if ($this->book === null) {
            $turn->trace->rule("{$step->key()}: there is no diary to look into");

            return Move::to($step->none);
        }
        $going = $turn->state->booking;
        if ($going !== null && $going['step'] === $step->key()) {
            return $this->again($turn, $step);
        }
        if (! $this->puts->visit($turn, $step)) {
            return Move::stay();
        }
        $diaries = $this->book->diaries($turn->state->id);
        $booked = $step->does === 'book' ? null : ($this->book->of($turn->state->id, $turn->state->from, $this->caller($turn), $turn->scope()->now)[0] ?? null);
        if ($step->does !== 'book' && $booked === null) {
            $turn->trace->rule("{$step->key()}: no booking of this caller");
            $turn->standing('no_booking');

            return Move::to($step->missing ?? $step->none);
        }
        if ($booked !== null && $step->notice > 0 && $booked->start->at - $turn->scope()->now->getTimestamp() < 3600 * $step->notice) {
            $turn->trace->rule("{$step->key()}: less than {$step->notice} hours before it");
            $turn->standing('your_booking', ['it' => $this->talk->booking($turn, $diaries, $booked)]);
            $turn->standing('too_late_to_change', ['hours' => (string) $step->notice]);

            return Move::to($step->none);
        }
        $service = $this->service($turn, $step, $diaries, $booked);
        if ($service === null) {
            $turn->trace->rule("{$step->key()}: there is no such service");

            return Move::to($step->none);
        }
        $going = ['step' => $step->key(), 'service' => $service->key, 'area' => $booked->area ?? $this->talk->area($turn, $step, $diaries), 'wish' => (new Wish)->toArray(), 'offered' => [], 'refused' => [], 'held' => null, 'reference' => $booked?->reference, 'asks' => 'wish', 'tries' => 0, 'question' => ''];
        $turn->state->booking = $going;
        if ($step->does === 'cancel' && $booked !== null) {
            $turn->standing('cancel_ask', ['it' => $this->talk->booking($turn, $diaries, $booked)], true);
            $going['asks'] = 'cancel';
            $going['question'] = $turn->state->lastQuestion;
            $turn->state->booking = $going;

            return Move::stay();
        }
        if ($booked !== null) {
            $turn->standing('your_booking', ['it' => $this->talk->booking($turn, $diaries, $booked)]);
        }

        return $this->open($turn, $step, $diaries, $service);
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        return Reading::none();
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof BookStep);
        $going = $turn->state->booking;
        if ($this->book === null || $going === null || $going['step'] !== $step->key()) {
            return null;
        }
        $yes = $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain())->value;
        if ($going['asks'] === 'cancel') {
            return is_bool($yes) ? $this->cancelled($turn, $step, $yes) : null;
        }
        $diaries = $this->book->diaries($turn->state->id);
        $service = $diaries->services[$going['service']] ?? null;
        if ($service === null) {
            return Move::to($step->none);
        }
        $starts = array_map(static fn (array $one): Start => new Start($one[0], $one[1]), $going['offered']);
        $words = $hearing->heard->original;
        $wish = $this->negotiation($diaries)->wish(Wish::fromArray($going['wish']), $words, $turn->scope()->now->getTimestamp(), array_map(static fn (Start $start): int => $start->at, $starts));
        $changed = $wish->toArray() != $going['wish'];
        if ($going['held'] !== null) {
            if ($yes === true && ! $changed) {
                return $this->settle($turn, $step, $diaries, $service, new Start(...$going['held']));
            }
            // What was not understood takes nobody's place away.
            if ($changed || $this->choice->refuses($hearing->heard, $yes)) {
                $this->book->release($turn->state->id);
                $going['held'] = null;
            }
        }
        $turn->state->booking = $going;
        $chosen = $this->choice->of($hearing->heard, $starts, $yes, $diaries, $turn->scope()->now->getTimestamp());
        if ($chosen !== null) {
            return $this->hold($turn, $step, $diaries, $service, $chosen);
        }
        $changed = $changed || $this->choice->holdsTo($hearing->heard, $starts, $diaries, $turn->scope()->now->getTimestamp());
        if ($starts !== [] && $this->choice->asksWhom($hearing->heard)) {
            $this->talk->with($turn, $diaries, $starts);

            return Move::again();
        }
        if ($starts !== [] && $this->choice->asksEarliest($hearing->heard)) {
            return $this->earliest($turn, $step, $diaries, $service, Wish::fromArray($going['wish']), $starts);
        }
        if ($yes === true && ! $changed && count($starts) > 1) {
            $this->talk->which($turn, $diaries, $starts);

            return Move::stay();
        }
        if (! $changed && ! $this->choice->refuses($hearing->heard, $yes)) {
            return null;
        }
        $going['refused'] = array_values(array_unique([...$going['refused'], ...array_map(static fn (Start $start): int => $start->at, $changed ? [] : $starts)]));
        $going['wish'] = $wish->toArray();
        $turn->state->booking = $going;

        return $this->offer($turn, $step, $diaries, $service);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof BookStep);
        $going = $turn->state->booking;
        $one = $going['offered'][(int) rtrim($digits, '#') - 1] ?? null;
        if ($this->book === null || $going === null || $one === null) {
            return null;
        }
        $diaries = $this->book->diaries($turn->state->id);
        $service = $diaries->services[$going['service']] ?? null;

        return $service === null ? null : $this->hold($turn, $step, $diaries, $service, new Start(...$one));
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

    /** What was volunteered before counts as the first wish; else it is asked for. */
    private function open(Turn $turn, BookStep $step, Diaries $diaries, Service $service): Move
    {
        $wish = new Wish;
        foreach (array_slice($turn->state->said, -self::LATELY) as $said) {
            $wish = $this->negotiation($diaries)->wish($wish, $said, $turn->scope()->now->getTimestamp());
        }
        if ($wish->isEmpty()) {
            $turn->prompt($step->prompt, $step->key(), true);

            return Move::stay();
        }
        $turn->trace->rule("{$step->key()}: a wish was told before");
        $going = $turn->state->booking ?? throw new \LogicException('Nothing is being booked.');
        $going['wish'] = $wish->toArray();
        $turn->state->booking = $going;

        return $this->offer($turn, $step, $diaries, $service);
    }

    private function offer(Turn $turn, BookStep $step, Diaries $diaries, Service $service): Move
    {
        $going = $turn->state->booking ?? throw new \LogicException('Nothing is being booked.');
        $this->book?->release($turn->state->id);
        $offer = $this->negotiation($diaries)->offer($service, Wish::fromArray($going['wish']), $turn->scope()->now->getTimestamp(), $going['area'], $going['refused']);
        $this->talk->trace($turn, $step, $offer, $diaries);
        if ($offer->starts === [] || ++$going['tries'] > $step->tries) {
            $turn->standing('nothing_free');
            $this->over($turn);

            return Move::to($step->none);
        }
        $going['offered'] = array_map(static fn (Start $start): array => [$start->at, $start->diary], $offer->starts);
        $going['asks'] = 'choice';
        $one = $offer->met && count($offer->starts) === 1 ? $offer->starts[0] : null;
        // The one time there is is kept while it is offered: a yes books it.
        $going['held'] = $one !== null && $this->book?->hold($turn->state->id, $service->key, $one, $going['area']) === true ? [$one->at, $one->diary] : null;
        $this->talk->offer($turn, $diaries, $offer, $service);
        $going['question'] = $turn->state->lastQuestion;
        $turn->state->booking = $going;

        return Move::stay();
    }

    /**
     * The earliest there is, whatever day was wished for; what is excluded stays out.
     *
     * @param non-empty-list<Start> $starts
     */
    private function earliest(Turn $turn, BookStep $step, Diaries $diaries, Service $service, Wish $wish, array $starts): Move
    {
        $going = $turn->state->booking ?? throw new \LogicException('Nothing is being booked.');
        $wish = $wish->but(['days' => null, 'weekdays' => null, 'times' => null, 'half' => null, 'firstOfDay' => false, 'after' => null, 'before' => null, 'order' => 'earliest']);
        $first = $this->negotiation($diaries)->offer($service, $wish, $turn->scope()->now->getTimestamp(), $going['area'])->starts[0] ?? null;
        if ($first === null || min(array_map(static fn (Start $start): int => $start->at, $starts)) <= $first->at) {
            $turn->standing('earliest_is', ['it' => $this->talk->said($turn, $diaries, $first ?? $starts[0])]);

            return Move::again();
        }
        $turn->state->booking = ['wish' => $wish->toArray()] + $going;

        return $this->offer($turn, $step, $diaries, $service);
    }

    /** The time is kept while it is read back. */
    private function hold(Turn $turn, BookStep $step, Diaries $diaries, Service $service, Start $start): Move
    {
        $going = $turn->state->booking;
        if ($going === null || $this->book === null || ! $this->book->hold($turn->state->id, $service->key, $start, $going['area'])) {
            return $this->quicker($turn, $step, $start);
        }
        $turn->trace->rule("{$step->key()}: holds ".$start->in($diaries->tz)->format('Y-m-d H:i').' with '.$start->diary);
        $turn->standing('read_booking', ['it' => $this->talk->start($turn, $diaries, $start, $service)], true);
        $going['held'] = [$start->at, $start->diary];
        $going['question'] = $turn->state->lastQuestion;
        $turn->state->booking = $going;

        return Move::stay();
    }

    private function settle(Turn $turn, BookStep $step, Diaries $diaries, Service $service, Start $start): Move
    {
        $going = $turn->state->booking;
        if ($this->book === null || $going === null) {
            return Move::to($step->none);
        }
        $booked = $going['reference'] === null
            ? $this->book->book($turn->state->id, $service->key, $start, ['name' => $this->caller($turn), 'number' => $turn->state->from, 'area' => $going['area'], 'note' => implode(' / ', array_slice($turn->state->said, 0, self::LATELY))])
            : $this->book->move($turn->state->id, $going['reference'], $start);
        if ($booked === null) {
            return $this->quicker($turn, $step, $start);
        }
        $turn->standing($going['reference'] === null ? 'booked' : 'moved', ['it' => $this->talk->start($turn, $diaries, $start, $service)]);
        $this->agreed->keep($turn, $step, $booked, $diaries);
        $this->over($turn);

        return Move::on($step->next);
    }

    /** Somebody else has it: that is said, and the nearest are offered. */
    private function quicker(Turn $turn, BookStep $step, Start $start): Move
    {
        $turn->trace->rule("{$step->key()}: somebody was quicker");
        $turn->standing('booking_taken');
        $going = $turn->state->booking ?? throw new \LogicException('Nothing is being booked.');
        $going['held'] = null;
        $going['refused'][] = $start->at;
        $turn->state->booking = $going;
        $diaries = $this->book?->diaries($turn->state->id);
        $service = $diaries?->services[$going['service']] ?? null;

        return $diaries === null || $service === null ? Move::to($step->none) : $this->offer($turn, $step, $diaries, $service);
    }

    private function cancelled(Turn $turn, BookStep $step, bool $yes): Move
    {
        $reference = $turn->state->booking['reference'] ?? null;
        $this->over($turn);
        if (! $yes || $reference === null) {
            $turn->standing('not_cancelled');

            return Move::to($step->none);
        }
        $this->book?->cancel($turn->state->id, $reference);
        $turn->trace->rule("{$step->key()}: cancels {$reference}");
        $turn->standing('cancelled');

        return Move::on($step->next);
    }

    /** The question again, after a detour. */
    private function again(Turn $turn, BookStep $step): Move
    {
        $question = $turn->state->booking['question'] ?? '';
        $question !== '' ? $turn->speak($question, $step->key(), true) : $turn->prompt($step->prompt, $step->key(), true);

        return Move::stay();
    }

    private function over(Turn $turn): void
    {
        $this->book?->release($turn->state->id);
        $turn->state->booking = null;
    }

    private function service(Turn $turn, BookStep $step, Diaries $diaries, ?Booked $booked): ?Service
    {
        $chosen = $step->serviceField === null ? null : ($turn->state->values[$step->serviceField] ?? null)?->value;
        $key = $booked->service ?? (is_string($chosen) ? $chosen : $step->service);

        return $key === null ? null : ($diaries->services[$key] ?? null);
    }

    private function caller(Turn $turn): ?string
    {
        foreach ($turn->script->sheet->fields as $field) {
            $value = ($turn->state->values[$field->key] ?? null)?->value;
            if ($field->type === ValueType::PersonName && is_string($value)) {
                return $value;
            }
        }
        $name = $turn->state->caller['name'] ?? null;

        return is_string($name) && $name !== '' ? $name : null;
    }

    private function negotiation(Diaries $diaries): Negotiation
    {
        return new Negotiation($diaries, $this->understanding->words);
    }
}
