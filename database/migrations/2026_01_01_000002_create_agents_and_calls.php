<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('agents', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key');
            $table->string('name');
            $table->string('direction', 16);
            $table->timestamps();
            $table->unique(['business_id', 'key']);
        });
        // A script as it was at one moment: what a draft, a release or a call refers to. Never changed.
        Schema::create('script_texts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->string('hash', 64);
            $table->longText('document');
            $table->timestamp('created_at')->nullable();
            $table->unique(['agent_id', 'hash']);
        });
        Schema::create('drafts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->unique()->constrained()->cascadeOnDelete();
            $table->foreignId('script_text_id')->constrained('script_texts');
            $table->unsignedInteger('version')->default(1);
            $table->foreignId('edited_by')->nullable()->constrained('users')->nullOnDelete();
            $table->timestamps();
        });
        Schema::create('releases', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('script_text_id')->constrained('script_texts');
            $table->unsignedInteger('number');
            $table->string('note')->default('');
            $table->foreignId('released_by')->nullable()->constrained('users')->nullOnDelete();
            $table->timestamps();
            $table->unique(['agent_id', 'number']);
        });
        Schema::create('contacts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('organisation')->default('');
            $table->string('email')->default('');
            $table->json('facts');
            $table->timestamps();
            $table->index(['business_id', 'name']);
        });
        Schema::create('contact_numbers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('contact_id')->constrained()->cascadeOnDelete();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('e164', 20);
            $table->string('label')->default('');
            $table->index(['business_id', 'e164']);
        });
        Schema::create('calls', static function (Blueprint $table): void {
            $table->id();
            $table->string('ref', 26)->unique();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->foreignId('script_text_id')->constrained('script_texts');
            $table->foreignId('release_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('contact_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('rung_by')->nullable()->constrained('users')->nullOnDelete();
            $table->string('kind', 16);
            $table->string('direction', 16);
            $table->string('from', 20)->nullable();
            $table->string('to', 20)->nullable();
            $table->string('caller_name')->default('');
            $table->string('status', 16);
            $table->string('outcome')->default('');
            $table->float('seconds')->default(0);
            $table->dateTime('started_at');
            $table->string('tz');
            $table->unsignedInteger('step')->default(0);
            $table->json('state');
            $table->dateTime('last_event_at');
            $table->timestamps();
            $table->softDeletes();
            $table->index(['business_id', 'deleted_at', 'started_at']);
            $table->index(['business_id', 'status', 'last_event_at']);
        });
        Schema::create('call_turns', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('call_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('n');
            $table->string('by', 8);
            $table->text('text');
            $table->float('at');
            $table->float('seconds');
            $table->boolean('keys')->default(false);
            $table->json('steps');
            $table->boolean('cut')->default(false);
            $table->unique(['call_id', 'n']);
        });
        Schema::create('call_steps', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('call_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('n');
            $table->json('event');
            $table->json('trace');
            $table->unsignedInteger('microseconds')->default(0);
            $table->unique(['call_id', 'n']);
        });
        Schema::create('records', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('call_id')->unique()->constrained()->cascadeOnDelete();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->json('cells');
            $table->json('declined');
            $table->json('missing');
            $table->string('outcome');
            $table->text('summary');
            $table->boolean('doubtful')->default(false);
            $table->timestamps();
            $table->index(['business_id', 'doubtful']);
        });
        if (DB::getDriverName() === 'sqlite') {
            DB::statement("CREATE VIRTUAL TABLE call_search USING fts5(words, call_id UNINDEXED, tokenize = 'unicode61 remove_diacritics 2')");
        } else {
            Schema::create('call_search', static function (Blueprint $table): void {
                $table->foreignId('call_id')->constrained()->cascadeOnDelete();
                $table->text('words');
            });
        }
    }

    public function down(): void
    {
        foreach (['call_search', 'records', 'call_steps', 'call_turns', 'calls', 'contact_numbers', 'contacts', 'releases', 'drafts', 'script_texts', 'agents'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
