<?php

declare(strict_types=1);

namespace App\Actions\Figures;

use App\Models\Agent;
use App\Models\Business;
use App\Models\KnowledgePassage;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Ringo\Figures\Coverage;
use Ringo\Figures\Tally;

/** What of an agent's draft no call of a span has come to, and which knowledge has answered nobody yet. */
final readonly class NobodyCame
{
    /**
     * @param int $most passages that are named
     *
     * @return array{unused: list<array{kind: string, key: string, step: string, why: string, behind: int}>, givenUpAt: list<array{step: string, n: int, of: int}>, unasked: Collection<int, KnowledgePassage>, unaskedCount: int}
     */
    public function to(Business $business, ?Agent $agent, Tally $tally, int $most): array
    {
        /** @var Collection<int, KnowledgePassage> $unasked */
        $unasked = $this->passages($business)->with('source:id,name')->orderBy('id')->limit($most)->get();
        $coverage = $agent === null ? null : new Coverage($agent->draft->scriptText->script(), $tally);

        return ['unused' => $coverage?->unused() ?? [], 'givenUpAt' => $coverage?->givenUpAt() ?? [], 'unasked' => $unasked, 'unaskedCount' => $this->passages($business)->count()];
    }

    /** @return Builder<KnowledgePassage> */
    private function passages(Business $business): Builder
    {
        return KnowledgePassage::query()->where('business_id', $business->id)->where('shown', true)->where('answered', 0);
    }
}
