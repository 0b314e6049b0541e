<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;

/** Columns are added one by one: SQLite then keeps the tables, and their triggers. */
return new class extends Migration
{
    public function up(): void
    {
        $this->people();
        $this->sections();
        $this->pieces();
    }

    private function people(): void
    {
        Schema::table('schools', static fn (Blueprint $table) => $table->unsignedInteger('idle_minutes')->nullable());
        Schema::table('users', static function (Blueprint $table): void {
            $table->json('style')->default('{}');
            $table->text('code_secret')->nullable();
            $table->timestamp('code_since')->nullable();
            $table->unsignedBigInteger('code_step')->default(0);
            $table->json('recovery_codes')->nullable();
        });
        Schema::create('devices', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->index()->constrained();
            $table->string('agent', 300);
            $table->timestamp('seen_at');
            $table->timestamp('created_at');
        });
        // What an administrator takes away from the command line is nobody's doing here.
        Schema::table('erasures', static fn (Blueprint $table) => $table->unsignedBigInteger('user_id')->nullable()->change());
        Schema::drop('password_links');
        Schema::create('password_reset_tokens', static function (Blueprint $table): void {
            $table->string('email')->primary();
            $table->string('token');
            $table->timestamp('created_at')->nullable();
        });
    }

    private function sections(): void
    {
        Schema::create('sections', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('ensemble_id')->index()->constrained();
            $table->foreignId('parent_id')->nullable()->index()->constrained('sections');
            $table->uuid('key')->unique();
            $table->string('name', 100);
            $table->string('instrument', 20);
            $table->unsignedSmallInteger('stands')->default(0);
            $table->json('profile')->nullable();
            $table->timestamps();
        });
        Schema::table('parts', static function (Blueprint $table): void {
            $table->foreignId('section_id')->nullable()->index();
            $table->timestamp('put_away_at')->nullable();
            $table->timestamp('sized_up_at')->nullable();
        });
        Schema::table('share_links', static fn (Blueprint $table) => $table->foreignId('section_id')->nullable()->index());
        Schema::table('profile_versions', static fn (Blueprint $table) => $table->foreignId('section_id')->nullable()->index());
        $named = [];
        foreach (DB::table('parts')->join('pieces', 'pieces.id', 'parts.piece_id')->orderBy('parts.id')->get(['parts.id', 'parts.name', 'parts.instrument', 'pieces.ensemble_id']) as $part) {
            $section = $named["{$part->ensemble_id} {$part->name}"] ??= DB::table('sections')->insertGetId(['ensemble_id' => $part->ensemble_id, 'key' => Str::uuid()->toString(), 'name' => mb_substr($part->name, 0, 100), 'instrument' => $part->instrument, 'created_at' => now(), 'updated_at' => now()]);
            DB::table('parts')->where('id', $part->id)->update(['section_id' => $section]);
        }
    }

    private function pieces(): void
    {
        Schema::create('occasions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('ensemble_id')->index()->constrained();
            $table->string('kind', 20);
            $table->string('name', 100);
            $table->date('on');
            $table->timestamps();
        });
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->unsignedSmallInteger('tempo')->nullable();
            $table->string('level', 20)->nullable();
            $table->foreignId('occasion_id')->nullable()->index();
        });
        Schema::create('performance_orders', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('piece_id')->index()->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->json('order');
            $table->timestamp('created_at');
        });
        Schema::create('passages', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('piece_id')->index()->constrained();
            $table->string('name', 100);
            $table->string('from', 100);
            $table->string('to', 100);
            $table->timestamps();
        });
        // What was found when a part was last worked out: it can be lost, and is then found again.
        Schema::create('part_stands', static function (Blueprint $table): void {
            $table->foreignId('part_id')->unique()->constrained()->cascadeOnDelete();
            $table->unsignedInteger('findings');
            $table->unsignedInteger('to_settle');
        });
        // A piece whose passages are its letters has none of its own until somebody changes them.
        Schema::table('pieces', static fn (Blueprint $table) => $table->boolean('own_passages')->default(false));
    }

    public function down(): void
    {
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->dropIndex(['occasion_id']);
            $table->dropColumn(['tempo', 'level', 'occasion_id', 'own_passages']);
        });
        foreach (['part_stands', 'passages', 'performance_orders', 'occasions'] as $table) {
            Schema::drop($table);
        }
        foreach (['share_links', 'profile_versions'] as $name) {
            Schema::table($name, static function (Blueprint $table): void {
                $table->dropIndex(['section_id']);
                $table->dropColumn('section_id');
            });
        }
        Schema::table('parts', static function (Blueprint $table): void {
            $table->dropIndex(['section_id']);
            $table->dropColumn(['section_id', 'put_away_at', 'sized_up_at']);
        });
        foreach (['sections', 'password_reset_tokens', 'devices'] as $table) {
            Schema::drop($table);
        }
        Schema::table('users', static fn (Blueprint $table) => $table->dropColumn(['style', 'code_secret', 'code_since', 'code_step', 'recovery_codes']));
        Schema::table('schools', static fn (Blueprint $table) => $table->dropColumn('idle_minutes'));
        Schema::create('password_links', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->index()->constrained();
            $table->foreignId('made_by')->index()->constrained('users');
            $table->string('token_hash')->unique();
            $table->timestamp('expires_at');
            $table->timestamp('created_at');
        });
    }
};
