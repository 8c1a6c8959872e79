<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration {
    public function up(): void
    {
        Schema::create('waiting_list', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('business_id')->constrained()->cascadeOnDelete();
            $table->foreignId('call_id')->nullable()->constrained()->nullOnDelete();
            $table->foreignId('contact_id')->nullable()->constrained()->nullOnDelete();
            $table->string('service', 60);
            $table->string('area', 120)->nullable();
            $table->string('name', 120)->nullable();
            $table->string('number', 40)->nullable();
            $table->json('wish');
            $table->text('said');
            $table->string('state', 12);
            $table->boolean('rehearsal')->default(false);
            $table->timestamps();
            $table->index(['business_id', 'state']);
            $table->index('call_id');
            $table->index('contact_id');
        });
    }
};
