<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('record_sheets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->string('key', 60);
            $table->string('name');
            $table->json('outcomes');
            $table->json('topics');
            $table->json('schema');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['agent_id', 'key']);
        });
        Schema::create('sheet_versions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('record_sheet_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->json('schema');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->timestamps();
            $table->unique(['record_sheet_id', 'version']);
        });
        Schema::table('records', static function (Blueprint $table): void {
            $table->foreignId('record_sheet_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('sheet_version')->default(0);
            $table->json('next_actions')->nullable();
            $table->json('doubts')->nullable();
            $table->index(['agent_id', 'doubtful', 'id']);
            $table->index(['agent_id', 'outcome']);
        });
        Schema::create('record_checks', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('record_id')->constrained()->cascadeOnDelete();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('release_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('field', 80);
            $table->json('was')->nullable();
            $table->json('is')->nullable();
            $table->float('confidence')->default(0);
            $table->string('verdict', 12);
            $table->timestamps();
            $table->unique(['record_id', 'field']);
            $table->index(['agent_id', 'field']);
        });
        Schema::create('readings_again', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('record_sheet_id')->nullable()->constrained()->nullOnDelete();
            $table->json('schema');
            $table->string('status', 12);
            $table->unsignedInteger('total')->default(0);
            $table->unsignedInteger('done')->default(0);
            $table->timestamps();
        });
        Schema::create('readings_again_rows', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('reading_again_id')->constrained('readings_again')->cascadeOnDelete();
            $table->foreignId('call_id')->constrained()->cascadeOnDelete();
            $table->json('changes');
            $table->json('record');
            $table->unique(['reading_again_id', 'call_id']);
        });
        Schema::create('delivery_rules', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('kind', 8);
            $table->string('to')->default('');
            $table->string('subject')->default('');
            $table->text('words');
            $table->json('when')->nullable();
            $table->json('timing');
            $table->json('cancel_outcomes');
            $table->json('mapping');
            $table->text('secret')->nullable();
            $table->boolean('active')->default(true);
            $table->timestamps();
            $table->softDeletes();
        });
        Schema::create('deliveries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('delivery_rule_id')->nullable()->constrained()->nullOnDelete();
            $table->string('key', 80)->unique();
            $table->string('name');
            $table->string('kind', 8);
            $table->string('to');
            $table->string('subject')->default('');
            $table->text('body');
            $table->string('file')->nullable();
            $table->string('state', 12);
            $table->unsignedInteger('attempts')->default(0);
            $table->dateTime('due_at');
            $table->dateTime('claimed_at')->nullable();
            $table->dateTime('sent_at')->nullable();
            $table->string('problem')->default('');
            $table->json('log');
            $table->timestamps();
            $table->index(['state', 'due_at']);
            $table->index(['business_id', 'state', 'id']);
        });
        Schema::create('file_rows', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('delivery_rule_id')->constrained()->cascadeOnDelete();
            $table->string('key', 80)->unique();
            $table->json('cells');
            $table->timestamps();
        });
        Schema::create('gateways', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 8);
            $table->string('mode', 12)->default('works');
            $table->timestamps();
            $table->unique(['business_id', 'kind']);
        });
        Schema::create('gateway_receipts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 8);
            $table->string('key', 80)->unique();
            $table->string('to');
            $table->text('body');
            $table->json('headers');
            $table->unsignedInteger('times')->default(1);
            $table->timestamps();
        });
        Schema::create('saved_filters', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->json('filter');
            $table->timestamps();
            $table->unique(['business_id', 'user_id', 'name']);
        });
        Schema::table('businesses', static function (Blueprint $table): void {
            $table->unsignedInteger('keep_days')->nullable();
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->index(['business_id', 'deleted_at', 'outcome', 'started_at']);
            $table->index(['business_id', 'from']);
        });
    }

    public function down(): void
    {
        Schema::table('businesses', static fn (Blueprint $table) => $table->dropColumn('keep_days'));
        Schema::table('records', static function (Blueprint $table): void {
            $table->dropIndex(['agent_id', 'doubtful', 'id']);
            $table->dropIndex(['agent_id', 'outcome']);
            $table->dropConstrainedForeignId('record_sheet_id');
            $table->dropColumn(['sheet_version', 'next_actions', 'doubts']);
        });
        foreach (['saved_filters', 'gateway_receipts', 'gateways', 'file_rows', 'deliveries', 'delivery_rules', 'readings_again_rows', 'readings_again', 'record_checks', 'sheet_versions', 'record_sheets'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
