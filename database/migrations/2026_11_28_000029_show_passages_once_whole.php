<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        // A passage is answered from once all of its document is indexed: until then, and once it is replaced, it is not shown.
        Schema::table('knowledge_passages', static function (Blueprint $table): void {
            $table->boolean('shown')->default(true);
            $table->index(['business_id', 'shown']);
        });
    }
};
