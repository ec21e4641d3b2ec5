<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/**
 * What a teacher has beside her password: an authenticator app, and codes to be used once when it is lost. The codes are
 * kept as hashes.
 */
final readonly class SecondFactor
{
    private const CODES = 8;

    /** Seconds for which it is remembered which code was used last. */
    private const USED_SECONDS = 120;

    public function __construct(private User $teacher)
    {
    }

    /**
     * Takes an app into use.
     *
     * @return list<string> recovery codes, to be shown once
     */
    public function begin(Totp $app): array
    {
        $this->teacher->forceFill(['second_factor' => $app->secret]);

        return $this->renewCodes();
    }

    /**
     * @return list<string> new recovery codes in place of the old ones, to be shown once
     */
    public function renewCodes(): array
    {
        $codes = self::codes();
        $this->teacher->forceFill(['recovery_codes' => array_map(Hash::make(...), $codes)])->save();

        return $codes;
    }

    public function end(): void
    {
        $this->teacher->forceFill(['second_factor' => null, 'recovery_codes' => null])->save();
    }

    /**
     * Whether a code of the app is right now, or one of the recovery codes, which is then used up.
     */
    public function accepts(string $code): bool
    {
        $code = Str::lower(preg_replace('/\s+/', '', $code) ?? '');

        return preg_match('/^\d{6}$/', $code) === 1 ? $this->acceptsFromApp($code) : $this->acceptsRecovery($code);
    }

    private function acceptsFromApp(string $code): bool
    {
        $key = "second-factor:{$this->teacher->id}";
        /** @var int|string $used some stores give numbers back as text */
        $used = Cache::get($key, 0);
        $step = $this->teacher->second_factor === null ? null : (new Totp($this->teacher->second_factor))->accepts($code, now()->getTimestamp(), (int) $used);
        if ($step !== null) {
            Cache::put($key, $step, self::USED_SECONDS);
        }

        return $step !== null;
    }

    private function acceptsRecovery(string $code): bool
    {
        $codes = $this->teacher->recovery_codes ?? [];
        foreach ($codes as $index => $hash) {
            if (Hash::check($code, $hash)) {
                unset($codes[$index]);
                $this->teacher->forceFill(['recovery_codes' => array_values($codes)])->save();

                return true;
            }
        }

        return false;
    }

    /**
     * @return list<string>
     */
    private static function codes(): array
    {
        return array_map(fn (): string => Str::lower(Str::random(5).'-'.Str::random(5)), range(1, self::CODES));
    }
}
