<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Trades a business wrote itself, beside those that ship.
        Schema::create('own_trades', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key', 40);
            $table->string('label', 400);
            $table->text('document');
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['business_id', 'key']);
        });
        // What the specialist said of something callers say: what the agent should do with it.
        Schema::create('saying_marks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->string('said', 400);
            $table->string('said_hash', 64);
            $table->string('does', 20);
            $table->string('target', 200);
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->timestamps();
            $table->unique(['agent_id', 'said_hash']);
        });
        // Sayings that mean a team, learned from the business's own calls.
        Schema::create('team_examples', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('team_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->string('said', 400);
            $table->string('origin', 20);
            $table->string('state', 20);
            $table->unsignedInteger('times')->default(1);
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->timestamps();
            $table->unique(['business_id', 'said']);
            $table->index(['team_id', 'state']);
            $table->index('call_id');
            $table->index('user_id');
        });
        Schema::table('agents', static function (Blueprint $table): void {
            // Trades this agent's callers are like, and what it does with what they say, as last looked at.
            $table->json('trades')->nullable();
            $table->json('foreseen')->nullable();
        });
        Schema::table('releases', static fn (Blueprint $table) => $table->json('foreseen')->nullable());
        // What a wrong transfer and a question cost this business: quick, even or careful.
        Schema::table('businesses', static fn (Blueprint $table) => $table->string('caution', 20)->default('even'));
    }
};
