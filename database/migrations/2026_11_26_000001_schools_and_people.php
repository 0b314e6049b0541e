<?php

declare(strict_types=1);

use App\Keeping\Dialect;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /**
     * SQLite rebuilds a table to take a column with a reference away, and must not check references meanwhile; that can be
     * told it only outside a transaction. The update itself is one: all of it or nothing.
     */
    public $withinTransaction = false;

    public function up(): void
    {
        Dialect::rebuild($this->make(...));
    }

    private function make(): void
    {
        Schema::create('schools', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->timestamps();
        });
        Schema::create('school_user', static function (Blueprint $table): void {
            $table->foreignId('school_id')->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->unique(['school_id', 'user_id']);
        });
        Schema::table('ensembles', static function (Blueprint $table): void {
            $table->foreignId('school_id')->nullable()->index();
            $table->string('year', 20)->default('');
            $table->timestamp('put_away_at')->nullable();
        });
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->unsignedInteger('place')->default(0);
            $table->timestamp('put_away_at')->nullable();
        });
        Schema::create('memberships', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('ensemble_id')->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->string('role');
            $table->boolean('decides')->default(true);
            $table->timestamps();
            $table->unique(['ensemble_id', 'user_id']);
        });
        Schema::create('membership_part', static function (Blueprint $table): void {
            $table->foreignId('membership_id')->constrained()->cascadeOnDelete();
            $table->foreignId('part_id')->index()->constrained();
            $table->unique(['membership_id', 'part_id']);
        });
        Schema::create('invitations', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('ensemble_id')->index()->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->string('email');
            $table->string('role');
            $table->boolean('decides');
            $table->json('parts');
            $table->string('token_hash')->unique();
            $table->timestamp('expires_at');
            $table->timestamp('accepted_at')->nullable();
            $table->timestamp('taken_back_at')->nullable();
            $table->timestamps();
        });
        Schema::create('first_start', static function (Blueprint $table): void {
            $table->string('code_hash');
            $table->timestamp('created_at');
        });
        Schema::create('sign_in_guesses', static function (Blueprint $table): void {
            $table->string('key')->primary();
            $table->unsignedInteger('count');
            $table->unsignedBigInteger('last_at')->index();
        });
        // What was taken away for good, and by whom: the record's guard was lifted for it.
        Schema::create('erasures', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->index()->constrained();
            $table->string('what');
            $table->string('name');
            $table->unsignedInteger('entries');
            $table->timestamp('created_at');
        });
        $this->carry();
        Schema::table('ensembles', static function (Blueprint $table): void {
            $table->dropForeign(['user_id']);
            $table->dropColumn(['user_id', 'school']);
        });
    }

    /** Whoever had an ensemble directs it, in a school of its name. */
    private function carry(): void
    {
        foreach (DB::table('ensembles')->orderBy('id')->get() as $ensemble) {
            $school = DB::table('schools')->where('name', $ensemble->school)->value('id') ?? DB::table('schools')->insertGetId(['name' => $ensemble->school, 'created_at' => now(), 'updated_at' => now()]);
            DB::table('school_user')->insertOrIgnore(['school_id' => $school, 'user_id' => $ensemble->user_id]);
            DB::table('ensembles')->where('id', $ensemble->id)->update(['school_id' => $school]);
            DB::table('memberships')->insert(['ensemble_id' => $ensemble->id, 'user_id' => $ensemble->user_id, 'role' => 'director', 'decides' => true, 'created_at' => now(), 'updated_at' => now()]);
        }
        DB::table('pieces')->update(['place' => DB::raw('id')]);
    }

    public function down(): void
    {
        Schema::table('ensembles', static function (Blueprint $table): void {
            $table->foreignId('user_id')->nullable();
            $table->string('school')->default('');
        });
        foreach (DB::table('memberships')->where('role', 'director')->orderByDesc('id')->get() as $membership) {
            DB::table('ensembles')->where('id', $membership->ensemble_id)->update(['user_id' => $membership->user_id]);
        }
        DB::statement('UPDATE ensembles SET school = coalesce((SELECT name FROM schools WHERE schools.id = ensembles.school_id), \'\')');
        foreach (['erasures', 'sign_in_guesses', 'first_start', 'invitations', 'membership_part', 'memberships', 'school_user'] as $table) {
            Schema::drop($table);
        }
        Schema::table('ensembles', static function (Blueprint $table): void {
            $table->dropIndex(['school_id']);
            $table->dropColumn(['school_id', 'year', 'put_away_at']);
        });
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn(['place', 'put_away_at']));
        Schema::drop('schools');
    }
};
