<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('calls', static function (Blueprint $table): void {
            // What a call that was brought in is known by, so that the same file again brings it once.
            $table->string('brought', 64)->nullable();
            $table->unique(['agent_id', 'brought']);
        });
    }
};
