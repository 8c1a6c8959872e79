<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A question kept with what its answer must hold.
 *
 * @property int $id
 * @property string $question
 * @property string $holds words parted by semicolons
 * @property bool $refused whether it must be refused
 * @property ?bool $passed
 * @property ?bool $passed_before
 * @property ?string $answer
 */
final class KnowledgeCheck extends Model
{
    protected $table = 'knowledge_checks';

    protected $fillable = ['business_id', 'question', 'holds', 'refused', 'passed', 'passed_before', 'answer'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['refused' => 'boolean', 'passed' => 'boolean', 'passed_before' => 'boolean'];
    }
}
