<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('guest_passes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('release_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('guest', 80);
            $table->string('token', 32)->unique();
            $table->string('button_token', 32)->unique();
            $table->string('code_hash');
            $table->boolean('draft');
            $table->dateTime('expires_at');
            $table->timestamps();
            $table->index('business_id');
            $table->index('agent_id');
            $table->index('release_id');
            $table->index('user_id');
        });
        Schema::create('guest_remarks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('guest_pass_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->text('words');
            $table->timestamp('created_at')->nullable();
            $table->index('guest_pass_id');
            $table->index('call_id');
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->foreignId('guest_pass_id')->nullable()->constrained()->nullOnDelete();
            $table->index('guest_pass_id');
        });
    }
};
