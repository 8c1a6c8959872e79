<?php

declare(strict_types=1);

namespace Ringo\Recognition;

/** Where contacts are looked up by number. */
interface Directory
{
    /**
     *
     * @return list<array<string, scalar|null>> facts of each contact; `contact_kind` person or organisation, `blocked`, `locked`, `last_hours`
     */
    public function at(string $e164): array;
}
