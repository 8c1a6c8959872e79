<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('lines', static function (Blueprint $table): void {
            $table->string('token', 32)->nullable()->unique();
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->string('origin', 120)->nullable();
        });
    }
};
