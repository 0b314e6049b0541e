<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('rehearsal_notes', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('piece_id')->index()->constrained();
            $table->uuid('key')->unique();
            $table->foreignId('user_id')->index()->constrained();
            $table->string('from', 20);
            $table->string('to', 20);
            $table->json('parts');
            $table->string('what', 200);
            $table->string('how_many', 10)->nullable();
            $table->timestamp('noted_at');
            $table->string('became', 20)->nullable();
            $table->foreignId('became_by')->nullable()->index()->constrained('users');
            $table->timestamps();
        });
        Schema::table('occasions', static function (Blueprint $table): void {
            $table->string('starts', 5)->nullable();
            $table->unsignedSmallInteger('minutes')->nullable();
            $table->json('plan')->nullable();
        });
        Schema::create('prescriptions', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('piece_id')->index()->constrained();
            $table->foreignId('user_id')->index()->constrained();
            $table->string('by', 100);
            $table->json('seqs');
            $table->timestamp('created_at');
            $table->timestamp('lifted_at')->nullable();
        });
        Schema::table('pieces', static fn (Blueprint $table) => $table->timestamp('final_at')->nullable());
    }

    public function down(): void
    {
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn('final_at'));
        Schema::drop('prescriptions');
        Schema::table('occasions', static fn (Blueprint $table) => $table->dropColumn(['starts', 'minutes', 'plan']));
        Schema::drop('rehearsal_notes');
    }
};
