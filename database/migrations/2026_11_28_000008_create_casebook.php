<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('casebook_cases', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->string('key', 60);
            $table->json('kept');
            $table->json('transcript');
            $table->json('result')->nullable();
            $table->timestamps();
            $table->softDeletes();
            $table->index(['agent_id', 'key']);
            $table->index('call_id');
        });
    }
};
