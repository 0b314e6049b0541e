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
        Schema::create('users', static function (Blueprint $table): void {
            $table->id();
            $table->string('name');
            $table->string('email')->unique();
            $table->string('password');
            $table->rememberToken();
            $table->timestamps();
        });
        Schema::create('ensembles', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained();
            $table->string('name');
            $table->string('school');
            $table->json('profile');
            $table->timestamps();
        });
        Schema::create('pieces', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('ensemble_id')->constrained();
            $table->string('title');
            $table->string('composer');
            $table->string('kind');
            $table->string('rights');
            $table->string('bowing');
            $table->longText('source');
            $table->uuid('request_key')->unique();
            $table->timestamps();
        });
        Schema::create('parts', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('piece_id')->constrained();
            $table->unsignedInteger('place');
            $table->string('part_key');
            $table->string('name');
            $table->string('instrument');
            $table->unsignedInteger('measures');
            $table->longText('music');
            $table->timestamps();
            $table->unique(['piece_id', 'part_key']);
        });
        Schema::create('log_entries', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->unsignedInteger('seq');
            $table->string('kind');
            $table->json('decisions');
            $table->uuid('request_key');
            $table->timestamp('created_at');
            $table->unique(['part_id', 'seq']);
            $table->unique(['part_id', 'request_key']);
        });
        Schema::create('share_links', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->constrained();
            $table->foreignId('user_id')->constrained();
            $table->string('token_hash')->unique();
            $table->timestamp('expires_at');
            $table->timestamp('closed_at')->nullable();
            $table->unsignedInteger('openings')->default(0);
            $table->timestamps();
        });
        // The log is append-only, whatever the application does.
        Guard::of(DB::connection(), 'log_entries')->put('log entries are never changed');
    }

    public function down(): void
    {
        foreach (['share_links', 'log_entries', 'parts', 'pieces', 'ensembles', 'users'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
