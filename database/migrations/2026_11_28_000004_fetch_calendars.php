<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('diaries', static function (Blueprint $table): void {
            $table->string('calendar_url', 500)->nullable();
            // When it last came in, and when it was last tried.
            $table->dateTime('calendar_at')->nullable();
            $table->dateTime('calendar_tried_at')->nullable();
            $table->string('calendar_problem', 250)->default('');
        });
    }
};
