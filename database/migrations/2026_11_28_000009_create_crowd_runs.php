<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('crowd_runs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('script_text_id')->constrained();
            $table->foreignId('against_text_id')->nullable()->constrained('script_texts');
            $table->string('rings', 60);
            $table->string('against', 60)->nullable();
            $table->unsignedInteger('callers');
            $table->string('seed', 20);
            $table->float('noise')->default(0);
            $table->timestamp('placed_at');
            $table->string('status', 12);
            $table->unsignedInteger('done')->default(0);
            $table->json('report')->nullable();
            $table->json('against_report')->nullable();
            $table->timestamps();
            $table->index('agent_id');
            $table->index('user_id');
            $table->index('script_text_id');
            $table->index('against_text_id');
        });
    }
};
