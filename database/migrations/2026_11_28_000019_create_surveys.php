<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('surveys', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            // The script it wrote last, so that changes made by hand since are not lost unasked.
            $table->foreignId('script_text_id')->nullable()->constrained()->nullOnDelete();
            $table->string('key', 40);
            $table->json('document');
            $table->json('names');
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['business_id', 'key']);
            $table->index('agent_id');
            $table->index('script_text_id');
        });
        // What a caller said into a microphone in answer to a question that is kept as sound too.
        Schema::create('spoken_answers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('call_id')->constrained()->cascadeOnDelete();
            $table->string('field', 80);
            $table->string('text', 2000);
            $table->string('path');
            $table->timestamps();
            $table->unique(['call_id', 'field']);
        });
    }
};
