<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('lines', static function (Blueprint $table): void {
            // Of the password with which a voice browser speaks for this line only the hash is kept.
            $table->string('voice_hash')->nullable();
        });
    }
};
