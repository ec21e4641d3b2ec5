<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const REACHES = ['right_comfortable', 'right_largest', 'left_comfortable', 'left_largest'];

    public function up(): void
    {
        Schema::table('students', function (Blueprint $table): void {
            $table->float('run_rate')->nullable();
            $table->float('repetition_rate')->nullable();
            foreach (self::REACHES as $column) {
                $table->unsignedTinyInteger($column)->nullable();
            }
        });
        Schema::table('pieces', function (Blueprint $table): void {
            $table->unsignedInteger('revision')->default(1);
        });
    }

    public function down(): void
    {
        Schema::table('students', fn (Blueprint $table) => $table->dropColumn(['run_rate', 'repetition_rate', ...self::REACHES]));
        Schema::table('pieces', fn (Blueprint $table) => $table->dropColumn('revision'));
    }
};
