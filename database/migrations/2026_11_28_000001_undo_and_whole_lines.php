<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        foreach (['teams', 'people'] as $table) {
            Schema::table($table, static fn (Blueprint $blueprint) => $blueprint->softDeletes());
        }
        // The identifier a contact's card came with.
        Schema::table('contacts', static fn (Blueprint $blueprint) => $blueprint->string('uid', 200)->nullable());
        // Which change an undo took back, so that the one before it can be taken back next.
        Schema::table('draft_versions', static fn (Blueprint $blueprint) => $blueprint->unsignedInteger('undoes')->nullable());
        // What the script says where the caller broke in: `text` is what was heard of it.
        Schema::table('call_turns', static fn (Blueprint $blueprint) => $blueprint->text('whole')->nullable());
    }
};
