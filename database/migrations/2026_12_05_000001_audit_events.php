<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('audit_events', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('school_id')->constrained();
            $table->foreignId('user_id')->nullable()->index()->constrained();
            $table->string('what', 40);
            $table->string('about', 200)->default('');
            $table->timestamp('created_at');
            $table->index(['school_id', 'created_at']);
        });
        Schema::table('schools', static fn (Blueprint $table) => $table->unsignedInteger('audit_days')->nullable());
        // What is done behind an answer, by the server's own worker; one failed is kept to be looked at.
        Schema::create('jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('queue')->index();
            $table->longText('payload');
            $table->unsignedTinyInteger('attempts');
            $table->unsignedInteger('reserved_at')->nullable();
            $table->unsignedInteger('available_at');
            $table->unsignedInteger('created_at');
        });
        Schema::create('failed_jobs', static function (Blueprint $table): void {
            $table->id();
            $table->string('uuid')->unique();
            $table->text('connection');
            $table->text('queue');
            $table->longText('payload');
            $table->longText('exception');
            $table->timestamp('failed_at')->useCurrent();
        });
    }

    public function down(): void
    {
        foreach (['failed_jobs', 'jobs', 'audit_events'] as $table) {
            Schema::drop($table);
        }
        Schema::table('schools', static fn (Blueprint $table) => $table->dropColumn('audit_days'));
    }
};
