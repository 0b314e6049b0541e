<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A school has days of its own, and people who answer for all of it: at first whoever has directed there the longest. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('schools', static fn (Blueprint $table) => $table->string('time_zone', 64)->nullable());
        Schema::table('school_user', static fn (Blueprint $table) => $table->boolean('administrator')->default(false));
        foreach (DB::table('schools')->pluck('id') as $school) {
            $staff = DB::table('school_user')->where('school_id', $school);
            $directors = DB::table('memberships')->join('ensembles', 'ensembles.id', 'memberships.ensemble_id')
                ->where('ensembles.school_id', $school)->where('memberships.role', 'director')->whereIn('memberships.user_id', (clone $staff)->select('user_id'));
            $first = $directors->orderBy('memberships.id')->value('memberships.user_id') ?? (clone $staff)->min('user_id');
            $first === null || $staff->where('user_id', $first)->update(['administrator' => true]);
        }
    }

    public function down(): void
    {
        Schema::table('school_user', static fn (Blueprint $table) => $table->dropColumn('administrator'));
        Schema::table('schools', static fn (Blueprint $table) => $table->dropColumn('time_zone'));
    }
};
