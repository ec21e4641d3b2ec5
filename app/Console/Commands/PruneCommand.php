<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\CopyLink;
use App\Models\Invitation;
use Illuminate\Cache\FileStore;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Cache;
use Symfony\Component\Finder\Finder;

/**
 * A cache in files removes what has expired only when it is asked for; what was worked out of a plan never is again. Links
 * that are no longer good go too.
 */
final class PruneCommand extends Command
{
    protected $signature = 'tarnwind:prune';

    protected $description = 'Remove what has expired from the cache, and links that are no longer good.';

    /** Digits at the beginning of a file: the second in which it expires. */
    private const EXPIRES = 10;

    public function handle(): int
    {
        $store = Cache::getStore();
        $removed = $bytes = 0;
        if ($store instanceof FileStore && is_dir($store->getDirectory())) {
            foreach (Finder::create()->files()->in($store->getDirectory())->ignoreUnreadableDirs() as $file) {
                $expires = @file_get_contents($file->getPathname(), length: self::EXPIRES);
                $size = (int) @filesize($file->getPathname());
                if (is_string($expires) && ctype_digit($expires) && (int) $expires <= now()->getTimestamp() && @unlink($file->getPathname())) {
                    $removed++;
                    $bytes += $size;
                }
            }
        }
        foreach ([CopyLink::class, Invitation::class] as $links) {
            $links::query()->where('expires_at', '<=', now())->delete();
        }
        $this->info(sprintf('%d expired entries removed, %.1f MB.', $removed, $bytes / 1e6));

        return self::SUCCESS;
    }
}
