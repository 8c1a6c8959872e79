<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Agent;
use App\Models\Release;
use App\Models\Team;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

/** What a form lets one choose from, value => words, where several pages offer the same. */
final class Offered
{
    /**
     * @param iterable<Release> $releases
     * @param string $ending what is said behind each number
     *
     * @return array<int, string> by number
     */
    public static function releases(iterable $releases, string $ending = ''): array
    {
        return collect($releases)->mapWithKeys(static fn (Release $one): array => [$one->number => "release {$one->number}{$ending}"])->all();
    }

    /**
     * @param iterable<Agent> $agents
     *
     * @return array<string, string> by key
     */
    public static function agents(iterable $agents): array
    {
        return collect($agents)->mapWithKeys(static fn (Agent $one): array => [$one->key => $one->name.($one->latestRelease ? '' : ', not released yet')])->all();
    }

    /**
     * @param iterable<Team> $teams
     *
     * @return array<string, string> by what a target is called
     */
    public static function teams(iterable $teams): array
    {
        return collect($teams)->mapWithKeys(static fn (Team $one): array => ["team:{$one->key}" => $one->name])->all();
    }

    /** @return array<string, string> fields of a record by key, the title for words */
    public static function fields(RecordSheet $sheet, ?ValueType $type = null): array
    {
        return collect($sheet->fields)->filter(static fn ($one): bool => $type === null || $one->type === $type)->mapWithKeys(static fn ($one): array => [$one->key => $one->title])->all();
    }

    /** @return array<string, string> fields of a record by key, the key for words, as a designer knows them */
    public static function keys(RecordSheet $sheet, ?ValueType $type = null): array
    {
        $keys = array_keys(self::fields($sheet, $type));

        return array_combine($keys, $keys);
    }

    /**
     * @param iterable<string> $values
     *
     * @return array<string, string> what is written with low lines, as words
     */
    public static function plainly(iterable $values): array
    {
        return collect($values)->mapWithKeys(static fn (string $one): array => [$one => str_replace('_', ' ', $one)])->all();
    }

    /**
     * What was chosen once stays to be seen where it is not offered any more.
     *
     * @param array<string, string> $offered
     *
     * @return array<string, string>
     */
    public static function orGone(array $offered, ?string $chosen): array
    {
        return $offered + ($chosen === null || $chosen === '' ? [] : [$chosen => "{$chosen} (not there)"]);
    }
}
