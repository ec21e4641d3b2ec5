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
        Schema::table('students', fn (Blueprint $table) => $table->foreignId('piano_id')->nullable()->constrained()->nullOnDelete());
    }

    public function down(): void
    {
        Schema::table('students', fn (Blueprint $table) => $table->dropConstrainedForeignId('piano_id'));
        Schema::dropIfExists('pianos');
    }
};
