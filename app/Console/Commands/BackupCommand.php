<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Illuminate\Database\SQLiteConnection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * A consistent copy of a database in use: SQLite writes it as of one moment, while teachers work on.
 */
final class BackupCommand extends Command
{
    protected $signature = 'tarnwind:backup {folder? : where to; that of TARNWIND_BACKUPS without one}';

    protected $description = 'Copy the running database, and remove copies that are too old.';

    private const SECONDS_A_DAY = 86_400;

    public function handle(): int
    {
        $folder = $this->argument('folder') ?? config('tarnwind.backups');
        if (! is_string($folder) || $folder === '') {
            $this->error('Say where to, or set TARNWIND_BACKUPS.');

            return self::FAILURE;
        }
        if (! DB::connection() instanceof SQLiteConnection) {
            $this->error('Only SQLite is copied by this command; other databases have tools of their own, see docs/deployment.md.');

            return self::FAILURE;
        }
        File::ensureDirectoryExists($folder, 0700);
        $path = $folder.'/tarnwind-'.now()->format('Ymd-His').'.sqlite';
        $before = umask(0077);
        try {
            DB::statement('VACUUM INTO ?', [$path]);
        } finally {
            umask($before);
        }
        $removed = 0;
        $oldest = now()->getTimestamp() - self::SECONDS_A_DAY * config()->integer('tarnwind.backup_days');
        foreach (File::glob("$folder/tarnwind-*.sqlite") as $old) {
            if (File::lastModified($old) < $oldest && File::delete($old)) {
                $removed++;
            }
        }
        $this->info(sprintf('%s, %.1f MB; %d older removed.', $path, File::size($path) / 1e6, $removed));

        return self::SUCCESS;
    }
}
