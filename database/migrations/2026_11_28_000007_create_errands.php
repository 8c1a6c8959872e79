<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('errands', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('key', 60);
            $table->json('design');
            $table->text('secret')->nullable();
            $table->json('kept')->nullable();
            $table->timestamps();
            $table->softDeletes();
            $table->index(['business_id', 'key']);
        });
        Schema::create('errand_tables', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('name', 60);
            $table->json('columns');
            $table->longText('rows');
            $table->timestamps();
            $table->unique(['business_id', 'name']);
        });
        Schema::create('errand_runs', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->constrained()->cascadeOnDelete();
            $table->string('errand', 60);
            $table->string('ident', 40);
            $table->string('idempotency_key', 80)->unique();
            $table->json('values');
            $table->string('state', 12);
            $table->string('how', 12)->default('');
            $table->json('reply')->nullable();
            $table->unsignedInteger('milliseconds')->default(0);
            $table->float('at')->default(0);
            $table->timestamp('sent_at')->nullable();
            $table->timestamps();
            $table->unique(['call_id', 'ident']);
            $table->index(['business_id', 'errand']);
        });
        Schema::create('stand_ins', static function (Blueprint $table): void {
            $table->id();
            $table->string('system', 40)->unique();
            $table->string('mode', 20)->default('works');
            $table->unsignedInteger('slow_ms')->default(3000);
            $table->json('data');
            $table->json('done');
            $table->unsignedInteger('asked')->default(0);
            $table->timestamps();
        });
        Schema::table('businesses', static function (Blueprint $table): void {
            $table->json('errand_hosts')->nullable();
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->json('errands')->nullable();
        });
    }
};
