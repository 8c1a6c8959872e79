<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Models\Business;
use App\Models\KnowledgePassage;
use App\Models\KnowledgeSource;
use Illuminate\Support\Facades\DB;

/** Leaves one passage of a source out of what is answered from, and puts it back; the source itself is not written on. */
final readonly class LeaveOut
{
    /** What is kept of a passage to tell it by. */
    private const TOLD = 400;

    public function __construct(private KeepSource $keep, private CheckAnswers $checks)
    {
    }

    /** @return string the mark by which it is put back */
    public function out(KnowledgeSource $source, KnowledgePassage $passage): string
    {
        $mark = $passage->mark();
        DB::transaction(static function () use ($source, $passage, $mark): void {
            /** @var KnowledgeSource $source */
            $source = KnowledgeSource::query()->whereKey($source->id)->lockForUpdate()->sole();
            $like = $source->passages()->where('heading', $passage->heading)->get()->filter(static fn (KnowledgePassage $one): bool => $one->mark() === $mark);
            $others = array_filter($source->left_out ?? [], static fn (array $one): bool => $one['mark'] !== $mark);
            $source->update(['left_out' => [...array_values($others), ['mark' => $mark, 'heading' => $passage->heading, 'text' => mb_substr(implode(' ', $passage->sentences), 0, self::TOLD)]], 'pieces' => max(0, $source->pieces - $like->count())]);
            KnowledgePassage::query()->whereIn('id', $like->pluck('id')->all())->delete();
            Business::query()->whereKey($source->business_id)->increment('knowledge_version');
        });
        $this->checks->run($source->business->refresh());

        return $mark;
    }

    /** @return bool whether it had been left out */
    public function back(KnowledgeSource $source, string $mark): bool
    {
        $left = array_values(array_filter($source->left_out ?? [], static fn (array $one): bool => $one['mark'] !== $mark));
        if (count($left) === count($source->left_out ?? [])) {
            return false;
        }
        $source->update(['left_out' => $left]);
        $this->keep->restore($source);

        return true;
    }
}
