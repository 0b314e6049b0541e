<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('sections', static fn (Blueprint $table) => $table->unsignedSmallInteger('players')->nullable());
        Schema::table('share_links', static fn (Blueprint $table) => $table->string('chair', 12)->nullable());
    }

    public function down(): void
    {
        Schema::table('sections', static fn (Blueprint $table) => $table->dropColumn('players'));
        Schema::table('share_links', static fn (Blueprint $table) => $table->dropColumn('chair'));
    }
};
