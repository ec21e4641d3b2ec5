<?php

declare(strict_types=1);

namespace App\Accounts;

/**
 * One-time passwords by the clock: RFC 6238 with SHA-1, six digits and steps of thirty seconds, as authenticator apps have it.
 */
final readonly class Totp
{
    private const STEP = 30;

    private const DIGITS = 6;

    /** Bytes of a secret: 160 bits, RFC 4226. */
    private const BYTES = 20;

    /** RFC 4648. */
    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /**
     * @param  string  $secret  in Base32
     */
    public function __construct(#[\SensitiveParameter] public string $secret)
    {
    }

    public static function fresh(): self
    {
        $bits = '';
        foreach (str_split(random_bytes(self::BYTES)) as $byte) {
            $bits .= sprintf('%08b', ord($byte));
        }

        return new self(implode('', array_map(fn (string $five): string => self::BASE32[(int) bindec($five)], str_split($bits, 5))));
    }

    /**
     * The step of the clock at which a code is right, one before or after the present one included; null for a wrong code.
     *
     * @param  int  $after  a step that was used before: neither it nor one before it is right again
     */
    public function accepts(string $code, int $time, int $after = 0): ?int
    {
        $now = intdiv($time, self::STEP);
        foreach ([$now, $now - 1, $now + 1] as $step) {
            if ($step > $after && hash_equals($this->at($step), $code)) {
                return $step;
            }
        }

        return null;
    }

    /**
     * The address that an authenticator app reads from a picture.
     */
    public function address(string $account): string
    {
        return 'otpauth://totp/Tarnwind:'.rawurlencode($account)."?secret=$this->secret&issuer=Tarnwind";
    }

    private function at(int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), $this->key(), true);
        $offset = ord($hash[19]) & 0x0F;
        $value = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) ((($value[1] ?? 0) & 0x7FFFFFFF) % 10 ** self::DIGITS), self::DIGITS, '0', STR_PAD_LEFT);
    }

    private function key(): string
    {
        $bits = implode('', array_map(fn (string $letter): string => sprintf('%05b', strpos(self::BASE32, $letter)), str_split($this->secret)));

        return implode('', array_map(fn (string $eight): string => chr((int) bindec($eight)), str_split(substr($bits, 0, intdiv(strlen($bits), 8) * 8), 8)));
    }
}
