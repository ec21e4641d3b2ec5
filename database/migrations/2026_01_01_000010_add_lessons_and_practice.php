<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->string('timezone')->nullable());
        Schema::table('students', fn (Blueprint $table) => $table->json('practice_minutes')->nullable());
        Schema::table('student_copies', fn (Blueprint $table) => $table->json('handout')->nullable());
        Schema::table('pieces', fn (Blueprint $table) => $table->json('tags')->nullable());
        Schema::create('weekly_times', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_id')->constrained()->cascadeOnDelete();
            $table->unsignedTinyInteger('weekday');
            $table->string('at', 5);
            $table->unsignedSmallInteger('minutes');
            $table->date('from');
            $table->date('until')->nullable();
            $table->timestamps();
        });
        Schema::create('holidays', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->date('first');
            $table->date('last');
            $table->timestamps();
        });
        Schema::create('lessons', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_id')->constrained()->cascadeOnDelete();
            $table->foreignId('weekly_time_id')->nullable()->constrained()->nullOnDelete();
            $table->date('slot')->nullable();
            $table->foreignId('makes_up_id')->nullable()->constrained('lessons')->nullOnDelete();
            $table->date('day');
            $table->string('at', 5);
            $table->unsignedSmallInteger('minutes');
            $table->string('status')->default('planned');
            $table->text('notes')->nullable();
            $table->timestamps();
            $table->unique(['weekly_time_id', 'slot']);
            $table->index(['student_id', 'day']);
        });
        Schema::create('lesson_points', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('lesson_id')->constrained()->cascadeOnDelete();
            $table->foreignId('student_copy_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('measure')->nullable();
            $table->string('kind');
            $table->string('text', 1000);
            $table->date('settled_on')->nullable();
            $table->timestamps();
        });
        Schema::create('practice_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_copy_id')->constrained()->cascadeOnDelete();
            $table->uuid();
            $table->string('step', 300);
            $table->date('day');
            $table->unsignedSmallInteger('minutes');
            $table->float('tempo')->nullable();
            $table->string('feel')->nullable();
            $table->boolean('passed');
            $table->string('by');
            $table->string('note', 500)->nullable();
            $table->timestamps();
            $table->unique(['student_copy_id', 'uuid']);
            $table->index(['student_copy_id', 'day']);
        });
    }

    public function down(): void
    {
        foreach (['practice_entries', 'lesson_points', 'lessons', 'holidays', 'weekly_times'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('pieces', fn (Blueprint $table) => $table->dropColumn('tags'));
        Schema::table('student_copies', fn (Blueprint $table) => $table->dropColumn('handout'));
        Schema::table('students', fn (Blueprint $table) => $table->dropColumn('practice_minutes'));
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('timezone'));
    }
};
