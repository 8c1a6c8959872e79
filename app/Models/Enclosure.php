<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Facades\Storage;

/**
 * A file of a business that goes with e-mails: a price list, terms, a map.
 *
 * @property int $id
 * @property int $business_id
 * @property string $name by which send steps and rules speak of it
 * @property string $mime
 * @property int $bytes
 * @property string $sha256 of its content
 * @property string $path
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class Enclosure extends Model
{
    use SoftDeletes;

    protected $table = 'enclosures';

    protected $fillable = ['business_id', 'name', 'mime', 'bytes', 'sha256', 'path', 'user_id'];

    /** Its content where it is made for the occasion and kept nowhere. */
    private ?string $made = null;

    public static function made(string $name, string $mime, string $content): self
    {
        $one = new self(['name' => $name, 'mime' => $mime, 'bytes' => strlen($content), 'sha256' => hash('sha256', $content)]);
        $one->made = $content;

        return $one;
    }

    public function content(): ?string
    {
        return $this->made ?? Storage::disk('local')->get($this->path);
    }

    /** Its size as one says it. */
    public function size(): string
    {
        return $this->bytes < 1024 ? $this->bytes.' bytes' : ($this->bytes < 1_048_576 ? round($this->bytes / 1024).' kB' : number_format($this->bytes / 1_048_576, 1).' MB');
    }
}
