<?php

declare(strict_types=1);

namespace App\Actions\Surveys;

use App\Models\Survey;
use Ringo\Knowledge\Groups;
use Ringo\Language\Vocabulary;

/** Puts spoken answers together that say the same; a group somebody named keeps its name, and new answers like those named join it. */
final readonly class GroupAnswers
{
    /** What a named group is known by: so many of its answers. */
    private const LIKE = 12;

    /**
     * @param array<string, string> $spoken by call
     *
     * @return list<array{name: ?string, refs: list<string>}> the largest first
     */
    public function of(Survey $survey, string $question, array $spoken): array
    {
        $seeds = [];
        foreach ($survey->names[$question] ?? [] as $n => $group) {
            foreach ($group['like'] as $i => $text) {
                $seeds["named {$n} {$i}"] = $text;
            }
        }
        $groups = [];
        foreach ((new Groups(Vocabulary::of('en')))->of($seeds + $spoken) as $members) {
            $refs = array_values(array_filter($members, static fn (string $one): bool => ! isset($seeds[$one])));
            $named = array_values(array_filter($members, static fn (string $one): bool => isset($seeds[$one])));
            $name = $named === [] ? null : $survey->names[$question][(int) explode(' ', $named[0])[1]]['name'];
            if ($refs === []) {
                continue;
            }
            $key = $name ?? 'group '.count($groups);
            $groups[$key] = ['name' => $name, 'refs' => [...$groups[$key]['refs'] ?? [], ...$refs]];
        }
        usort($groups, static fn (array $a, array $b): int => count($b['refs']) <=> count($a['refs']));

        return $groups;
    }

    /** @param list<string> $texts what those said whom the name is given to; an empty name takes it away */
    public function name(Survey $survey, string $question, string $name, array $texts): void
    {
        $names = $survey->names;
        $groups = [];
        foreach ($names[$question] ?? [] as $group) {
            $left = array_values(array_diff($group['like'], $texts));
            if ($left !== [] && $group['name'] !== $name) {
                $groups[] = ['name' => $group['name'], 'like' => $left];
            } elseif ($group['name'] === $name) {
                $texts = array_values(array_unique([...$group['like'], ...$texts]));
            }
        }
        if ($name !== '' && $texts !== []) {
            $groups[] = ['name' => $name, 'like' => array_slice($texts, 0, self::LIKE)];
        }
        $names[$question] = $groups;
        $survey->update(['names' => $names]);
    }
}
