<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('enclosures', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->string('name', 120);
            $table->string('mime', 120);
            $table->unsignedInteger('bytes');
            $table->string('sha256', 64);
            $table->string('path');
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->timestamps();
            $table->softDeletes();
            $table->unique(['business_id', 'name']);
        });
        Schema::table('delivery_rules', static function (Blueprint $table): void {
            $table->string('file', 120)->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('delivery_rules', static fn (Blueprint $table) => $table->dropColumn('file'));
        Schema::dropIfExists('enclosures');
    }
};
