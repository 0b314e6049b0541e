<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // The measures with which the lines of the printed page begin.
        Schema::table('parts', static fn (Blueprint $table) => $table->json('line_starts')->nullable());
        // What is proposed and nobody has taken yet, so that the shelf can say what is left; and after which entry of the record that was so.
        Schema::table('part_stands', static function (Blueprint $table): void {
            $table->unsignedInteger('proposed')->default(0);
            $table->unsignedInteger('seq')->default(0);
        });
    }

    public function down(): void
    {
        Schema::table('part_stands', static fn (Blueprint $table) => $table->dropColumn(['proposed', 'seq']));
        Schema::table('parts', static fn (Blueprint $table) => $table->dropColumn('line_starts'));
    }
};
