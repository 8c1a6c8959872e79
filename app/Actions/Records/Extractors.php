<?php

declare(strict_types=1);

namespace App\Actions\Records;

use Ringo\Extraction\Extractor;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Sheet\RecordSheet;
use Ringo\Understanding\Understanding;

/** Extractors by sheet, made once. */
final class Extractors
{
    /** @var array<string, Extractor> */
    private array $made = [];

    public function __construct(private readonly Vocabulary $words, private readonly Lexicon $lexicon, private readonly NumberingPlan $plan)
    {
    }

    public function of(RecordSheet $sheet): Extractor
    {
        return $this->made[hash('sha256', json_encode($sheet->toArray(), JSON_THROW_ON_ERROR))] ??= new Extractor($sheet, new Understanding($this->words, $this->plan), $this->lexicon, $this->plan);
    }

    /** @param array<array-key, mixed> $schema */
    public function ofSchema(array $schema): Extractor
    {
        return $this->of(RecordSheet::fromArray($schema));
    }
}
