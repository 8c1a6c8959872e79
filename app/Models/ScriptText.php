<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\ScriptLibrary;
use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Script\Script;

/**
 * A script as it was at one moment. It is never changed, so that calls open on the script they ran on.
 *
 * @property int $id
 * @property int $agent_id
 * @property string $hash
 * @property string $document JSON
 */
final class ScriptText extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'script_texts';

    protected $fillable = ['agent_id', 'hash', 'document'];

    public static function of(Agent $agent, string $document): self
    {
        return self::query()->firstOrCreate(['agent_id' => $agent->id, 'hash' => hash('sha256', $document)], ['document' => $document]);
    }

    /** @throws InvalidDocument */
    public function document(): ScriptDocument
    {
        return app(ScriptLibrary::class)->documentOf($this);
    }

    /** @throws InvalidDocument */
    public function script(): Script
    {
        return app(ScriptLibrary::class)->of($this);
    }
}
