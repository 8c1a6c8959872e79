<?php

declare(strict_types=1);

namespace Ringo\Extraction\Asking;

use Ringo\Language\Phrases;

/** Sayings that belong to a field, made ready once. */
final class Listed
{
    /** @var array<string, Phrases<string>> */
    private array $known = [];

    /**
     * @param string $name of the field and what its sayings are of
     * @param list<string> $phrases
     *
     * @return Phrases<string>
     */
    public function of(string $name, array $phrases): Phrases
    {
        return $this->known[$name] ??= Phrases::listed($phrases);
    }
}
