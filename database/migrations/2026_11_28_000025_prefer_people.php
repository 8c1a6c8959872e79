<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('campaign_people', static function (Blueprint $table): void {
            // Of those who are due, who is rung first: 0 to 9.
            $table->unsignedTinyInteger('priority')->default(0);
            // The day on which they complained in a call, on their own clock.
            $table->string('complained', 10)->nullable();
            $table->index(['e164', 'complained']);
        });
    }
};
