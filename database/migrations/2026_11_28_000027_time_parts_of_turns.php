<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('call_steps', static function (Blueprint $table): void {
            // Of the microseconds, those spent on what the business has written.
            $table->unsignedInteger('knowledge_microseconds')->default(0);
        });
        Schema::table('call_turns', static function (Blueprint $table): void {
            // What rendering the words as sound took, the first time.
            $table->unsignedInteger('voice_milliseconds')->nullable();
        });
        Schema::table('calls', static function (Blueprint $table): void {
            $table->unsignedInteger('slowest_microseconds')->default(0);
            $table->index(['business_id', 'slowest_microseconds']);
        });
    }
};
