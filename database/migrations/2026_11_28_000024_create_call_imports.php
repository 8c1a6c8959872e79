<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('call_imports', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('agent_id')->constrained()->cascadeOnDelete();
            $table->string('path');
            $table->string('status', 10);
            $table->unsignedInteger('total');
            $table->unsignedInteger('done')->default(0);
            $table->unsignedInteger('made')->default(0);
            $table->unsignedInteger('there')->default(0);
            $table->json('problems');
            $table->timestamps();
            $table->index(['business_id', 'status']);
            $table->index('agent_id');
            $table->index(['status', 'updated_at']);
        });
    }
};
