<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Hours, closures, roads and sharing, as docs/formats/diaries.md has them.
        Schema::table('businesses', static fn (Blueprint $table) => $table->json('diary')->nullable());
        Schema::create('bookable_services', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key', 60);
            $table->json('document');
            $table->timestamps();
            $table->unique(['business_id', 'key']);
        });
        Schema::create('diaries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key', 60);
            $table->string('name', 120);
            $table->json('document');
            $table->string('feed', 60)->unique();
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['business_id', 'key']);
        });
        Schema::create('diary_busy', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('diary_id')->constrained()->cascadeOnDelete();
            $table->unsignedBigInteger('starts_at');
            $table->unsignedBigInteger('ends_at');
            $table->string('what', 200)->default('');
            $table->string('uid', 250)->default('');
            $table->index(['diary_id', 'starts_at']);
        });
        Schema::create('bookings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('diary_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('contact_id')->nullable()->constrained()->nullOnDelete();
            $table->string('reference', 12);
            $table->string('service', 60);
            $table->string('label', 200);
            $table->unsignedBigInteger('starts_at');
            $table->unsignedBigInteger('ends_at');
            $table->unsignedSmallInteger('place')->default(0);
            $table->string('area', 120)->nullable();
            $table->string('name', 120)->nullable();
            $table->string('number', 40)->nullable();
            $table->text('note')->nullable();
            $table->string('state', 12);
            $table->string('by', 12)->default('agent');
            $table->boolean('rehearsal')->default(false);
            $table->dateTime('held_until')->nullable();
            $table->unsignedSmallInteger('sequence')->default(0);
            $table->timestamps();
            $table->unique(['business_id', 'reference']);
            $table->index(['diary_id', 'starts_at']);
            $table->index(['business_id', 'number']);
            $table->index('call_id');
            $table->index('contact_id');
        });
        // No place of a start is given twice, whoever asks: not by politeness, by the database.
        DB::statement("create unique index bookings_one_place on bookings (diary_id, starts_at, place, rehearsal) where state <> 'cancelled'");
    }
};
