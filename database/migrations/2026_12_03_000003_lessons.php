<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('practice_sheets', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->index()->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->uuid('key')->unique();
            $table->string('from', 20);
            $table->string('to', 20);
            $table->json('kinds');
            $table->unsignedSmallInteger('minutes')->nullable();
            $table->timestamps();
        });
        Schema::table('pieces', static fn (Blueprint $table) => $table->timestamp('taught_at')->nullable());
    }

    public function down(): void
    {
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn('taught_at'));
        Schema::drop('practice_sheets');
    }
};
