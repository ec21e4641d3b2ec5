<?php

declare(strict_types=1);

namespace App\Support;

use Monolog\LogRecord;
use Monolog\Processor\ProcessorInterface;
use Throwable;

/**
 * Takes what tells of people out of a log entry: addresses in texts, and whatever an error carries beside its place. The e-mails of the
 * log mailer go through, since there is no other way to them.
 */
final class WithoutPersonalData implements ProcessorInterface
{
    private const ADDRESS = '/[\w.+-]+@[\w-]+\.[\w.-]+/u';

    private const MAIL = 'Message-ID:';

    public function __invoke(LogRecord $record): LogRecord
    {
        if (str_contains($record->message, self::MAIL)) {
            return $record;
        }

        return $record->with(message: self::clean($record->message), context: array_map(self::told(...), array_intersect_key($record->context, ['exception' => null, 'userId' => null])));
    }

    private static function told(mixed $value): mixed
    {
        return $value instanceof Throwable
            ? ['class' => $value::class, 'message' => self::clean($value->getMessage()), 'at' => basename($value->getFile()).':'.$value->getLine()]
            : (is_int($value) ? $value : null);
    }

    private static function clean(string $text): string
    {
        // What a query was run with stands behind it.
        $text = (string) preg_replace('/\(Connection: .*$/s', '', $text);

        return (string) preg_replace(self::ADDRESS, '[address]', $text);
    }
}
