<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('contacts', static function (Blueprint $table): void {
            $table->string('kind', 16)->default('person');
            $table->json('tags')->nullable();
            $table->json('fact_days')->nullable();
            $table->text('notes')->nullable();
            $table->string('language', 8)->default('en');
            $table->date('consent_on')->nullable();
            $table->boolean('do_not_call')->default(false);
            $table->boolean('blocked')->default(false);
            $table->string('pin_hash')->nullable();
            $table->unsignedSmallInteger('verify_failures')->default(0);
            $table->dateTime('locked_until')->nullable();
            $table->foreignId('import_id')->nullable();
            $table->dateTime('erased_at')->nullable();
            $table->softDeletes();
            $table->index(['business_id', 'email']);
            $table->index(['business_id', 'import_id']);
        });
        Schema::create('contact_columns', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key', 60);
            $table->string('title');
            $table->string('type', 20)->default('text');
            $table->unique(['business_id', 'key']);
        });
        Schema::create('contact_changes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('contact_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('field', 60);
            $table->text('from')->nullable();
            $table->text('to')->nullable();
            $table->string('state', 12);
            $table->timestamps();
            $table->index(['contact_id', 'state']);
        });
        Schema::create('contact_imports', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('name');
            $table->string('path');
            $table->string('status', 16);
            $table->json('shape');
            $table->json('mapping')->nullable();
            $table->unsignedInteger('total')->default(0);
            $table->unsignedInteger('done')->default(0);
            $table->json('counts')->nullable();
            $table->json('report')->nullable();
            $table->timestamps();
        });
        Schema::create('people', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key', 60);
            $table->string('name');
            $table->string('number', 20)->nullable();
            $table->string('site')->default('');
            $table->string('presence', 12)->default('available');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->dateTime('last_call_at')->nullable();
            $table->dateTime('desk_seen_at')->nullable();
            $table->timestamps();
            $table->unique(['business_id', 'key']);
        });
        Schema::create('teams', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key', 60);
            $table->string('name');
            $table->text('description');
            $table->json('examples');
            $table->string('ring', 8)->default('all');
            $table->unsignedSmallInteger('seconds')->default(20);
            $table->unsignedSmallInteger('waiting_most')->default(3);
            $table->json('hours');
            $table->timestamps();
            $table->unique(['business_id', 'key']);
        });
        Schema::create('person_team', static function (Blueprint $table): void {
            $table->foreignId('team_id')->constrained()->cascadeOnDelete();
            $table->foreignId('person_id')->constrained('people')->cascadeOnDelete();
            $table->unsignedSmallInteger('position')->default(0);
            $table->primary(['team_id', 'person_id']);
        });
        Schema::create('jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
        // A telephone that rings for a call, and what became of it.
        Schema::create('offers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('call_id')->constrained()->cascadeOnDelete();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('target');
            $table->string('who');
            $table->string('status', 12);
            $table->string('reason')->default('');
            $table->json('announcement');
            $table->dateTime('rung_at');
            $table->dateTime('ends_at');
            $table->timestamps();
            $table->index(['business_id', 'status']);
            $table->index(['call_id', 'status']);
        });
        // A call-back that a caller was promised.
        Schema::create('call_backs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('call_id')->constrained()->cascadeOnDelete();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('target');
            $table->string('number', 20);
            $table->string('name')->nullable();
            $table->string('why')->default('');
            $table->dateTime('due_at');
            $table->dateTime('done_at')->nullable();
            $table->foreignId('person_id')->nullable()->constrained('people')->nullOnDelete();
            $table->string('result')->default('');
            $table->timestamps();
            $table->index(['business_id', 'done_at', 'due_at']);
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->json('marks')->nullable();
            $table->text('staff_note')->nullable();
            $table->json('colleague')->nullable();
        });
    }

    public function down(): void
    {
        foreach (['call_backs', 'offers', 'jobs', 'failed_jobs', 'person_team', 'teams', 'people', 'contact_imports', 'contact_changes', 'contact_columns'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
