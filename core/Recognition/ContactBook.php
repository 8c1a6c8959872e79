<?php

declare(strict_types=1);

namespace Ringo\Recognition;

use Ringo\Numbering\NumberingPlan;

/**
 * Who may call, looked up by number.
 *
 * A contact is a row of facts; `phone` may hold several numbers parted by `;`. Numbers are compared as E.164, whatever way they were written.
 */
final class ContactBook
{
    /** @var array<string, list<array<string, string>>> by E.164 */
    private array $byNumber = [];

    /** @param iterable<array<string, string|null>> $rows */
    public function __construct(iterable $rows, private readonly NumberingPlan $plan, private readonly string $country)
    {
        foreach ($rows as $row) {
            $facts = array_map(static fn (?string $fact): string => trim((string) $fact), $row);
            foreach (preg_split('/[;|]/', $facts['phone'] ?? '') ?: [] as $written) {
                $number = $this->plan->parse($written, $this->country);
                if ($number !== null) {
                    $this->byNumber[$number->e164][] = $facts;
                }
            }
        }
    }

    /**
     * Reads contacts from CSV text with a header line (RFC 4180).
     *
     * @throws \InvalidArgumentException where there is no phone column
     */
    public static function fromCsv(string $csv, NumberingPlan $plan, string $country): self
    {
        $stream = fopen('php://temp', 'r+b') ?: throw new \RuntimeException('No temporary stream could be opened.');
        fwrite($stream, (string) preg_replace('/^\xEF\xBB\xBF/', '', $csv));
        rewind($stream);
        $header = fgetcsv($stream, null, ',', '"', '');
        if ($header === false || ! in_array('phone', $header, true)) {
            throw new \InvalidArgumentException('line 1: the contacts need a column “phone”; the columns are '.implode(', ', array_map(strval(...), $header ?: ['none'])));
        }
        $rows = [];
        while (($cells = fgetcsv($stream, null, ',', '"', '')) !== false) {
            if ($cells === [null]) {
                continue;
            }
            $cells = array_slice(array_pad($cells, count($header), ''), 0, count($header));
            $rows[] = array_combine(array_map(strval(...), $header), array_map(strval(...), $cells));
        }
        fclose($stream);

        return new self($rows, $plan, $country);
    }

    /** @return list<array<string, string>> */
    public function at(?string $number): array
    {
        $parsed = $number === null ? null : $this->plan->parse($number, $this->country);

        return $parsed === null ? [] : ($this->byNumber[$parsed->e164] ?? []);
    }
}
