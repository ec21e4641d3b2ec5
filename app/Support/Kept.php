<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Illuminate\Support\Facades\Cache;

/**
 * What has been worked out of the plans of one copy: the newest few of each part stay, since every edit makes another.
 */
final readonly class Kept
{
    /** Plans for which a part is kept: of now, and of some steps back. */
    public const NEWEST = 4;

    /** Days for which it is known what is kept; no longer than it is kept itself. */
    private const DAYS = Performances::DAYS;

    public function __construct(private StudentCopy $copy)
    {
    }

    /**
     * Takes note of what has just been kept; the oldest goes.
     *
     * @param  string  $part  of a performance
     * @param  string  $key  under which it is kept
     */
    public function add(string $part, string $key): void
    {
        Cache::lock("{$this->name()}:adding", 5)->get(function () use ($part, $key): void {
            $kept = $this->all();
            $keys = [...array_diff($kept[$part] ?? [], [$key]), $key];
            self::drop(array_splice($keys, 0, -self::NEWEST));
            Cache::put($this->name(), [...$kept, $part => $keys], now()->addDays(self::DAYS));
        });
    }

    public function forget(): void
    {
        self::drop(array_merge(...array_values($this->all())));
        Cache::forget($this->name());
    }

    /**
     * @return array<string, list<string>> keys by part, the newest last
     */
    private function all(): array
    {
        /** @var ?array<string, list<string>> $kept */
        $kept = Cache::get($this->name());

        return $kept ?? [];
    }

    /**
     * @param  list<string>  $keys
     */
    private static function drop(array $keys): void
    {
        foreach ($keys as $key) {
            Cache::forget($key);
            PageStore::forget($key);
        }
    }

    private function name(): string
    {
        return "copy:{$this->copy->id}:kept";
    }
}
