<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A prompt somebody spoke, for exactly one text. It is played wherever an agent says that text.
 *
 * @property int $id
 * @property int $agent_id
 * @property string $text_hash
 * @property string $text
 * @property string $path
 * @property string $mime
 * @property ?float $seconds
 * @property ?float $loudness dB under full scale, mean
 * @property ?float $peak dB under full scale
 * @property int $bytes
 */
final class Recording extends Model
{
    protected $table = 'recordings';

    protected $fillable = ['agent_id', 'text_hash', 'text', 'path', 'mime', 'seconds', 'loudness', 'peak', 'bytes', 'user_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['seconds' => 'float', 'loudness' => 'float', 'peak' => 'float'];
    }

    public static function hashOf(string $text): string
    {
        return hash('sha256', trim((string) preg_replace('/\s+/u', ' ', $text)));
    }
}
