<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('figure_days', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->date('day');
            $table->unsignedInteger('changes')->default(1);
            $table->unique(['agent_id', 'day']);
            $table->index(['business_id', 'changes']);
        });
        Schema::create('figures', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->date('day');
            $table->string('what', 16);
            $table->string('key', 120);
            $table->unsignedInteger('n');
            $table->double('total');
            $table->unique(['agent_id', 'day', 'what', 'key']);
            $table->index(['business_id', 'day']);
        });
        Schema::table('businesses', static function (Blueprint $table): void {
            $table->json('rates')->nullable();
        });
    }
};
