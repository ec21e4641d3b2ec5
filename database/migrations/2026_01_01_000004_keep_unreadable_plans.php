<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('student_copies', fn (Blueprint $table) => $table->longText('unreadable_plan')->nullable());
    }

    public function down(): void
    {
        Schema::table('student_copies', fn (Blueprint $table) => $table->dropColumn('unreadable_plan'));
    }
};
