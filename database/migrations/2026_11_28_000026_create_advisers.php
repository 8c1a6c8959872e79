<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('advisers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->unique()->constrained()->cascadeOnDelete();
            $table->boolean('on')->default(false);
            $table->string('address', 300)->default('');
            $table->string('model', 100)->default('');
            $table->text('secret')->nullable();
            $table->json('about');
            $table->decimal('price_in', 10, 4)->default(0);
            $table->decimal('price_out', 10, 4)->default(0);
            $table->timestamps();
        });
        Schema::create('advices', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('ident', 12)->default('');
            $table->string('purpose', 10);
            $table->string('doubt', 20);
            $table->string('field', 100)->default('');
            $table->json('request')->nullable();
            $table->text('answer');
            $table->string('status', 12);
            $table->string('value', 300)->default('');
            $table->string('why', 200)->default('');
            $table->unsignedInteger('milliseconds')->default(0);
            $table->unsignedInteger('tokens_in')->default(0);
            $table->unsignedInteger('tokens_out')->default(0);
            $table->unsignedBigInteger('millionths')->default(0);
            $table->float('at')->default(0);
            $table->timestamps();
            $table->index(['business_id', 'created_at']);
            $table->index('call_id');
        });
        Schema::table('errand_runs', static function (Blueprint $table): void {
            $table->boolean('aside')->default(false);
        });
    }
};
