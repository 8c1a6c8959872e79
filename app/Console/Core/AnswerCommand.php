<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Knowledge\Answer;
use Ringo\Knowledge\Answerer;
use Ringo\Knowledge\Candidate;
use Ringo\Knowledge\Library;

/** `./ringo answer --knowledge=FOLDER --batch=FILE`: answers questions from a folder of documents, or says that it does not know. */
final class AnswerCommand
{
    public const USAGE = './ringo answer --knowledge=FOLDER "question" [--why], or ./ringo answer --knowledge=FOLDER --batch=FILE [--now=…] [--tz=…] [--country=…]';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['knowledge', 'batch', 'now', 'tz', 'country', 'why']);
        $answerer = self::answerer($arguments->get('knowledge') ?? throw new WrongUsage('Usage: '.self::USAGE));
        $now = $arguments->now('Europe/London');
        $country = strtoupper($arguments->get('country') ?? 'GB');
        $why = $arguments->has('why');
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(static function (array $request) use ($answerer, $now, $country, $why): array {
                $moment = is_string($request['now'] ?? null) ? (Arguments::moment($request['now'], $now->getTimezone()) ?? throw new BadInput('“now” is no moment; write 2026-03-10T09:14')) : $now;

                return self::line($request['id'] ?? null, $answerer->answer(Batch::text($request, 'q'), $moment, is_string($request['country'] ?? null) ? strtoupper($request['country']) : $country, Batch::text($request, 'known', '')), $why);
            });
        }
        if (count($arguments->positional) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        Output::json(self::line('1', $answerer->answer($arguments->positional[0], $now, $country), true), true);

        return 0;
    }

    public static function answerer(string $folder): Answerer
    {
        if (! is_dir($folder)) {
            throw new BadInput("{$folder}: there is no such folder.");
        }
        $documents = (new Library)->folder($folder, static function (string $problem): void {
            fwrite(STDERR, $problem."\n");
        });
        if ($documents === []) {
            throw new BadInput("{$folder}: there is nothing to read in it; put Markdown, text, HTML, PDF or CSV files there.");
        }

        return Answerer::over($documents);
    }

    /** @return array<string, mixed> */
    private static function line(mixed $id, Answer $answer, bool $why): array
    {
        return ['id' => $id, 'answered' => $answer->answered, 'source' => $answer->source, 'text' => $answer->text, 'confidence' => $answer->confidence]
            + ($answer->refusal === null ? [] : ['refused' => $answer->refusal]) + ($answer->options === [] ? [] : ['options' => $answer->options])
            + ($answer->offers === [] ? [] : ['offer' => array_map(static fn (array $one): array => array_diff_key($one, ['more' => 1]), $answer->offers)])
            + ($why ? ['candidates' => array_map(static fn (Candidate $one): array => ['place' => $one->place, 'score' => round($one->score, 3), 'cover' => round($one->cover, 3), 'key' => round($one->key, 2), 'matched' => $one->matched, 'lacking' => $one->lacking, 'text' => $one->text, 'why' => $one->why], $answer->candidates)] : []);
    }
}
