<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('campaigns', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('release_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('launched_by')->nullable()->constrained('users')->nullOnDelete();
            $table->string('key', 40);
            $table->string('name');
            $table->json('document');
            $table->unsignedInteger('lines')->default(2);
            $table->unsignedInteger('a_minute')->default(6);
            $table->json('stops');
            $table->string('state', 10);
            $table->string('why')->default('');
            $table->string('clock', 10)->default('real');
            $table->dateTime('clock_at')->nullable();
            $table->string('seed', 40)->default('1');
            $table->json('held');
            $table->json('foreseen')->nullable();
            $table->dateTime('launched_at')->nullable();
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['business_id', 'key']);
            $table->index('agent_id');
            $table->index('release_id');
            $table->index('launched_by');
            $table->index('state');
        });
        Schema::create('campaign_people', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('campaign_id')->constrained()->cascadeOnDelete();
            $table->foreignId('contact_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name')->default('');
            $table->string('phone', 40);
            $table->string('e164', 20)->nullable();
            $table->json('row');
            $table->json('facts');
            $table->string('state', 10);
            $table->string('why', 20)->default('');
            $table->unsignedInteger('attempts')->default(0);
            $table->unsignedBigInteger('next_at')->nullable();
            $table->string('outcome')->default('');
            $table->timestamps();
            $table->index(['campaign_id', 'state', 'next_at']);
            $table->index('contact_id');
            $table->index('e164');
        });
        // One time somebody was rung; the number of the attempt makes it unique, so that none is placed twice.
        Schema::create('campaign_attempts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('campaign_id')->constrained()->cascadeOnDelete();
            $table->foreignId('campaign_person_id')->constrained('campaign_people')->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('n');
            $table->string('e164', 20);
            $table->unsignedBigInteger('at');
            $table->string('wall', 16);
            $table->string('came', 20);
            $table->string('outcome')->default('');
            $table->float('seconds')->default(0);
            $table->unique(['campaign_person_id', 'n']);
            $table->index(['campaign_id', 'at']);
            $table->index('e164');
            $table->index('call_id');
        });
        Schema::create('suppressed_numbers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('e164', 20);
            $table->string('why');
            $table->timestamps();
            $table->unique(['business_id', 'e164']);
        });
    }
};
