<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Many who ring a line within some minutes, and what the line did with them.
        Schema::create('line_rushes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('line_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->unsignedInteger('callers');
            $table->unsignedInteger('minutes');
            $table->string('seed', 40);
            $table->dateTime('placed_at');
            $table->string('staff', 12);
            $table->string('status', 12);
            $table->unsignedInteger('done')->default(0);
            $table->json('sums')->nullable();
            $table->timestamps();
            $table->index('business_id');
            $table->index('line_id');
            $table->index('user_id');
        });
    }
};
