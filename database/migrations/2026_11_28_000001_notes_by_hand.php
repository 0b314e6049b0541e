<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // What somebody is typing, until it is put in: theirs alone.
        Schema::create('manuscripts', static function (Blueprint $table): void {
            $table->id();
            $table->uuid('key')->unique();
            $table->foreignId('user_id')->index()->constrained();
            $table->foreignId('ensemble_id')->index()->constrained();
            $table->foreignId('piece_id')->nullable()->index()->constrained();
            $table->foreignId('part_id')->nullable()->index()->constrained();
            $table->string('title', 200);
            $table->unsignedInteger('measures');
            $table->unsignedInteger('revision');
            $table->string('base', 64)->nullable();
            $table->longText('typed');
            // The part that it became: who asks again, because the answer was lost, is told so.
            $table->unsignedBigInteger('became')->nullable()->index();
            $table->timestamps();
        });
        // The notes of a part as they were and are, once they have changed.
        Schema::create('part_versions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->index()->constrained();
            $table->foreignId('user_id')->nullable()->index()->constrained();
            $table->string('how', 20);
            $table->longText('music');
            $table->timestamp('created_at');
        });
    }

    public function down(): void
    {
        Schema::drop('part_versions');
        Schema::drop('manuscripts');
    }
};
