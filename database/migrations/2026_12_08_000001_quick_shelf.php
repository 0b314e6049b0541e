<?php

declare(strict_types=1);

use App\Keeping\Dialect;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What the shelf asks of each part is found without going through its record, or reading its notes. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('log_entries', static fn (Blueprint $table) => $table->index(['part_id', 'kind', 'takes', 'seq']));
        // An earlier release that is gone back to does not say it: then it looks as if there were notes, as there nearly always are.
        Schema::table('parts', static fn (Blueprint $table) => $table->boolean('has_notes')->default(true));
        DB::table('parts')->whereRaw('not ('.Dialect::contains('music', '<pitch>').')')->update(['has_notes' => false]);
    }

    public function down(): void
    {
        Schema::table('parts', static fn (Blueprint $table) => $table->dropColumn('has_notes'));
        Schema::table('log_entries', static fn (Blueprint $table) => $table->dropIndex(['part_id', 'kind', 'takes', 'seq']));
    }
};
