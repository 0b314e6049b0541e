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
        // Pictures of the printed page, for staff: they lie in files of their own, and are in no handout and no export.
        Schema::create('page_files', static function (Blueprint $table): void {
            $table->id();
            $table->uuid('key')->unique();
            $table->foreignId('user_id')->index()->constrained();
            $table->foreignId('part_id')->nullable()->index()->constrained();
            $table->foreignId('manuscript_id')->nullable()->index()->constrained();
            $table->string('name', 200);
            $table->string('mime', 40);
            $table->unsignedInteger('bytes');
            $table->json('look')->default('{}');
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
        Schema::drop('page_files');
        Schema::drop('part_versions');
        Schema::drop('manuscripts');
    }
};
