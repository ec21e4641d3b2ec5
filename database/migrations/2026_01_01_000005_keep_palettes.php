<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->json('palettes')->nullable());
        foreach (DB::table('users')->whereNotNull('gestures')->get(['id', 'gestures']) as $user) {
            DB::table('users')->where('id', $user->id)->update(['palettes' => json_encode(['gestures' => json_decode($user->gestures)], JSON_THROW_ON_ERROR)]);
        }
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('gestures'));
    }

    public function down(): void
    {
        Schema::table('users', fn (Blueprint $table) => $table->json('gestures')->nullable());
        foreach (DB::table('users')->whereNotNull('palettes')->get(['id', 'palettes']) as $user) {
            /** @var array<string, list<string>> $palettes */
            $palettes = json_decode($user->palettes, true);
            $gestures = $palettes['gestures'] ?? null;
            DB::table('users')->where('id', $user->id)->update(['gestures' => $gestures === null ? null : json_encode($gestures, JSON_THROW_ON_ERROR)]);
        }
        Schema::table('users', fn (Blueprint $table) => $table->dropColumn('palettes'));
    }
};
