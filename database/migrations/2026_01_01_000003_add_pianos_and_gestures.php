<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    private const COLUMNS = ['lowest_key', 'highest_key', 'action', 'soft_pedal', 'weak_fingers'];

    public function up(): void
    {
        Schema::table('students', function (Blueprint $table): void {
            $table->unsignedTinyInteger('lowest_key')->default(21);
            $table->unsignedTinyInteger('highest_key')->default(108);
            $table->string('action')->default('medium');
            $table->string('soft_pedal')->default('works');
            $table->boolean('weak_fingers')->default(false);
        });
        Schema::table('users', function (Blueprint $table): void {
            $table->json('gestures')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('students', fn (Blueprint $table) => $table->dropColumn(self::COLUMNS));
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('gestures'));
    }
};
