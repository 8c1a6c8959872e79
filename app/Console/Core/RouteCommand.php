<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Transfer\Fit;
use Ringo\Transfer\Team;
use Ringo\Transfer\TeamFit;

/** `./ringo route --teams=FILE --batch=FILE`: which team fits what was said, or the question that would tell. */
final class RouteCommand
{
    public const USAGE = './ringo route --teams=FILE "words", or ./ringo route --teams=FILE --batch=FILE';

    /** @var array<string, array{said: string, candidates: list<string>, turns: int}> what earlier turns of an id left */
    private array $calls = [];

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['teams', 'batch', 'why']);
        $file = $arguments->get('teams') ?? throw new WrongUsage('Usage: '.self::USAGE);
        $fit = self::teams($file);
        $why = $arguments->has('why');
        if ($arguments->has('batch')) {
            return (new Batch($arguments->get('batch') ?? '-'))->each(fn (array $request): array => $this->answer($fit, $request, $why));
        }
        if (count($arguments->positional) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        Output::json($this->answer($fit, ['id' => '1', 'turn' => 0, 'text' => $arguments->positional[0]], true));

        return 0;
    }

    public static function teams(string $file): TeamFit
    {
        $data = is_file($file) ? json_decode((string) file_get_contents($file), true) : throw new BadInput("{$file}: there is no such file.");
        $data = is_array($data) && is_array($data['teams'] ?? null) ? $data['teams'] : $data;
        if (! is_array($data) || ! array_is_list($data)) {
            throw new BadInput("{$file}: a team file is a list of teams with key, name and description.");
        }
        $teams = [];
        foreach ($data as $i => $one) {
            try {
                $teams[] = Team::fromArray(is_array($one) ? $one : throw new \InvalidArgumentException('is no object'));
            } catch (\InvalidArgumentException $problem) {
                throw new BadInput("{$file}: team ".($i + 1).": {$problem->getMessage()}.");
            }
        }
        if ($teams === []) {
            throw new BadInput("{$file}: there is no team in it.");
        }
        $words = Vocabulary::of();

        return new TeamFit($teams, $words, new Lexicon($words));
    }

    /**
     * @param array<string, mixed> $request
     *
     * @return array<string, mixed>
     */
    private function answer(TeamFit $fit, array $request, bool $why): array
    {
        $text = $request['text'] ?? null;
        if (! is_string($text)) {
            throw new BadInput('“text” is missing or no text');
        }
        $id = is_scalar($request['id'] ?? null) ? (string) $request['id'] : '';
        $turn = is_numeric($request['turn'] ?? 0) ? (int) ($request['turn'] ?? 0) : 0;
        $before = $turn > 0 ? ($this->calls[$id] ?? null) : null;
        if ($before === null) {
            $found = $fit->of($text);
            $this->calls[$id] = ['said' => $text, 'candidates' => $found->candidates, 'turns' => 1];
        } else {
            $found = $fit->answered($before['said'], $before['candidates'], $text);
            $this->calls[$id] = ['said' => $before['said'].'. '.$text, 'candidates' => $found->candidates, 'turns' => $before['turns'] + 1];
        }

        return ['id' => $request['id'] ?? null, 'turn' => $turn, 'team' => $this->team($fit, $found, $before !== null), 'clarify' => $found->candidates, 'question' => $found->question] + ($why ? ['scores' => $found->scores, 'why' => $found->why] : []);
    }

    /** Nothing that fits, or doubt that stays, goes to the default. */
    private function team(TeamFit $fit, Fit $found, bool $asked): ?string
    {
        return $found->team ?? ($found->candidates === [] ? $fit->default() : null);
    }
}
