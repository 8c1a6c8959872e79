<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::table('campaigns', static function (Blueprint $table): void {
            // A second release, by which a share of the people, drawn by the seed, is rung.
            $table->foreignId('other_release_id')->nullable()->constrained('releases')->nullOnDelete();
            $table->index('other_release_id');
            // Which callers are on it, so that who is new since can be added.
            $table->json('filter')->nullable();
            // The team to which its calls are put through: no more calls than people of it are free.
            $table->string('desk_team', 60)->nullable();
        });
        Schema::table('campaign_attempts', static function (Blueprint $table): void {
            $table->json('objections')->default('[]');
            $table->foreignId('release_id')->nullable()->constrained()->nullOnDelete();
            $table->index('release_id');
        });
    }
};
