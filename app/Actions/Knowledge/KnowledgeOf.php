<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Models\Business;
use App\Models\KnowledgeSource;
use Ringo\Knowledge\Answerer;
use Ringo\Knowledge\CallKnowledge;
use Ringo\Knowledge\Terms;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Understanding\Understanding;

/** What a business's agents answer from, as it is now: a change counts from the next question on. */
final class KnowledgeOf
{
    /** @var array<string, Answerer> */
    private array $made = [];

    public function __construct(private readonly Vocabulary $words, private readonly Lexicon $lexicon, private readonly NumberingPlan $plan)
    {
    }

    public function answerer(Business $business): Answerer
    {
        $key = "{$business->id}.{$business->knowledge_version}";
        if (! isset($this->made[$key])) {
            $terms = new Terms($this->words, $business->own_words ?? []);
            $this->made = [$key => new Answerer(new DatabaseShelf($business->id, $business->knowledge_version), $terms, $this->words, $this->lexicon, new Understanding($this->words, $this->plan))];
        }

        return $this->made[$key];
    }

    public function forCalls(Business $business): ?CallKnowledge
    {
        if ($business->knowledge_version === 0) {
            return null;
        }
        $versions = null;

        return new CallKnowledge(fn (): Answerer => $this->answerer($business), $this->words, static function (string $file) use (&$versions, $business): string {
            $versions ??= KnowledgeSource::query()->where('business_id', $business->id)->pluck('version', 'name')->all();

            return isset($versions[$file]) ? ', version '.$versions[$file] : '';
        });
    }
}
