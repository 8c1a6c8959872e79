<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Dialogue\Ports\Booked;
use Ringo\Diary\Diaries;
use Ringo\Diary\Start;
use Ringo\Document\Node;
use Ringo\Rehearsal\SketchBook;

/** A booking that a caller has before the call begins: one to be moved, or cancelled. */
final readonly class Earlier
{
    /** @param string $at local date-time of the diary */
    public function __construct(public string $service, public string $diary, public string $at, public ?string $name = null, public ?string $area = null)
    {
    }

    public static function of(Booked $booked, Diaries $diaries): self
    {
        $tz = $diaries->diaries[$booked->start->diary]->tz ?? $diaries->tz;

        return new self($booked->service, $booked->start->diary, $booked->start->in($tz)->format('Y-m-d\TH:i'), $booked->name, $booked->area);
    }

    public static function read(Node $node): self
    {
        $at = $node->string('at');
        if (preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d$/', $at) !== 1) {
            $node->problem('at', "“{$at}” is no local time; write 2026-03-10T09:14");
            $at = '2026-03-10T09:14';
        }
        $one = new self($node->string('service'), $node->string('diary'), $at, $node->optional('name'), $node->optional('area'));
        $node->noMore();

        return $one;
    }

    /** Books it; what the diaries do not have, or somebody has already, is left out. */
    public function in(?SketchBook $book, ?string $number): void
    {
        if ($book === null) {
            return;
        }
        $diaries = $book->diaries('earlier');
        $diary = $diaries->diaries[$this->diary] ?? null;
        if ($diary !== null && isset($diaries->services[$this->service])) {
            $at = (new \DateTimeImmutable($this->at, $diary->tz ?? $diaries->tz))->getTimestamp();
            $book->book('earlier', $this->service, [new Start($at, $this->diary)], ['name' => $this->name, 'number' => $number, 'area' => $this->area, 'note' => '']);
        }
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return array_filter(['service' => $this->service, 'diary' => $this->diary, 'at' => $this->at, 'name' => $this->name, 'area' => $this->area], is_string(...));
    }
}
