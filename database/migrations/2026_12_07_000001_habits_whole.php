<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A piece’s bowing may be its class’s; a profile says what it was taken from; prints may be the director’s own; answers hold for one ensemble or all, for good or for a while. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pieces', static function (Blueprint $table): void {
            // The release before goes on with `bowing` while this one comes, and when it comes back: see `Piece::ownBowing`.
            $table->string('own_bowing')->nullable();
        });
        // Until now every class had this school: whoever never chose one goes on as before.
        DB::table('pieces')->where('bowing', '!=', 'strong-beat')->update(['own_bowing' => DB::raw('bowing')]);
        Schema::table('profile_versions', static function (Blueprint $table): void {
            $table->string('habit', 80)->nullable();
            $table->string('note', 300)->nullable();
        });
        Schema::table('parts', static function (Blueprint $table): void {
            $table->foreignId('print_is_of')->nullable()->index()->constrained('users')->nullOnDelete();
        });
        Schema::table('habit_answers', static function (Blueprint $table): void {
            $table->foreignId('ensemble_id')->nullable()->change();
        });
    }

    public function down(): void
    {
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->dropColumn('own_bowing');
        });
        Schema::table('profile_versions', static function (Blueprint $table): void {
            $table->dropColumn(['habit', 'note']);
        });
        Schema::table('parts', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('print_is_of');
        });
    }
};
