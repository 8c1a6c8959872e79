<?php

declare(strict_types=1);

namespace Ringo\Advice;

/** Opinions that were given before, by doubt; what was not asked then is not asked now. */
final readonly class KeptAdvice implements Advisers
{
    /** @param array<string, array{choice: string, seconds: float}> $kept by the key of the doubt */
    public function __construct(private array $kept)
    {
    }

    /** @param list<array{doubt: string, choice: string, seconds: float}> $given */
    public static function of(array $given): self
    {
        $kept = [];
        foreach ($given as $one) {
            $kept[$one['doubt']] ??= ['choice' => $one['choice'], 'seconds' => $one['seconds']];
        }

        return new self($kept);
    }

    public function opinion(Doubt $doubt): array
    {
        $one = $this->kept[$doubt->key()] ?? null;

        return [$one === null || $one['choice'] === '' ? new Opinion(Opinion::NONE) : new Opinion(Opinion::TAKEN, $one['choice']), $one['seconds'] ?? 0.0];
    }
}
