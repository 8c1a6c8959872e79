<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Document\Node;

/** The diary of a person, a room or a machine. */
final readonly class Diary
{
    /**
     * @param list<string> $services keys of the services it takes
     * @param ?Week $hours its own, in place of the business's
     * @param ?int $mostADay appointments a day at most
     * @param ?string $base the area it starts the day from
     * @param list<Busy> $busy
     * @param ?\DateTimeZone $tz its own zone; null: the business's
     */
    public function __construct(public string $key, public string $name, public array $services, public ?Week $hours = null, public Week $breaks = new Week([]), public Days $off = new Days([]), public ?int $mostADay = null, public ?string $base = null, public array $busy = [], public ?\DateTimeZone $tz = null)
    {
    }

    public static function read(Node $node, \DateTimeZone $tz): self
    {
        $own = $node->has('tz') ? self::zone($node) : null;
        $busy = [];
        foreach ($node->children('busy') as $one) {
            $from = self::moment($one, 'from', $own ?? $tz);
            $to = self::moment($one, 'to', $own ?? $tz);
            if ($from !== null && $to !== null && $from < $to) {
                $busy[] = new Busy($from, $to, $one->optional('area'), $one->optional('service'), $one->string('what', ''));
            } elseif ($from !== null && $to !== null) {
                $one->problem('to', 'lies before from');
            }
            $one->noMore();
        }
        $diary = new self(
            $node->string('key'),
            $node->string('name', $node->string('key')),
            $node->strings('services'),
            $node->has('hours') ? Week::read($node, 'hours') : null,
            $node->has('breaks') ? Week::read($node, 'breaks', true) : new Week([]),
            Days::read($node, 'off'),
            $node->has('most_a_day') ? (int) $node->number('most_a_day', 1, 1, 1000) : null,
            $node->optional('base'),
            $busy,
            $own,
        );
        $node->noMore();

        return $diary;
    }

    /** @param list<Busy> $more */
    public function withBusy(array $more): self
    {
        return new self($this->key, $this->name, $this->services, $this->hours, $this->breaks, $this->off, $this->mostADay, $this->base, [...$this->busy, ...$more], $this->tz);
    }

    private static function zone(Node $node): ?\DateTimeZone
    {
        $name = $node->string('tz');
        if (! in_array($name, \DateTimeZone::listIdentifiers(), true)) {
            $node->problem('tz', "“{$name}” is no time zone; write it as Europe/London");

            return null;
        }

        return new \DateTimeZone($name);
    }

    private static function moment(Node $node, string $key, \DateTimeZone $tz): ?int
    {
        $text = $node->string($key);
        if (preg_match('/^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(?::\d\d)?(?:Z|[+-]\d\d:?\d\d)?$/', $text) !== 1 || ($moment = date_create_immutable($text, $tz)) === false) {
            $node->problem($key, "“{$text}” is no moment; write it as 2026-03-10T09:30");

            return null;
        }

        return $moment->getTimestamp();
    }
}
