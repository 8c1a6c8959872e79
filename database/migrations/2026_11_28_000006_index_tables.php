<?php

declare(strict_types=1);

use App\Actions\Knowledge\KeepSource;
use App\Models\KnowledgePassage;
use App\Models\KnowledgeSource;
use App\Models\KnowledgeTable;
use Illuminate\Database\Migrations\Migration;

return new class extends Migration {
    /** Rows of tables are found like passages: what was kept before is read again. */
    public function up(): void
    {
        foreach (KnowledgeTable::query()->distinct()->pluck('knowledge_source_id') as $id) {
            $source = KnowledgeSource::query()->with('business')->whereKey($id)->first();
            if ($source !== null && KnowledgePassage::query()->where('knowledge_source_id', $id)->where('kind', 'table')->doesntExist()) {
                app(KeepSource::class)->restore($source);
            }
        }
    }
};
