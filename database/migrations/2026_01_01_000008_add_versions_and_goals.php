<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('student_copies', function (Blueprint $table): void {
            $table->string('status')->default('to-meet');
            $table->string('goal')->nullable();
            $table->date('goal_on')->nullable();
        });
        Schema::create('plan_versions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('student_copy_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->longText('plan');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('plan_versions');
        Schema::table('student_copies', fn (Blueprint $table) => $table->dropColumn(['status', 'goal', 'goal_on']));
    }
};
