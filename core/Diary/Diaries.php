<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** All that free times of a business follow from: hours, closures, services, diaries, roads, and how work is shared out. */
final readonly class Diaries
{
    public const SHARE = ['in_turn', 'least_booked', 'first', 'same'];

    /**
     * @param array<string, Service> $services by key
     * @param array<string, Diary> $diaries by key
     * @param string $share in_turn, least_booked, first, or same (the one who had the caller last, else in turn): which of several diaries that are free takes it
     * @param array<string, list<array{int, int}>> $days hours of single days in place of the week's, by date, minutes of the day
     */
    public function __construct(public \DateTimeZone $tz, public string $country, public Week $hours, public Days $closures, public array $services, public array $diaries, public Travel $travel = new Travel, public string $share = 'first', public array $days = [])
    {
    }

    /**
     * @param array<array-key, mixed> $data docs/formats/diaries.md
     *
     * @throws InvalidDocument naming every place that is wrong
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        $name = $node->string('tz', 'Europe/London');
        $known = in_array($name, \DateTimeZone::listIdentifiers(), true);
        if (! $known) {
            $node->problem('tz', "“{$name}” is no time zone; write it as Europe/London");
        }
        $tz = new \DateTimeZone($known ? $name : 'UTC');
        $country = $node->string('country', 'GB');
        $hours = Week::read($node, 'hours');
        $closures = Days::read($node, 'closures');
        $days = self::readDays($node->child('days'));
        $services = [];
        foreach ($node->children('services') as $one) {
            $service = Service::read($one);
            if (isset($services[$service->key])) {
                $one->problem('key', "“{$service->key}” stands twice");
            }
            $services[$service->key] = $service;
        }
        $diaries = [];
        foreach ($node->children('diaries') as $one) {
            $diary = Diary::read($one, $tz);
            foreach (array_diff($diary->services, array_keys($services)) as $unknown) {
                $one->problem('services', "there is no service “{$unknown}”");
            }
            if (isset($diaries[$diary->key])) {
                $one->problem('key', "“{$diary->key}” stands twice");
            }
            $diaries[$diary->key] = $diary;
        }
        $travel = Travel::read($node, 'travel');
        $share = $node->oneOf('share', self::SHARE, 'first');
        $node->noMore();
        $node->settle();

        return new self($tz, $country, $hours, $closures, $services, $diaries, $travel, $share, $days);
    }

    /** @return list<array{int, int}> when somebody works on a day: their own hours, else the business's of that very day, else of its week */
    public function open(Diary $diary, Frame $frame): array
    {
        return $diary->hours?->on($frame->weekday) ?? $this->days[$frame->date] ?? $this->hours->on($frame->weekday);
    }

    /** @return array<string, list<array{int, int}>> */
    private static function readDays(Node $node): array
    {
        $days = [];
        foreach (array_keys($node->all()) as $date) {
            if (preg_match('/^\d{4}-(\d\d)-(\d\d)$/', (string) $date, $m) !== 1 || ! checkdate((int) $m[1], (int) $m[2], (int) $date)) {
                $node->problem((string) $date, "“{$date}” is no day; write 2026-05-04");

                continue;
            }
            $days[(string) $date] = Week::stretches($node, (string) $date);
        }

        return $days;
    }

    /** @return list<Diary> that take a service */
    public function taking(Service $service): array
    {
        return array_values(array_filter($this->diaries, static fn (Diary $diary): bool => in_array($service->key, $diary->services, true)));
    }

    /** @param array<string, list<Busy>> $busy further busy times by diary */
    public function withBusy(array $busy): self
    {
        $diaries = [];
        foreach ($this->diaries as $key => $diary) {
            $diaries[$key] = $diary->withBusy($busy[$key] ?? []);
        }

        return new self($this->tz, $this->country, $this->hours, $this->closures, $this->services, $diaries, $this->travel, $this->share, $this->days);
    }
}
