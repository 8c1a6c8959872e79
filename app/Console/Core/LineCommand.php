<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Brief\Brief;
use Ringo\Brief\OpeningHours;
use Ringo\Document\InvalidDocument;
use Ringo\Line\Exchange;
use Ringo\Line\Line;
use Ringo\Line\LineCheck;
use Ringo\Numbering\NumberingPlan;
use Ringo\Transfer\StaffFile;
use Ringo\Transfer\Switchboard;

/** `./ringo line LINES --at=…`: the way a call takes at a moment, or what is wrong with the lines. */
final class LineCommand
{
    public const USAGE = './ringo line LINES.json [--line=KEY] --at=2026-11-30T20:15 [--brief=FILE] [--teams=FILE] [--busy=N], with --check for what is wrong, or --batch=FILE';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['line', 'at', 'tz', 'country', 'brief', 'teams', 'busy', 'check', 'batch']);
        if (count($arguments->positional) !== 1 || ! $arguments->has('at') && ! $arguments->has('check') && ! $arguments->has('batch')) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $lines = $this->lines($arguments->positional[0]);
        $hours = $this->hours($arguments->get('brief'));
        $staff = $this->staff($arguments->get('teams'), $arguments->get('country') ?? 'GB');
        if ($arguments->has('check')) {
            $agents = array_fill_keys(array_map(static fn (Line $line): string => $line->agent, $lines), []);
            $stops = 0;
            foreach ($lines as $line) {
                // Which steps a release has is not in these files: an opening is taken on trust.
                $found = array_values(array_filter((new LineCheck($lines, $hours, $staff, $agents))->of($line), static fn (array $one): bool => ! str_contains($one['words'], 'its release has no such step')));
                $stops += count(array_filter($found, static fn (array $one): bool => $one['severity'] === LineCheck::STOPS));
                Output::json(['line' => $line->key, 'findings' => $found]);
            }

            return $stops === 0 ? 0 : 1;
        }
        $zone = $arguments->get('tz') ?? 'Europe/London';
        $way = function (?string $key, mixed $at, mixed $busy) use ($lines, $hours, $staff, $zone): array {
            $key ??= (string) array_key_first($lines);
            if (! isset($lines[$key])) {
                throw new BadInput("there is no line “{$key}”; ".implode(', ', array_keys($lines)).' are');
            }
            $moment = is_string($at) ? date_create_immutable($at, new \DateTimeZone($zone)) : false;
            if ($moment === false || ! is_numeric($busy)) {
                throw new BadInput($moment === false ? '“at” is no moment; write 2026-11-30T20:15' : '“busy” is no number');
            }

            return (new Exchange($lines, $hours, $staff, [$key => (int) $busy]))->way($key, $moment->setTimezone(new \DateTimeZone($zone)))->toArray();
        };
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(static fn (array $request): array => ['id' => $request['id'] ?? null] + $way(is_string($request['line'] ?? null) ? $request['line'] : null, $request['at'] ?? null, $request['busy'] ?? 0));
        }
        Output::json($way($arguments->get('line'), $arguments->get('at'), $arguments->get('busy') ?? 0));

        return 0;
    }

    /** @return non-empty-array<string, Line> by key */
    private function lines(string $file): array
    {
        $data = $this->json($file);
        $lines = [];
        foreach (array_is_list($data) ? $data : [$data] as $i => $one) {
            try {
                // What a line is, number or button, is the application's.
                $line = Line::fromArray(array_diff_key(is_array($one) ? $one : throw new BadInput("{$file}: line ".($i + 1).' is no object.'), ['kind' => 1]));
            } catch (InvalidDocument $problem) {
                throw new BadInput("{$file}: line ".($i + 1).": {$problem->getMessage()}");
            }
            $lines[$line->key] = $line;
        }

        return $lines === [] ? throw new BadInput("{$file}: there is no line in it.") : $lines;
    }

    private function hours(?string $file): OpeningHours
    {
        try {
            return ($file === null ? Brief::blank() : Brief::fromArray($this->json($file)))->hours;
        } catch (InvalidDocument $problem) {
            throw new BadInput("{$file}: {$problem->getMessage()}");
        }
    }

    private function staff(?string $file, string $country): Switchboard
    {
        if ($file === null) {
            return Switchboard::none();
        }
        try {
            return (new StaffFile(new NumberingPlan, $country))->read(is_file($file) ? (string) file_get_contents($file) : throw new BadInput("{$file}: there is no such file."));
        } catch (\InvalidArgumentException $problem) {
            throw new BadInput("{$file}: {$problem->getMessage()}");
        }
    }

    /** @return array<array-key, mixed> */
    private function json(string $file): array
    {
        $data = is_file($file) ? json_decode((string) file_get_contents($file), true) : throw new BadInput("{$file}: there is no such file.");

        return is_array($data) ? $data : throw new BadInput("{$file}: this is no JSON: ".json_last_error_msg());
    }
}
