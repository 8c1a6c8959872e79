<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('campaigns', static function (Blueprint $table): void {
            $table->json('intake')->nullable();
            $table->string('intake_token', 24)->nullable()->unique();
        });
        Schema::create('form_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('campaign_id')->constrained()->cascadeOnDelete();
            $table->foreignId('campaign_person_id')->nullable()->constrained('campaign_people')->nullOnDelete();
            $table->json('fields');
            $table->string('held', 20)->nullable();
            $table->string('origin')->default('');
            $table->timestamps();
            $table->index(['campaign_id', 'id']);
            $table->index('campaign_person_id');
        });
    }
};
