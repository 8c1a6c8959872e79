<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Document\Node;

/** Something that can be booked. */
final readonly class Service
{
    private const LONGEST = 1440;

    private const FURTHEST = 730;

    /**
     * @param int $minutes how long the appointment is
     * @param int $before minutes kept free before it, which may lie outside opening hours
     * @param int $after the same behind it
     * @param int $step minutes from one start to the next, counted from the beginning of each opening stretch
     * @param int $noticeHours from now to the earliest start
     * @param int $aheadDays whole days from today to the last
     * @param int $places how many may be booked for one start of a diary: a class, a table
     * @param list<string> $with keys of diaries that must be free as well: a van beside the fitter
     */
    public function __construct(public string $key, public string $label, public int $minutes, public int $before = 0, public int $after = 0, public int $step = 30, public int $noticeHours = 0, public int $aheadDays = 60, public Place $place = Place::Here, public int $places = 1, public array $with = [])
    {
    }

    public static function read(Node $node): self
    {
        $minutes = (int) $node->number('minutes', 30, 1, self::LONGEST);
        $service = new self(
            $node->string('key'),
            $node->string('label', $node->string('key')),
            $minutes,
            (int) $node->number('before', 0, 0, self::LONGEST),
            (int) $node->number('after', 0, 0, self::LONGEST),
            (int) $node->number('step', min($minutes, 30), 1, self::LONGEST),
            (int) $node->number('notice_hours', 0, 0, 24 * self::FURTHEST),
            (int) $node->number('ahead_days', 60, 0, self::FURTHEST),
            Place::from($node->oneOf('place', array_column(Place::cases(), 'value'), 'here')),
            (int) $node->number('places', 1, 1, 1000),
            $node->strings('with'),
        );
        $node->noMore();

        return $service;
    }

    /** The same, however far ahead: for what is booked or moved by hand, where everything else must still hold. */
    public function anyDay(): self
    {
        return new self($this->key, $this->label, $this->minutes, $this->before, $this->after, $this->step, $this->noticeHours, self::FURTHEST, $this->place, $this->places, $this->with);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['key' => $this->key, 'label' => $this->label, 'minutes' => $this->minutes, 'before' => $this->before, 'after' => $this->after, 'step' => $this->step, 'notice_hours' => $this->noticeHours, 'ahead_days' => $this->aheadDays, 'place' => $this->place->value] + ($this->places > 1 ? ['places' => $this->places] : []) + ($this->with === [] ? [] : ['with' => $this->with]);
    }
}
