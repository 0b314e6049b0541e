<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('profile_versions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('ensemble_id')->index()->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->json('settings');
            $table->json('style')->default('{}');
            $table->timestamp('created_at');
        });
        Schema::table('ensembles', static fn (Blueprint $table) => $table->json('style')->default('{}'));
        Schema::create('password_links', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->index()->constrained();
            $table->foreignId('made_by')->index()->constrained('users');
            $table->string('token_hash')->unique();
            $table->timestamp('expires_at');
            $table->timestamp('created_at');
        });
        foreach (DB::table('ensembles')->get() as $ensemble) {
            $director = DB::table('memberships')->where(['ensemble_id' => $ensemble->id, 'role' => 'director'])->orderBy('id')->value('user_id');
            $director === null || DB::table('profile_versions')->insert(['ensemble_id' => $ensemble->id, 'user_id' => $director, 'settings' => $ensemble->profile, 'created_at' => $ensemble->created_at ?? now()]);
        }
        // An index changes no table: the triggers of the record stay.
        Schema::table('log_entries', static fn (Blueprint $table) => $table->index('user_id'));
        Schema::table('share_links', static function (Blueprint $table): void {
            $table->index('part_id');
            $table->index('user_id');
        });
    }

    public function down(): void
    {
        Schema::table('share_links', static function (Blueprint $table): void {
            $table->dropIndex(['part_id']);
            $table->dropIndex(['user_id']);
        });
        Schema::table('log_entries', static fn (Blueprint $table) => $table->dropIndex(['user_id']));
        Schema::drop('password_links');
        Schema::drop('profile_versions');
        Schema::table('ensembles', static fn (Blueprint $table) => $table->dropColumn('style'));
    }
};
