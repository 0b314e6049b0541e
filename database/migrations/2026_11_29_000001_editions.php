<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The file that a version came from, or the version that was brought back.
        Schema::table('part_versions', static function (Blueprint $table): void {
            $table->string('source', 200)->default('');
            $table->unsignedBigInteger('back_to')->nullable();
        });
        // A part that was made from another one, and how.
        Schema::table('parts', static function (Blueprint $table): void {
            $table->unsignedBigInteger('derived_from')->nullable()->index();
            $table->json('derivation')->nullable();
        });
        // What was decided about notes that a newer version does not have: to be placed or let go.
        Schema::create('gone_decisions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->index()->constrained();
            $table->foreignId('part_version_id')->index()->constrained();
            $table->string('note', 200);
            $table->string('measure', 20);
            $table->float('beat');
            $table->string('pitch', 20);
            $table->string('players', 60)->nullable();
            $table->json('fields');
            $table->string('became', 20)->nullable();
            $table->foreignId('user_id')->nullable()->index()->constrained();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::drop('gone_decisions');
        Schema::table('parts', static fn (Blueprint $table) => $table->dropColumn(['derived_from', 'derivation']));
        Schema::table('part_versions', static fn (Blueprint $table) => $table->dropColumn(['source', 'back_to']));
    }
};
