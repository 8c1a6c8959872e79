<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Each way the list of calls is sorted, and the slowest of them, reads an index, whatever is stored. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('calls', static function (Blueprint $table): void {
            $table->index(['business_id', 'deleted_at', 'caller_name']);
            $table->index(['business_id', 'deleted_at', 'outcome']);
            $table->index(['business_id', 'deleted_at', 'seconds']);
            // Read from the index alone: in a row these stand behind the whole state of a call.
            $table->index(['business_id', 'deleted_at', 'started_at', 'slowest_microseconds', 'kind', 'agent_id'], 'calls_slowest_index');
        });
    }

    public function down(): void
    {
        Schema::table('calls', static function (Blueprint $table): void {
            $table->dropIndex('calls_slowest_index');
            $table->dropIndex(['business_id', 'deleted_at', 'seconds']);
            $table->dropIndex(['business_id', 'deleted_at', 'outcome']);
            $table->dropIndex(['business_id', 'deleted_at', 'caller_name']);
        });
    }
};
