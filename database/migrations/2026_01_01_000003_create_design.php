<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Every version a draft ever had, so that a change can be undone and two people's changes be told apart.
        Schema::create('draft_versions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('version');
            $table->foreignId('script_text_id')->constrained('script_texts');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('words');
            $table->timestamp('created_at')->nullable();
            $table->unique(['agent_id', 'version']);
        });
        Schema::table('releases', static function (Blueprint $table): void {
            $table->unsignedInteger('again_of')->nullable();
            $table->json('changes')->nullable();
            $table->json('accepted')->nullable();
        });
        Schema::table('agents', static function (Blueprint $table): void {
            $table->softDeletes();
        });
        Schema::create('recordings', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->string('text_hash', 64);
            $table->text('text');
            $table->string('path');
            $table->string('mime', 40);
            $table->float('seconds')->nullable();
            $table->float('loudness')->nullable();
            $table->float('peak')->nullable();
            $table->unsignedInteger('bytes');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->timestamps();
            $table->unique(['agent_id', 'text_hash']);
        });
        // Who did what that others must be able to see later.
        Schema::create('audit_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->string('did');
            $table->text('words');
            $table->timestamp('created_at')->nullable();
            $table->index(['business_id', 'created_at']);
        });
    }

    public function down(): void
    {
        foreach (['audit_entries', 'recordings', 'draft_versions'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
