<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Each way the list of calls is sorted reads an index, whatever is stored. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('calls', static function (Blueprint $table): void {
            $table->index(['business_id', 'deleted_at', 'caller_name']);
            $table->index(['business_id', 'deleted_at', 'outcome']);
            $table->index(['business_id', 'deleted_at', 'seconds']);
        });
    }

    public function down(): void
    {
        Schema::table('calls', static function (Blueprint $table): void {
            $table->dropIndex(['business_id', 'deleted_at', 'seconds']);
            $table->dropIndex(['business_id', 'deleted_at', 'outcome']);
            $table->dropIndex(['business_id', 'deleted_at', 'caller_name']);
        });
    }
};
