<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Document\InvalidDocument;
use Ringo\Extraction\Extractor;
use Ringo\Format\TranscriptFile;
use Ringo\Sheet\RecordSheet;

/** `./ringo extract --sheet=SHEET --batch=FILE`: a record out of every transcript, with its evidence. */
final class ExtractCommand
{
    public const USAGE = './ringo extract --sheet=SHEET.json --batch=FILE (a transcript a line), or ./ringo extract --sheet=SHEET.json TRANSCRIPT.json [--now=…] [--tz=…] [--country=…]';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['sheet', 'batch', 'now', 'tz', 'country']);
        $sheet = self::sheet($arguments->get('sheet') ?? throw new WrongUsage('Usage: '.self::USAGE));
        $extractor = Extractor::for($sheet);
        $zone = $arguments->zone('Europe/London');
        $country = strtoupper($arguments->get('country') ?? 'GB');
        $file = new TranscriptFile($country, $zone->getName());
        $now = $arguments->now('Europe/London');
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(fn (array $request): array => self::answer($extractor, $file, $request, $now));
        }
        if (count($arguments->positional) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $path = $arguments->positional[0];
        $text = is_file($path) ? (string) file_get_contents($path) : throw new BadInput("{$path}: there is no such file.");
        $failed = false;
        foreach ($file->pieces($text) as $place => $piece) {
            try {
                Output::json(self::answer($extractor, $file, is_array($piece) ? $piece : throw new BadInput($piece), $now), true);
            } catch (BadInput|InvalidDocument $problem) {
                fwrite(STDERR, "{$path}, line {$place}: {$problem->getMessage()}\n");
                $failed = true;
            }
        }

        return $failed ? 1 : 0;
    }

    public static function sheet(string $path): RecordSheet
    {
        $text = is_file($path) ? (string) file_get_contents($path) : throw new BadInput("{$path}: there is no such file.");
        $data = json_decode($text, true);
        if (! is_array($data)) {
            throw new BadInput("{$path}: this is not JSON ({".json_last_error_msg().'}).');
        }
        try {
            // A script holds its sheet under “sheet”.
            return RecordSheet::fromArray(is_array($data['sheet'] ?? null) && isset($data['steps']) ? $data['sheet'] : $data);
        } catch (InvalidDocument $problem) {
            throw new BadInput("{$path}: {$problem->getMessage()}");
        }
    }

    /**
     * @param array<array-key, mixed> $request
     *
     * @return array<string, mixed>
     */
    private static function answer(Extractor $extractor, TranscriptFile $file, array $request, \DateTimeImmutable $now): array
    {
        $transcript = $file->read($request, $now);
        $record = $extractor->extract($transcript, is_string($request['outcome'] ?? null) ? $request['outcome'] : null);

        return [
            'id' => $request['id'] ?? $transcript->id,
            'record' => (object) $record->values(),
            'evidence' => (object) array_map(static fn (array $cell): array => ['turn' => $cell['turn'], 'said' => $cell['said'], 'confidence' => $cell['confidence'], 'origin' => $cell['origin']], $record->cells),
            'summary' => $record->summary,
            'declined' => $record->declined,
            'missing' => $record->missing,
            'doubts' => (object) ($record->doubts + array_filter(array_map(static fn (array $cell): ?string => $cell['doubt'], $record->cells))),
            'next_actions' => $record->nextActions,
        ];
    }
}
