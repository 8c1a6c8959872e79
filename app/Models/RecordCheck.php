<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a person said of one value of a record: the truth that precision and recall are computed from.
 *
 * @property int $id
 * @property int $record_id
 * @property int $agent_id
 * @property ?int $release_id
 * @property string $field
 * @property mixed $was
 * @property mixed $is
 * @property float $confidence as it was stated
 * @property string $verdict accepted, corrected, emptied or added
 */
final class RecordCheck extends Model
{
    protected $table = 'record_checks';

    protected $fillable = ['record_id', 'business_id', 'agent_id', 'release_id', 'user_id', 'field', 'was', 'is', 'confidence', 'verdict'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['was' => 'json', 'is' => 'json', 'confidence' => 'float'];
    }
}
