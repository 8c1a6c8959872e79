<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** One time somebody was rung: when, on their own wall clock, what happened, and whether for this campaign. */
final readonly class Attempt
{
    private const OTHER = 'other:';

    public function __construct(public int $wall, public string $outcome, public bool $own)
    {
    }

    /**
     * Reads `2026-05-05T10:02 busy; 2026-05-05T09:00 other:reached`.
     *
     * @return list<self>
     *
     * @throws \DomainException on one that is none
     */
    public static function all(string $written): array
    {
        $attempts = [];
        foreach (explode(';', $written) as $one) {
            $one = trim($one);
            if ($one === '') {
                continue;
            }
            [$time, $outcome] = [...explode(' ', $one, 2), ''];
            $wall = WallTime::time($time);
            $outcome = trim($outcome);
            $own = ! str_starts_with($outcome, self::OTHER);
            $outcome = $own ? $outcome : substr($outcome, strlen(self::OTHER));
            if ($wall === null || preg_match('/^[a-z][a-z_]*$/', $outcome) !== 1) {
                throw new \DomainException("“attempts”: “{$one}” is no attempt; write 2026-05-05T10:02 busy");
            }
            $attempts[] = new self($wall, $outcome, $own);
        }

        return $attempts;
    }
}
