<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Transcript\Transcript;

/** One transcript while it is being read: when it was held, the fields that are looked for, and what they come to. */
final class Hearing
{
    public readonly Ledger $ledger;

    public readonly \DateTimeImmutable $now;

    /** @param list<FieldProfile> $fields */
    public function __construct(public readonly Transcript $transcript, public readonly array $fields)
    {
        $this->ledger = new Ledger;
        $zone = new \DateTimeZone($transcript->tz);
        $this->now = (new \DateTimeImmutable($transcript->startedAt, $zone))->setTimezone($zone);
    }

    /** The words that stand for a value: as they are told where they stand in the turn, else its beginning. */
    public function evidence(int $turn, string $said): string
    {
        $text = str_replace(['’', '‘', '`'], "'", $this->transcript->turns[$turn]->text ?? '');
        $said = trim($said);

        return $said !== '' && mb_stripos($text, $said) !== false ? $said : mb_substr(trim($text), 0, Claim::SAID_MOST);
    }
}
