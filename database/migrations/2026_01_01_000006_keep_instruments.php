<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('pianos', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name', 60);
            $table->float('ring');
            $table->float('dampers');
            $table->float('room');
            $table->float('soft');
            $table->timestamps();
        });
        Schema::table('students', function (Blueprint $table): void {
            $table->foreignId('piano_id')->nullable()->constrained()->nullOnDelete();
            $table->float('foot_comfortable')->nullable();
            $table->float('foot_catches')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('students', function (Blueprint $table): void {
            $table->dropConstrainedForeignId('piano_id');
            $table->dropColumn(['foot_comfortable', 'foot_catches']);
        });
        Schema::dropIfExists('pianos');
    }
};
