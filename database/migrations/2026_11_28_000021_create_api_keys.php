<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('personal_access_tokens', static function (Blueprint $table): void {
            $table->id();
            $table->morphs('tokenable');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->text('name');
            $table->string('token', 64)->unique();
            $table->text('abilities')->nullable();
            $table->timestamp('last_used_at')->nullable();
            $table->timestamp('expires_at')->nullable()->index();
            $table->timestamps();
            $table->index('user_id');
        });
        // What was answered to a write that names itself, so that the same once more is not done twice.
        Schema::create('api_writes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('token_id')->constrained('personal_access_tokens')->cascadeOnDelete();
            $table->string('key', 128);
            $table->string('request', 64);
            $table->unsignedSmallInteger('status')->default(0);
            $table->json('headers');
            $table->text('body')->default('');
            $table->timestamps();
            $table->unique(['token_id', 'key']);
            $table->index('created_at');
        });
    }
};
