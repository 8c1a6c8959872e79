<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Links that let somebody in, or set a new password; only their hash is kept.
        Schema::create('invitations', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('invited_by')->nullable()->constrained('users')->nullOnDelete();
            $table->string('email');
            $table->string('role', 16);
            $table->string('token_hash', 64)->unique();
            $table->dateTime('expires_at');
            $table->dateTime('accepted_at')->nullable();
            $table->timestamps();
            $table->index('business_id');
            $table->index('invited_by');
        });
        Schema::create('password_links', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('token_hash', 64)->unique();
            $table->dateTime('expires_at');
            $table->dateTime('used_at')->nullable();
            $table->timestamps();
            $table->index('user_id');
        });
        Schema::table('users', static function (Blueprint $table): void {
            $table->text('second_secret')->nullable();
            $table->dateTime('second_since')->nullable();
            $table->unsignedBigInteger('second_last')->nullable();
            $table->json('recovery_codes')->nullable();
        });
    }
};
