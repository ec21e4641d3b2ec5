<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Closure;
use JsonException;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use stdClass;

/**
 * Reads plan documents with the marks and settings that the crafts have registered.
 */
final class PlanReader
{
    private const SCHEMA = 'https://tarnwind.invalid/schemas/plan.schema.json';

    /** Objects in objects of a document, at the most. */
    private const DEPTH = 16;

    private const EMPTY = ['format' => Plan::FORMAT, 'tempo' => null, 'marks' => []];

    public const MOST_MARKS = 20000;

    private ?Validator $validator = null;

    /**
     * @param  array<string, class-string<Mark>>  $marks  by "craft/kind"
     * @param  array<string, class-string<Settings>>  $settings  by craft
     * @param  Closure(): string  $schema  of the whole document, as JSON
     */
    public function __construct(
        private readonly array $marks,
        private readonly array $settings,
        private readonly Closure $schema,
    ) {
    }

    /**
     * A document that comes in: checked against its schema.
     *
     * @throws InvalidPlan in a teacher's words
     */
    public function read(string $json): Plan
    {
        return $this->checked(self::decode($json));
    }

    /**
     * A document that comes in, decoded.
     *
     * @throws InvalidPlan in a teacher's words
     */
    public function checked(mixed $document): Plan
    {
        if (! $document instanceof stdClass) {
            throw new InvalidPlan('This is not a plan.');
        }
        $document = Upgrade::toLatest($document);
        $marks = is_array($document->marks ?? null) ? $document->marks : [];
        if (count($marks) > self::MOST_MARKS) {
            throw new InvalidPlan('This is not a plan: it has more than '.self::MOST_MARKS.' marks.');
        }
        // Each mark is checked as one of its own kind: that is quicker than as any of all kinds, and says better what is wrong.
        $frame = clone $document;
        $frame->marks = isset($document->marks) && ! is_array($document->marks) ? $document->marks : [];
        $this->check($frame, self::SCHEMA, 'the plan');
        foreach ($marks as $number => $mark) {
            $name = $this->nameOf($mark, $number);
            $this->check($mark, self::SCHEMA."#/definitions/$name", 'mark '.((int) $number + 1));
        }

        return $this->made($document);
    }

    /**
     * A document that was checked when it came in.
     *
     * @throws InvalidPlan if it is none after all
     */
    public function kept(string $json): Plan
    {
        $document = self::decode($json);

        return $this->made(Upgrade::toLatest($document));
    }

    /**
     * What can be read of a document that was kept and cannot be read as a whole: its tempo, and every mark and setting
     * that is right by itself.
     */
    public function salvaged(string $json): Plan
    {
        try {
            $document = self::decode($json);
        } catch (InvalidPlan) {
            return new Plan;
        }
        try {
            $document = Upgrade::toLatest($document);
        } catch (InvalidPlan) {
            // A later format may share much with this one.
        }
        $parts = isset($document->tempo) ? [['tempo' => $document->tempo]] : [];
        foreach ((array) ($document->settings ?? null) as $craft => $settings) {
            $parts[] = ['settings' => (object) [$craft => $settings]];
        }
        foreach (is_array($document->marks ?? null) ? $document->marks : [] as $mark) {
            $parts[] = ['marks' => [$mark]];
        }
        [$tempo, $marks, $settings] = [null, [], []];
        foreach ($parts as $part) {
            try {
                $read = $this->checked((object) [...self::EMPTY, 'settings' => new stdClass, ...$part]);
            } catch (InvalidPlan) {
                continue;
            }
            $tempo ??= $read->tempo;
            $marks = [...$marks, ...$read->marks];
            $settings += $read->allSettings();
        }

        return new Plan($tempo, array_slice($marks, 0, self::MOST_MARKS), $settings);
    }

    private static function decode(string $json): stdClass
    {
        try {
            $document = json_decode($json, false, self::DEPTH, JSON_THROW_ON_ERROR);
        } catch (JsonException) {
            $document = null;
        }

        return $document instanceof stdClass ? $document : throw new InvalidPlan('This is not a plan.');
    }

    private function made(stdClass $document): Plan
    {
        $fields = new Fields($document);
        $settings = [];
        foreach ($this->settings as $craft => $class) {
            if (isset($document->settings->$craft)) {
                $settings[$craft] = $class::read($fields->object('settings')->object($craft));
            }
        }
        $marks = [];
        foreach (is_array($document->marks ?? null) ? $document->marks : [] as $number => $mark) {
            $this->nameOf($mark, $number);
            $marks[] = $this->marks["$mark->craft/$mark->kind"]::read(new Fields($mark, 'mark '.($number + 1)));
        }

        return new Plan($fields->has('tempo') ? $fields->number('tempo') : null, $marks, $settings);
    }

    /**
     * The name of a mark's kind in the schema.
     *
     * @phpstan-assert stdClass $mark
     *
     * @throws InvalidPlan if no craft knows it
     */
    private function nameOf(mixed $mark, int|string $number): string
    {
        $craft = $mark instanceof stdClass ? $mark->craft ?? null : null;
        $kind = $mark instanceof stdClass ? $mark->kind ?? null : null;
        if (! is_string($craft) || ! is_string($kind) || ! isset($this->marks["$craft/$kind"])) {
            throw new InvalidPlan('This is not a plan: mark '.((int) $number + 1).' is of a kind that is not known.');
        }

        return "$craft-$kind";
    }

    private function check(stdClass $part, string $schema, string $where): void
    {
        $this->validator ??= $this->validator();
        $error = $this->validator->validate($part, $schema)->error();
        if ($error !== null) {
            $found = (new ErrorFormatter)->formatFlat($error);
            throw new InvalidPlan("This is not a plan: in $where, ".lcfirst((string) end($found)));
        }
    }

    private function validator(): Validator
    {
        $validator = new Validator;
        $validator->resolver()?->registerRaw(($this->schema)(), self::SCHEMA);

        return $validator;
    }
}
