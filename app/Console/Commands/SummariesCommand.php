<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Piece;
use App\Support\PieceSummary;
use Illuminate\Console\Command;

/**
 * Says anew what lists tell of each piece: for pieces that were read by an earlier version.
 */
final class SummariesCommand extends Command
{
    protected $signature = 'tarnwind:summaries';

    protected $description = 'Say anew what lists tell of each piece, after an update.';

    public function handle(): int
    {
        $count = 0;
        foreach (Piece::query()->orderBy('id')->lazyById(20) as $piece) {
            $piece->update(['summary' => [...PieceSummary::of(...$piece->stored()->read()->whole()), 'warnings' => $piece->summary['warnings'] ?? []]]);
            $count++;
        }
        $this->info($count === 1 ? 'One piece.' : "$count pieces.");

        return self::SUCCESS;
    }
}
