<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Document\InvalidDocument;
use Ringo\Format\CsvTable;
use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;

/** A campaign file and its list, as the commands `plan` and `forecast` take them. */
final readonly class CampaignInput
{
    public static function campaign(string $file): Campaign
    {
        $data = is_file($file) ? json_decode((string) file_get_contents($file), true) : throw new BadInput("{$file}: there is no such file.");
        if (! is_array($data) || array_is_list($data)) {
            throw new BadInput("{$file}: a campaign file is a JSON object with purpose, windows, start and end.");
        }
        try {
            return Campaign::fromArray($data);
        } catch (InvalidDocument $problem) {
            throw new BadInput(implode("\n", array_map(static fn (array $one): string => "{$file}: {$one['path']}: {$one['message']}", array_slice($problem->problems, 0, 20))));
        }
    }

    /**
     * People of a list, one after another in constant memory; a line that cannot be read comes as what is wrong with it.
     *
     * @return \Generator<int, Listed|array{id: string, error: string}> by line
     */
    public static function list(string $file): \Generator
    {
        if (! is_file($file)) {
            throw new BadInput("{$file}: there is no such file.");
        }
        try {
            $table = CsvTable::of($file);
        } catch (\DomainException $problem) {
            throw new BadInput("{$file}: {$problem->getMessage()}");
        }
        if (! in_array('phone', $table->header, true) || ! in_array('id', $table->header, true)) {
            throw new BadInput("{$file}, line 1: a list has the columns id and phone; this one has ".implode(', ', $table->header).'.');
        }
        foreach ($table->rows() as $line => $row) {
            try {
                yield $line => Listed::of($row);
            } catch (\DomainException $problem) {
                yield $line => ['id' => $row['id'], 'error' => $problem->getMessage()];
            }
        }
    }

    public static function now(Arguments $arguments): int
    {
        return $arguments->now('Europe/London')->getTimestamp();
    }
}
