<?php

declare(strict_types=1);

use App\Support\Search\FullText;
use App\Support\Search\RecordSearch;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Whatever is stored, calls are filtered by what one index holds, and records by a full-text index of their values. What the list asks of
 * a call's state, its topic and who took it, stands in columns: in a row the state is long, and reading on behind it is what took time.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('calls', static function (Blueprint $table): void {
            $table->string('topic')->nullable();
            $table->string('taken_by')->nullable();
        });
        DB::table('calls')->update(FullText::there()
            ? ['topic' => DB::raw("json_extract(state, '$.topic')"), 'taken_by' => DB::raw("json_extract(state, '$.connected.person')")]
            : ['topic' => DB::raw("state->>'topic'"), 'taken_by' => DB::raw("state->'connected'->>'person'")]);
        Schema::table('calls', static function (Blueprint $table): void {
            $table->index(['business_id', 'deleted_at', 'started_at', 'kind', 'status', 'agent_id', 'release_id', 'line_id', 'outcome', 'seconds', 'from', 'caller_name', 'topic', 'taken_by'], 'calls_listed_index');
        });
        Schema::table('records', static function (Blueprint $table): void {
            $table->index(['business_id', 'doubtful', 'call_id']);
            $table->dropIndex(['agent_id', 'doubtful', 'id']);
            $table->index(['agent_id', 'doubtful', 'id', 'call_id']);
        });
        if (! FullText::there()) {
            return;
        }
        DB::statement("CREATE VIRTUAL TABLE record_search USING fts5(words, detail = none, tokenize = \"unicode61 remove_diacritics 2 tokenchars '=_'\")");
        DB::table('records')->select('id', 'call_id', 'cells')->orderBy('id')->chunkById(500, static function ($records): void {
            $rows = [];
            foreach ($records as $record) {
                $cells = json_decode((string) $record->cells, true);
                $rows[] = ['rowid' => $record->call_id, 'words' => RecordSearch::tokens(is_array($cells) ? $cells : [])];
            }
            DB::table('record_search')->insert($rows);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('record_search');
        Schema::table('records', static function (Blueprint $table): void {
            $table->dropIndex(['agent_id', 'doubtful', 'id', 'call_id']);
            $table->index(['agent_id', 'doubtful', 'id']);
            $table->dropIndex(['business_id', 'doubtful', 'call_id']);
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->dropIndex('calls_listed_index');
            $table->dropColumn(['topic', 'taken_by']);
        });
    }
};
