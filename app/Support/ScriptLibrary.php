<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\ScriptText;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;

/** Script texts that were read in this request; a text never changes, so it is read once. */
final class ScriptLibrary
{
    /** @var array<string, Script> by hash */
    private array $scripts = [];

    /** @var array<string, ScriptDocument> by hash */
    private array $documents = [];

    /** @throws \Ringo\Document\InvalidDocument */
    public function documentOf(ScriptText $text): ScriptDocument
    {
        return $this->documents[$text->hash] ??= ScriptDocument::fromJson($text->document);
    }

    /** @throws \Ringo\Document\InvalidDocument */
    public function of(ScriptText $text): Script
    {
        return $this->scripts[$text->hash] ??= (new ScriptReader)->fromJson($text->document);
    }
}
