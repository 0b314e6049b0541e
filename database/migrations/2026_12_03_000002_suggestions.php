<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('suggestion_answers', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->constrained();
            $table->uuid('entry_key');
            $table->foreignId('user_id')->index()->constrained();
            $table->boolean('taken');
            $table->string('reason', 200);
            $table->timestamp('created_at');
            $table->unique(['part_id', 'entry_key']);
        });
    }

    public function down(): void
    {
        Schema::drop('suggestion_answers');
    }
};
