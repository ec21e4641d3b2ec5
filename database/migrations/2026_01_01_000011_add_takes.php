<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->json('limits')->nullable());
        Schema::table('students', fn (Blueprint $table) => $table->string('skill')->default('intermediate'));
        Schema::create('takes', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_copy_id')->constrained()->cascadeOnDelete();
            $table->uuid();
            $table->string('name', 80)->nullable();
            $table->string('device', 100)->nullable();
            $table->string('by');
            $table->string('step', 300)->nullable();
            $table->longText('midi');
            $table->longText('plan');
            $table->json('summary')->nullable();
            $table->timestamps();
            $table->unique(['student_copy_id', 'uuid']);
        });
        Schema::create('calibrations', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_id')->constrained()->cascadeOnDelete();
            $table->string('device', 100);
            $table->float('softest');
            $table->float('loudest');
            $table->json('uneven');
            $table->timestamps();
            $table->unique(['student_id', 'device']);
        });
        Schema::create('foot_rounds', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_id')->constrained()->cascadeOnDelete();
            $table->uuid();
            $table->string('exercise');
            $table->string('place', 60)->nullable();
            $table->date('day');
            $table->float('tempo');
            $table->float('tolerance');
            $table->float('share');
            $table->float('lag')->nullable();
            $table->float('gap');
            $table->float('smear');
            $table->string('by');
            $table->timestamps();
            $table->unique(['student_id', 'uuid']);
        });
    }

    public function down(): void
    {
        foreach (['foot_rounds', 'calibrations', 'takes'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('students', fn (Blueprint $table) => $table->dropColumn('skill'));
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('limits'));
    }
};
