<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Ports\Booked;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Service;
use Ringo\Diary\Start;
use Ringo\Rehearsal\Casebook\Earlier;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Script\Steps\Finish\FinishStep;
use Ringo\Script\Steps\Listen\ListenStep;

/**
 * What a stand-in caller came for, and by what it shows that they got it: a booking, an outcome, or, where a topic comes to neither, that
 * its questions are over and it is asked what else there is.
 */
final readonly class Aim
{
    /** Outcomes that are nobody's aim. */
    private const IN_VAIN = [...Ending::IN_VAIN, self::NO_OUTCOME];

    /** What a call ends with where nothing says what came of it. */
    private const NO_OUTCOME = 'finished';

    /** Days from now within which the time lies that a caller has who wants another, or none. */
    private const FIRST_DAY = 3;

    private const LAST_DAY = 24;

    /**
     * @param ?BookStep $book the step that agrees something with the diary, if the topic comes to one
     * @param bool $told whether something on the way says that the matter is brought to an outcome
     * @param ?string $reference of the booking they have already
     * @param list<Earlier> $booked that booking, for a case
     */
    private function __construct(private StandIn $who, private ?BookStep $book, private bool $told, private ?SketchBook $diary, private ?string $reference, public array $booked)
    {
    }

    public static function of(StandIn $who, Script $script, ?SketchBook $diary, \DateTimeImmutable $now): self
    {
        $open = self::opens($script, $who->topic);
        $book = null;
        $told = false;
        $seen = [];
        while (($key = array_shift($open)) !== null) {
            $step = $script->steps[$key] ?? null;
            if ($step === null || isset($seen[$key]) || $step instanceof ListenStep) {
                continue;
            }
            $seen[$key] = true;
            $told = $told || in_array($step->kind(), ['note', 'transfer', 'reach'], true) || $step instanceof FinishStep && $step->outcome !== null;
            $book ??= $step instanceof BookStep ? $step : null;
            foreach ($step->exits() as $way) {
                $open[] = $way->to;
            }
        }
        if ($diary === null || $book === null || $book->does === 'book') {
            return new self($who, $book, $told, $diary, null, []);
        }
        $has = self::earlier($who, $script, $diary, $now);

        return new self($who, $book, $told, $diary, $has?->reference, $has === null ? [] : [Earlier::of($has, $diary->diaries(''))]);
    }

    public function reached(CallState $state, \DateTimeImmutable $now): bool
    {
        $well = $state->outcome !== null && ! in_array($state->outcome, self::IN_VAIN, true);
        $over = $state->outcome === null || $state->outcome === self::NO_OUTCOME;
        if ($this->who->topic === null) {
            // A script that asks nobody what they want has been gone through to its end.
            return $well || $this->who->temper !== Temper::WantsPerson && $state->outcome === self::NO_OUTCOME;
        }
        if ($this->agreed($state, $now) || in_array($this->who->topic, $state->finished, true)) {
            return true;
        }

        return $this->book === null && $state->topic === $this->who->topic && ($well || ! $this->told && $over);
    }

    private function agreed(CallState $state, \DateTimeImmutable $now): bool
    {
        return match ($this->book?->does) {
            null => false,
            'cancel' => $this->reference !== null && $this->diary?->referred($state->id, $this->reference, $now) === null,
            default => $state->booked !== [],
        };
    }

    /** @return list<string> where a topic leads */
    private static function opens(Script $script, ?string $topic): array
    {
        foreach ($script->steps as $step) {
            if ($topic !== null && $step instanceof ListenStep && ($of = $step->topic($topic)) !== null) {
                return [$of['next']];
            }
        }

        return [];
    }

    /** Books them in beforehand; null where nothing is free. */
    private static function earlier(StandIn $who, Script $script, SketchBook $book, \DateTimeImmutable $now): ?Booked
    {
        $id = "earlier-{$who->n}";
        $diaries = $book->diaries($id);
        $free = new FreeTimes($diaries);
        $dice = new Dice("{$who->seed}|booked");
        $area = self::area($who, $script);
        $services = array_values(array_filter($diaries->services, static fn (Service $one): bool => $diaries->taking($one) !== []));
        $service = $services === [] ? null : $dice->one($services);
        for ($day = self::FIRST_DAY; $service !== null && $day <= self::LAST_DAY; $day++) {
            $date = $now->setTimezone($diaries->tz)->modify("+{$day} days")->format('Y-m-d');
            foreach ($free->on($service, $date, $now->getTimestamp(), $area) as $at => $by) {
                $booked = $book->book($id, $service->key, [new Start($at, $by[0])], ['name' => self::name($who, $script), 'number' => $who->number, 'area' => $area, 'note' => '']);

                return $booked[0] ?? null;
            }
        }

        return null;
    }

    private static function area(StandIn $who, Script $script): ?string
    {
        foreach ($script->steps as $step) {
            if ($step instanceof BookStep && $step->areaField !== null) {
                $area = $who->truth[$step->areaField] ?? null;

                return is_string($area) ? $area : null;
            }
        }

        return null;
    }

    private static function name(StandIn $who, Script $script): ?string
    {
        foreach ($script->sheet->fields as $field) {
            if ($field->type->value === 'person_name') {
                return is_string($who->truth[$field->key] ?? null) ? $who->truth[$field->key] : null;
            }
        }

        return null;
    }
}
