<?php

declare(strict_types=1);

namespace Ringo\Format;

use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

/**
 * Writes a call as a vCon container (IETF vcon working group, draft-ietf-vcon-vcon-core): parties, one text dialog a turn, the record as analysis.
 */
final readonly class Vcon
{
    /**
     * @param array<string, mixed> $record values with evidence, attached as analysis
     *
     * @return array<string, mixed>
     */
    public function write(Transcript $transcript, string $agent, ?string $caller, array $record = [], ?string $summary = null): array
    {
        $start = new \DateTimeImmutable($transcript->startedAt);
        $parties = [
            array_filter(['name' => $agent, 'role' => 'agent', 'tel' => $transcript->to], static fn (?string $value): bool => $value !== null),
            array_filter(['name' => $caller, 'role' => 'caller', 'tel' => $transcript->from], static fn (?string $value): bool => $value !== null && $value !== ''),
        ];
        $party = ['agent' => 0, 'caller' => 1];
        if (array_filter($transcript->turns, static fn (Turn $turn): bool => $turn->by === 'staff') !== []) {
            $party['staff'] = count($parties);
            $parties[] = ['role' => 'staff'];
        }
        $dialog = array_map(static fn (Turn $turn): array => [
            'type' => 'text',
            'start' => $start->modify('+'.(int) round($turn->at * 1000).' milliseconds')->format('Y-m-d\TH:i:s.vP'),
            'duration' => round($turn->seconds, 1),
            'parties' => [$party[$turn->by] ?? 1],
            'mediatype' => 'text/plain',
            'body' => $turn->text,
            'encoding' => 'none',
        ] + ($turn->cut ? ['meta' => ['cut_short' => true, 'whole' => $turn->says()]] : []), $transcript->turns);
        $analysis = [];
        if ($record !== []) {
            $analysis[] = ['type' => 'record', 'dialog' => array_keys($dialog), 'vendor' => 'ringo', 'mediatype' => 'application/json', 'body' => json_encode($record, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR), 'encoding' => 'json'];
        }
        if ($summary !== null) {
            $analysis[] = ['type' => 'summary', 'dialog' => array_keys($dialog), 'vendor' => 'ringo', 'mediatype' => 'text/plain', 'body' => $summary, 'encoding' => 'none'];
        }

        return [
            'vcon' => '0.3.0',
            'uuid' => $this->uuid($transcript->id),
            'created_at' => $start->format('c'),
            'subject' => 'Call '.$transcript->id,
            'parties' => $parties,
            'dialog' => $dialog,
            'analysis' => $analysis,
            'attachments' => [],
        ];
    }

    /** A name-based UUID (RFC 9562, version 8) of the call's own id, so that the same call always has the same. */
    private function uuid(string $id): string
    {
        $hex = substr(hash('sha256', 'ringo-call:'.$id), 0, 32);
        $hex[12] = '8';
        $hex[16] = dechex(hexdec($hex[16]) & 0x3 | 0x8);

        return implode('-', [substr($hex, 0, 8), substr($hex, 8, 4), substr($hex, 12, 4), substr($hex, 16, 4), substr($hex, 20)]);
    }
}
