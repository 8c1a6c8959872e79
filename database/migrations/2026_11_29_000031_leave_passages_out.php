<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // Passages that stand in a source and are not answered from; they stay left out when the source is kept anew.
        Schema::table('knowledge_sources', static function (Blueprint $table): void {
            $table->json('left_out')->nullable();
        });
    }
};
