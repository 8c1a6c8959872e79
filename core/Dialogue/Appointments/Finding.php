<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Dialogue\Ports\Booked;
use Ringo\Dialogue\Walk\Move;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Which booking a caller wants to change or cancel: by the number they ring from, by the reference they were given, or by the name it is
 * under together with its day, as far as the step allows each. Several are told and chosen from.
 */
final readonly class Finding
{
    /** A reference that is not found may be told again so often. */
    private const TRIES = 2;

    private const A_DAY = 86_400;

    public function __construct(private Understanding $understanding, private Choice $choice, private Talk $talk)
    {
    }

    public function begin(Matter $matter): Booked|Move
    {
        $own = $this->allows($matter, 'number') ? $matter->book->of($matter->turn->state->id, $matter->turn->state->from, $matter->turn->scope()->now) : [];
        if (count($own) === 1) {
            return $own[0];
        }
        if ($own !== []) {
            return $this->which($matter, $own);
        }
        if (! $this->allows($matter, 'reference') && ! $this->allows($matter, 'name')) {
            return $this->missing($matter);
        }
        foreach ($this->allows($matter, 'reference') ? array_reverse($matter->lately()) : [] as $said) {
            $booked = $this->referred($matter, $this->understanding->hear($said))[0] ?? null;
            if ($booked !== null) {
                return $booked;
            }
        }
        $matter->turn->trace->rule("{$matter->step->key()}: no booking of this number, asks by what it can be found");
        $matter->turn->standing($this->allows($matter, 'reference') ? ($this->allows($matter, 'name') ? 'find_either' : 'find_reference') : 'find_name', [], true);
        $matter->asked('find');

        return Move::stay();
    }

    /** What the caller tells of it; null where that was not understood. */
    public function answer(Matter $matter, Heard $heard, mixed $yes): Booked|Move|null
    {
        if ($matter->going()['asks'] === 'which') {
            $which = $matter->going()['which'];
            $chosen = $this->choice->of($heard, $matter->offered(), $yes, $matter->diaries, $matter->now());
            foreach ($matter->offered() as $n => $start) {
                if ($chosen !== null && $start->at === $chosen->at && $start->diary === $chosen->diary) {
                    return $matter->book->referred($matter->turn->state->id, $which[$n] ?? '', $matter->turn->scope()->now);
                }
            }

            return null;
        }
        [$booked, $told] = $this->allows($matter, 'reference') ? $this->referred($matter, $heard) : [null, false];
        if ($booked !== null) {
            return $booked;
        }
        if ($this->allows($matter, 'name')) {
            $move = $this->named($matter, $heard, $told);
            if ($move !== null) {
                return $move;
            }
        }
        if ($told) {
            return $this->notFound($matter);
        }
        // 'No', 'I have not got it to hand'.
        if ($yes === false || $this->choice->lacks($heard)) {
            if (! $this->allows($matter, 'name') || $matter->going()['finds']['name'] !== null) {
                return $this->missing($matter);
            }
            $matter->turn->standing('find_name', [], true);
            $matter->asked('find');

            return Move::stay();
        }

        return null;
    }

    /** @return array{?Booked, bool} the booking, and whether a reference was told at all */
    private function referred(Matter $matter, Heard $heard): array
    {
        $said = $this->understanding->read(ValueType::Reference, $heard, $matter->turn->plain())->value;
        $reference = is_string($said) ? mb_strtoupper((string) preg_replace('/[^\p{L}\p{N}]+/u', '', $said)) : '';
        if ($reference === '') {
            return [null, false];
        }
        $booked = $matter->book->referred($matter->turn->state->id, $reference, $matter->turn->scope()->now);

        return [$booked, $booked !== null || preg_match('/\d/', $reference) === 1];
    }

    /** The name it is under and its day: both are needed, whichever comes first. */
    private function named(Matter $matter, Heard $heard, bool $told): Booked|Move|null
    {
        $finds = $matter->going()['finds'];
        $date = $told ? null : $this->understanding->read(ValueType::Date, $heard, $matter->turn->plain()->volunteered())->value ?? ($finds['name'] === null ? null : $this->understanding->read(ValueType::Date, $heard, $matter->turn->plain())->value);
        $name = $told || $finds['name'] !== null ? null : $this->understanding->read(ValueType::PersonName, $heard, $matter->turn->plain())->value;
        if (! is_string($date) && ! is_string($name)) {
            return null;
        }
        $finds = ['name' => is_string($name) ? $name : $finds['name'], 'date' => is_string($date) ? $date : $finds['date'], 'tries' => $finds['tries']];
        $matter->set(['finds' => $finds]);
        if ($finds['name'] === null || $finds['date'] === null) {
            $matter->turn->standing($finds['name'] === null ? 'find_whose' : 'find_day', [], true);
            $matter->asked('find');

            return Move::stay();
        }
        $day = new \DateTimeImmutable($finds['date'], $matter->diaries->tz);
        $found = array_values(array_filter($matter->book->between($matter->turn->state->id, max($matter->now(), $day->getTimestamp()), $day->getTimestamp() + self::A_DAY), static fn (Booked $one): bool => SameName::are($finds['name'], $one->name ?? '')));

        return match (count($found)) {
            0 => $this->notFound($matter),
            1 => $found[0],
            default => $this->which($matter, $found),
        };
    }

    /** @param non-empty-list<Booked> $found */
    private function which(Matter $matter, array $found): Move
    {
        $matter->turn->standing('which_booking', ['offers' => $matter->turn->listed(array_map(fn (Booked $one): string => $this->talk->booking($matter->turn, $matter->diaries, $one), $found))], true);
        $matter->set(['offered' => array_map(static fn (Booked $one): array => [$one->start->at, $one->start->diary], $found), 'which' => array_map(static fn (Booked $one): string => $one->reference, $found)]);
        $matter->asked('which');

        return Move::stay();
    }

    private function notFound(Matter $matter): Move
    {
        $tries = $matter->going()['finds']['tries'] + 1;
        $matter->turn->trace->rule("{$matter->step->key()}: nothing is booked under that, {$tries} of ".self::TRIES);
        if ($tries >= self::TRIES) {
            return $this->missing($matter);
        }
        $matter->set(['finds' => ['name' => null, 'date' => null, 'tries' => $tries]]);
        $matter->turn->standing($this->allows($matter, 'name') ? 'find_again' : 'find_reference_again', [], true);
        $matter->asked('find');

        return Move::stay();
    }

    private function missing(Matter $matter): Move
    {
        $matter->turn->trace->rule("{$matter->step->key()}: no booking of this caller");
        $matter->turn->standing('no_booking');
        $matter->over();

        return Move::to($matter->step->missing ?? $matter->step->none);
    }

    private function allows(Matter $matter, string $by): bool
    {
        return in_array($by, $matter->step->find, true);
    }
}
