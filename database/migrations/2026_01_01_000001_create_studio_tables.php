<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('students', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('instrument');
            $table->boolean('half_pedal')->default(true);
            $table->boolean('sostenuto')->default(false);
            $table->timestamps();
        });
        Schema::create('pieces', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('title');
            $table->string('part')->nullable();
            $table->json('summary');
            $table->longText('musicxml');
            $table->timestamps();
        });
        Schema::create('student_copies', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_id')->constrained()->cascadeOnDelete();
            $table->foreignId('piece_id')->constrained()->cascadeOnDelete();
            $table->longText('plan');
            $table->unsignedInteger('revision')->default(1);
            $table->timestamps();
            $table->unique(['student_id', 'piece_id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('student_copies');
        Schema::dropIfExists('pieces');
        Schema::dropIfExists('students');
    }
};
