<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\BookableService;
use App\Models\Business;
use App\Models\Diary;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Ringo\Diary\Diaries;
use Ringo\Document\InvalidDocument;

/** Takes a diaries file over (docs/formats/diaries.md): services and diaries of the same key are written anew, others stay. */
final class BringDiaries
{
    private const FEED_LENGTH = 40;

    /**
     * @param array<array-key, mixed> $file
     *
     * @return array{services: int, diaries: int}
     *
     * @throws InvalidDocument naming every place that is wrong; then nothing is changed
     */
    public function bring(Business $business, array $file): array
    {
        $read = Diaries::fromArray($file);

        return DB::transaction(static function () use ($business, $file, $read): array {
            $business->update(['diary' => array_intersect_key($file, array_flip(['hours', 'closures', 'travel', 'share'])) + ($business->diary ?? [])]);
            foreach (array_column(is_array($file['services'] ?? null) ? $file['services'] : [], null, 'key') as $key => $one) {
                BookableService::query()->updateOrCreate(['business_id' => $business->id, 'key' => $key], ['document' => array_diff_key($one, ['key' => 1])]);
            }
            foreach (array_column(is_array($file['diaries'] ?? null) ? $file['diaries'] : [], null, 'key') as $key => $one) {
                $diary = Diary::withTrashed()->firstOrNew(['business_id' => $business->id, 'key' => $key], ['feed' => Str::random(self::FEED_LENGTH)]);
                $diary->fill(['name' => $read->diaries[$key]->name, 'document' => array_diff_key($one, ['key' => 1, 'name' => 1, 'busy' => 1])]);
                $diary->save();
                $diary->restore();
                $busy = array_map(static fn ($time): array => ['diary_id' => $diary->id, 'starts_at' => $time->from, 'ends_at' => $time->to, 'what' => 'busy', 'uid' => ''], $read->diaries[$key]->busy);
                if ($busy !== []) {
                    $diary->busy()->delete();
                    $diary->busy()->insert($busy);
                }
            }

            return ['services' => count($read->services), 'diaries' => count($read->diaries)];
        });
    }
}
