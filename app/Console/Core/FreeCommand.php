<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Diary\Start;
use Ringo\Document\InvalidDocument;
use Ringo\Language\Vocabulary;

/** `./ringo free --diaries=FILE [--say="…"]… [--service=KEY] --now=…`: which free times fit what a caller says, turn after turn. */
final class FreeCommand
{
    public const USAGE = './ringo free --diaries=FILE [--say="…"]… [--service=KEY] [--area=AREA] [--now=2026-03-10T09:14], or ./ringo free --diaries=FILE --batch=FILE';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['diaries', 'batch', 'say', 'service', 'area', 'now', 'tz']);
        $diaries = self::diaries($arguments->get('diaries') ?? throw new WrongUsage('Usage: '.self::USAGE));
        $negotiation = new Negotiation($diaries, Vocabulary::of());
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(fn (array $request): array => $this->answer($diaries, $negotiation, $request));
        }
        if ($arguments->positional !== []) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $said = array_values(array_map(static fn (array $one): string => (string) $one[1], array_filter($arguments->options, static fn (array $one): bool => $one[0] === 'say')));
        Output::json($this->answer($diaries, $negotiation, ['id' => '1', 'now' => $arguments->now($diaries->tz->getName())->format('c'), 'service' => $arguments->get('service') ?? array_key_first($diaries->services), 'said' => $said, 'area' => $arguments->get('area')]));

        return 0;
    }

    public static function diaries(string $file): Diaries
    {
        $data = is_file($file) ? json_decode((string) file_get_contents($file), true) : throw new BadInput("{$file}: there is no such file.");
        if (! is_array($data) || array_is_list($data)) {
            throw new BadInput("{$file}: a diaries file is an object with hours, services and diaries.");
        }
        try {
            return Diaries::fromArray($data);
        } catch (InvalidDocument $problem) {
            throw new BadInput("{$file}: ".implode('; ', array_map(static fn (array $one): string => "{$one['path']}: {$one['message']}", array_slice($problem->problems, 0, 5))).'.');
        }
    }

    /**
     * @param array<string, mixed> $request
     *
     * @return array<string, mixed>
     */
    private function answer(Diaries $diaries, Negotiation $negotiation, array $request): array
    {
        $key = is_string($request['service'] ?? null) ? $request['service'] : throw new BadInput('“service” is missing or no text');
        $service = $diaries->services[$key] ?? throw new BadInput("there is no service “{$key}”; ".implode(', ', array_keys($diaries->services)).' are');
        $now = is_string($request['now'] ?? null) ? Arguments::moment($request['now'], $diaries->tz) : null;
        if ($now === null) {
            throw new BadInput('“now” is missing or no moment; write 2026-03-10T09:14');
        }
        $said = is_string($request['said'] ?? null) ? [$request['said']] : ($request['said'] ?? []);
        if (! is_array($said) || array_filter($said, static fn (mixed $one): bool => ! is_string($one)) !== []) {
            throw new BadInput('“said” must be a list of texts');
        }
        $offered = null;
        if (isset($request['offered'])) {
            $offered = [];
            foreach (is_array($request['offered']) ? $request['offered'] : [] as $one) {
                $at = is_array($one) ? ($one['start'] ?? null) : $one;
                $moment = is_string($at) ? Arguments::moment($at, $diaries->tz) : null;
                $offered[] = ($moment ?? throw new BadInput('“offered” must be a list of moments'))->getTimestamp();
            }
        }
        $offer = $negotiation->after($service, array_values($said), $now->getTimestamp(), is_string($request['area'] ?? null) ? $request['area'] : null, $offered);

        return [
            'id' => $request['id'] ?? null, 'met' => $offer->met,
            'offers' => array_map(static fn (Start $start): array => ['start' => $start->in($diaries->tz)->format('Y-m-d\TH:i'), 'diary' => $start->diary], $offer->starts),
            'windows' => array_map(static fn (array $one): array => ['from' => $one[0], 'to' => $one[1]], $offer->windows), 'why' => $offer->why,
        ];
    }
}
