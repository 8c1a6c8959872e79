<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\ScriptText;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;

/** Script texts that were read in this request; a text never changes, so it is read once. */
final class ScriptLibrary
{
    /** @var array<string, Script> by hash */
    private array $scripts = [];

    /** @throws \Ringo\Document\InvalidDocument */
    public function of(ScriptText $text): Script
    {
        return $this->scripts[$text->hash] ??= (new ScriptReader)->fromJson($text->document);
    }
}
