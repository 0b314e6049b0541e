<?php

declare(strict_types=1);

use App\Keeping\Guard;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('handouts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->constrained();
            $table->unsignedInteger('number');
            $table->string('audience', 40)->default('');
            $table->string('audience_name', 100)->default('');
            $table->foreignId('user_id')->index()->constrained();
            $table->uuid('key')->index();
            $table->unsignedInteger('seq');
            $table->boolean('proposals');
            $table->json('profile');
            $table->json('style');
            $table->string('base', 64);
            $table->timestamp('created_at');
            $table->timestamp('withdrawn_at')->nullable();
            $table->foreignId('withdrawn_by')->nullable()->index()->constrained('users');
            $table->unique(['part_id', 'audience', 'number']);
        });
        // What was handed out, as it was: the same bytes are kept once.
        Schema::create('frozen', static function (Blueprint $table): void {
            $table->string('hash', 64)->primary();
            $table->binary('body');
        });
        Schema::create('handout_files', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('handout_id')->constrained();
            $table->string('name', 30);
            $table->string('hash', 64)->index();
            $table->unique(['handout_id', 'name']);
        });
        Guard::of(DB::connection(), 'frozen')->put('what was handed out is never changed');
        Guard::of(DB::connection(), 'handout_files')->put('what was handed out is never changed');
        Schema::table('share_links', static fn (Blueprint $table) => $table->foreignId('handout_id')->nullable()->index());
        Schema::table('share_links', static fn (Blueprint $table) => $table->text('token')->nullable());
        Schema::table('pieces', static fn (Blueprint $table) => $table->json('practice')->nullable());
    }

    public function down(): void
    {
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn('practice'));
        Schema::table('share_links', static function (Blueprint $table): void {
            $table->dropIndex(['handout_id']);
            $table->dropColumn(['handout_id', 'token']);
        });
        foreach (['handout_files', 'frozen', 'handouts'] as $table) {
            Schema::drop($table);
        }
    }
};
