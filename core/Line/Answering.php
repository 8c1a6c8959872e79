<?php

declare(strict_types=1);

namespace Ringo\Line;

use Ringo\Brief\OpeningHours;
use Ringo\Diary\Week;
use Ringo\Document\Node;

/**
 * Who answers a line when: stretches of the week, what holds while the business is open, on days it is closed, and at all other times.
 *
 * What is nearer goes first: a day the brief has closed, then a stretch of the week, then the opening hours, then all other times.
 */
final readonly class Answering
{
    private const MIDNIGHT = 1440;

    /**
     * @param array<int, list<Stretch>> $week by ISO weekday from 1, in order, none overlapping
     * @param Answer $otherwise at all other times
     * @param ?Answer $open while the brief says open
     * @param ?Answer $closed on days the brief has closed that are usually open
     */
    public function __construct(private array $week, public Answer $otherwise, public ?Answer $open = null, public ?Answer $closed = null)
    {
    }

    public static function read(Node $node): self
    {
        $days = $node->child('week');
        $week = [];
        foreach (Week::DAYS as $n => $day) {
            $week[$n + 1] = self::day($days, $day);
        }
        $days->noMore();
        $one = static function (string $key) use ($node): ?Answer {
            if (! $node->has($key)) {
                return null;
            }
            $child = $node->child($key);
            $answer = Answer::read($child);
            $child->noMore();

            return $answer;
        };

        return new self($week, $one('otherwise') ?? new Answer(Who::Agent), $one('open'), $one('closed'));
    }

    /** @return array<string, mixed> as it is written */
    public function toArray(): array
    {
        $week = [];
        foreach (Week::DAYS as $n => $day) {
            $written = array_map(static fn (Stretch $one): array => ['from' => self::clock($one->from), 'to' => self::clock($one->to)] + $one->answer->toArray(), $this->week[$n + 1] ?? []);
            if ($written !== []) {
                $week[$day] = $written;
            }
        }

        return array_filter(['week' => $week, 'open' => $this->open?->toArray(), 'closed' => $this->closed?->toArray()]) + ['otherwise' => $this->otherwise->toArray()];
    }

    /** The stretch a moment lies in, by the wall clock of the business. */
    public function at(\DateTimeImmutable $local, OpeningHours $hours): Stretch
    {
        $minute = 60 * (int) $local->format('G') + (int) $local->format('i');
        foreach ($this->on($local->format('Y-m-d'), $hours) as $stretch) {
            if ($minute >= $stretch->from && $minute < $stretch->to) {
                return $stretch;
            }
        }

        throw new \LogicException('A day has no gaps.');
    }

    /**
     * A whole day, without gaps.
     *
     * @param string $date ISO 8601
     *
     * @return non-empty-list<Stretch>
     */
    public function on(string $date, OpeningHours $hours): array
    {
        $day = $hours->on($date);
        if ($this->closed !== null && $day->open === [] && ! $day->usual) {
            return [new Stretch(0, self::MIDNIGHT, $this->closed, $day->why)];
        }

        return $this->filled($this->week[(int) (new \DateTimeImmutable($date))->format('N')] ?? [], $this->open === null ? [] : $day->open, $day->usual ? '' : $day->why);
    }

    /**
     * A usual day of the week, without gaps.
     *
     * @param int $weekday ISO, from 1
     *
     * @return non-empty-list<Stretch>
     */
    public function usual(int $weekday, OpeningHours $hours): array
    {
        return $this->filled($this->week[$weekday] ?? [], $this->open === null ? [] : $hours->week->on($weekday), '');
    }

    /** @return list<Answer> every answer that may come, each once */
    public function answers(): array
    {
        $answers = [$this->otherwise, ...array_filter([$this->open, $this->closed])];
        foreach ($this->week as $stretches) {
            foreach ($stretches as $stretch) {
                $answers[] = $stretch->answer;
            }
        }
        $once = [];
        foreach ($answers as $answer) {
            $once[json_encode($answer->toArray(), JSON_THROW_ON_ERROR)] = $answer;
        }

        return array_values($once);
    }

    /**
     * The same plan with one stretch answered otherwise; what lay there before is cut.
     *
     * @param list<int> $weekdays ISO, from 1
     * @param ?Answer $answer null takes out what lay there
     */
    public function with(array $weekdays, int $from, int $to, ?Answer $answer): self
    {
        $week = $this->week;
        foreach ($weekdays as $weekday) {
            $kept = [];
            foreach ($week[$weekday] ?? [] as $one) {
                array_push($kept, ...array_filter([
                    $one->from < $from ? new Stretch($one->from, min($one->to, $from), $one->answer) : null,
                    $one->to > $to ? new Stretch(max($one->from, $to), $one->to, $one->answer) : null,
                ]));
            }
            if ($answer !== null) {
                $kept[] = new Stretch($from, $to, $answer);
            }
            usort($kept, static fn (Stretch $a, Stretch $b): int => $a->from <=> $b->from);
            $week[$weekday] = $this->joined($kept);
        }

        return new self($week, $this->otherwise, $this->open, $this->closed);
    }

    /**
     * @param list<Stretch> $stretches
     * @param list<array{int, int}> $open
     *
     * @return non-empty-list<Stretch>
     */
    private function filled(array $stretches, array $open, string $why): array
    {
        $edges = [0, self::MIDNIGHT];
        foreach ($stretches as $one) {
            array_push($edges, $one->from, $one->to);
        }
        foreach ($open as $span) {
            array_push($edges, ...$span);
        }
        $edges = array_values(array_unique($edges));
        sort($edges);
        $day = [];
        for ($i = 0; $i < count($edges) - 1; $i++) {
            $day[] = new Stretch($edges[$i], $edges[$i + 1], $this->lies($edges[$i], $stretches, $open), $why);
        }

        return $this->joined($day) ?: [new Stretch(0, self::MIDNIGHT, $this->otherwise, $why)];
    }

    /**
     * @param list<Stretch> $stretches
     * @param list<array{int, int}> $open
     */
    private function lies(int $minute, array $stretches, array $open): Answer
    {
        foreach ($stretches as $one) {
            if ($minute >= $one->from && $minute < $one->to) {
                return $one->answer;
            }
        }
        foreach ($open as [$from, $to]) {
            if ($this->open !== null && $minute >= $from && $minute < $to) {
                return $this->open;
            }
        }

        return $this->otherwise;
    }

    /**
     * @param list<Stretch> $day
     *
     * @return list<Stretch>
     */
    private function joined(array $day): array
    {
        $joined = [];
        foreach ($day as $one) {
            $last = end($joined);
            if ($last !== false && $last->to === $one->from && $last->answer->same($one->answer)) {
                array_pop($joined);
                $one = new Stretch($last->from, $one->to, $last->answer, $last->why);
            }
            $joined[] = $one;
        }

        return $joined;
    }

    /** @return list<Stretch> */
    private static function day(Node $days, string $day): array
    {
        $stretches = [];
        foreach ($days->children($day) as $one) {
            [$from, $to] = [self::minutes($one, 'from'), self::minutes($one, 'to')];
            $answer = Answer::read($one);
            $one->noMore();
            if ($from === null || $to === null) {
                continue;
            }
            if ($from >= $to) {
                $one->problem('to', 'ends before it begins; a stretch lies within one day');

                continue;
            }
            foreach ($stretches as $other) {
                if ($from < $other->to && $to > $other->from) {
                    $one->problem('from', 'lies over another stretch of that day');
                }
            }
            $stretches[] = new Stretch($from, $to, $answer);
        }
        usort($stretches, static fn (Stretch $a, Stretch $b): int => $a->from <=> $b->from);

        return $stretches;
    }

    private static function minutes(Node $node, string $key): ?int
    {
        $text = $node->string($key);
        if (preg_match('/^([01]\d|2[0-4]):([0-5]\d)$/', $text, $m) !== 1 || 60 * (int) $m[1] + (int) $m[2] > self::MIDNIGHT) {
            $node->problem($key, "“{$text}” is no time of day; write 08:00, and 24:00 for midnight");

            return null;
        }

        return 60 * (int) $m[1] + (int) $m[2];
    }

    public static function clock(int $minutes): string
    {
        return sprintf('%02d:%02d', intdiv($minutes, 60), $minutes % 60);
    }
}
