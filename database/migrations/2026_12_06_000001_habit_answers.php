<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('habit_answers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('ensemble_id')->index()->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->string('what', 80);
            $table->string('answer', 10);
            $table->timestamp('created_at');
        });
    }

    public function down(): void
    {
        Schema::drop('habit_answers');
    }
};
