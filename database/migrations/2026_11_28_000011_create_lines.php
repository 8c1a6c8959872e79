<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('lines', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('release_id')->nullable()->constrained()->nullOnDelete();
            $table->string('key', 40);
            $table->string('kind', 8);
            $table->string('name');
            $table->string('e164', 20)->nullable()->unique();
            $table->json('document');
            $table->string('state', 8);
            $table->dateTime('live_since')->nullable();
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['business_id', 'key']);
            $table->index('agent_id');
            $table->index('release_id');
        });
        // How a line was before each change, so that every one can be taken back.
        Schema::create('line_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('line_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('words');
            $table->json('before');
            $table->timestamp('created_at')->nullable();
            $table->index('line_id');
            $table->index('user_id');
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->foreignId('line_id')->nullable()->constrained()->nullOnDelete();
            $table->json('way')->nullable();
            $table->index(['line_id', 'status']);
            $table->index(['line_id', 'started_at']);
        });
        Schema::table('offers', static function (Blueprint $table): void {
            $table->boolean('before_agent')->default(false);
        });
        Schema::table('businesses', static function (Blueprint $table): void {
            $table->json('brief')->nullable();
            $table->timestamp('archived_at')->nullable();
        });
    }
};
