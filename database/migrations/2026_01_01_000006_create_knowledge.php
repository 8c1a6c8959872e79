<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('knowledge_sources', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('kind', 12);
            $table->string('url', 500)->nullable();
            $table->longText('text');
            $table->unsignedInteger('version')->default(1);
            $table->unsignedInteger('words')->default(0);
            $table->unsignedInteger('pieces')->default(0);
            $table->unsignedInteger('answered')->default(0);
            $table->json('last_change')->nullable();
            $table->dateTime('fetched_at')->nullable();
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['business_id', 'name']);
        });
        Schema::create('knowledge_passages', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('knowledge_source_id')->constrained()->cascadeOnDelete();
            $table->string('heading')->default('');
            $table->json('path');
            $table->json('sentences');
            $table->string('kind', 8);
            $table->string('leads_to', 80)->nullable();
            $table->unsignedInteger('length');
            $table->unsignedInteger('answered')->default(0);
            $table->index(['business_id', 'id']);
        });
        Schema::create('knowledge_tables', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('knowledge_source_id')->constrained()->cascadeOnDelete();
            $table->string('heading')->default('');
            $table->json('columns');
            $table->json('rows');
        });
        Schema::create('knowledge_postings', static function (Blueprint $table): void {
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('term', 80);
            $table->foreignId('passage_id')->constrained('knowledge_passages')->cascadeOnDelete();
            $table->float('tf');
            $table->unsignedInteger('length');
            $table->primary(['business_id', 'term', 'passage_id']);
        });
        Schema::create('knowledge_checks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('question', 300);
            $table->string('holds', 300)->default('');
            $table->boolean('refused')->default(false);
            $table->boolean('passed')->nullable();
            $table->boolean('passed_before')->nullable();
            $table->text('answer')->nullable();
            $table->timestamps();
            $table->unique(['business_id', 'question']);
        });
        Schema::create('knowledge_questions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->string('question', 300);
            $table->string('why', 20);
            $table->string('state', 12)->default('open');
            $table->timestamps();
            $table->index(['business_id', 'state', 'id']);
        });
        Schema::table('businesses', static function (Blueprint $table): void {
            $table->unsignedInteger('knowledge_version')->default(0);
            $table->json('knowledge_hosts')->nullable();
            $table->json('own_words')->nullable();
        });
        Schema::table('call_turns', static function (Blueprint $table): void {
            $table->json('sources')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('call_turns', static fn (Blueprint $table) => $table->dropColumn('sources'));
        Schema::table('businesses', static fn (Blueprint $table) => $table->dropColumn(['knowledge_version', 'knowledge_hosts', 'own_words']));
        foreach (['knowledge_questions', 'knowledge_checks', 'knowledge_postings', 'knowledge_tables', 'knowledge_passages', 'knowledge_sources'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
