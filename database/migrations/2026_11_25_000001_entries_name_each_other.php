<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        // Columns are added one by one: SQLite then keeps the table, and its triggers.
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->uuid('takes')->nullable();
            $table->uuid('follows')->nullable();
            $table->unsignedInteger('seen')->default(0);
            $table->string('browser', 36)->default('');
            $table->uuid('group_key')->nullable()->index();
            $table->json('proposed')->nullable();
            $table->unsignedTinyInteger('format')->default(1);
        });
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->dropUnique(['request_key']);
            $table->unique(['ensemble_id', 'request_key']);
        });
    }

    public function down(): void
    {
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->dropUnique(['ensemble_id', 'request_key']);
            $table->unique(['request_key']);
        });
        Schema::table('log_entries', static function (Blueprint $table): void {
            $table->dropIndex(['group_key']);
            $table->dropColumn(['takes', 'follows', 'seen', 'browser', 'group_key', 'proposed', 'format']);
        });
    }
};
