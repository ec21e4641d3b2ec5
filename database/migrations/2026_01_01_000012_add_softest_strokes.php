<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;
use Tarnwind\Core\Sound\InstrumentProfile;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pianos', fn (Blueprint $table) => $table->float('softest')->default((new InstrumentProfile)->softest));
    }

    public function down(): void
    {
        Schema::table('pianos', fn (Blueprint $table) => $table->dropColumn('softest'));
    }
};
