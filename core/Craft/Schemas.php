<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use BackedEnum;
use ReflectionClass;
use RuntimeException;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Plan\Plan;

/**
 * The JSON Schemas of plans, renditions and answers, put together from those that stand in the folders of the crafts: plan.schema.json
 * for a craft's settings and marks, and one file by the name of each answer.
 */
final class Schemas
{
    private const PLAN = __DIR__.'/../Plan/plan.schema.json';

    private const RENDITION = __DIR__.'/../Rendition/rendition.schema.json';

    private const COPY = __DIR__.'/../Handout/copy.schema.json';

    /**
     * @param  list<class-string<Craft>>  $crafts
     * @return array<string, array<string, mixed>> by name of the document: "plan", "rendition", each answer, and what else crafts have
     */
    public static function of(array $crafts): array
    {
        $schemas = ['plan' => self::read(self::PLAN), 'rendition' => self::read(self::RENDITION), 'copy' => self::read(self::COPY)];
        foreach ($crafts as $class) {
            $folder = dirname((string) (new ReflectionClass($class))->getFileName());
            $registration = new Registration($class::name());
            (new $class)->register($registration);
            $schemas['plan'] = self::withCraft($schemas['plan'], $registration, "$folder/plan.schema.json");
            foreach ([...array_keys($registration->answers), ...$registration->documents] as $name) {
                $schemas[$name] = self::withFindings(self::read("$folder/$name.schema.json"), $registration);
            }
        }

        return $schemas;
    }

    /**
     * @param  array<string, mixed>  $schema
     */
    public static function encode(array $schema): string
    {
        return json_encode($schema, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n";
    }

    /**
     * @param  array<string, mixed>  $plan
     * @return array<string, mixed>
     */
    private static function withCraft(array $plan, Registration $craft, string $file): array
    {
        if ($craft->marks === [] && $craft->settings === null) {
            return $plan;
        }
        $own = self::read($file);
        $add = [];
        if ($craft->settings !== null) {
            $add['properties']['settings']['properties'][$craft->craft] = ['type' => 'object', 'additionalProperties' => false, ...self::object($own, 'settings')];
        }
        $marks = self::object($own, 'marks');
        foreach (array_keys($craft->marks) as $kind) {
            $add['definitions']["$craft->craft-$kind"] = self::mark($craft->craft, (string) $kind, self::object($marks, (string) $kind));
            $add['properties']['marks']['items']['anyOf'][] = ['$ref' => "#/definitions/$craft->craft-$kind"];
        }
        $add['definitions'] = [...($add['definitions'] ?? []), ...self::object($own, 'definitions')];

        return array_merge_recursive($plan, $add);
    }

    /**
     * @param  array<string, mixed>  $own  what the craft says of its marks of a kind
     * @return array<string, mixed>
     */
    private static function mark(string $craft, string $kind, array $own): array
    {
        /** @var list<string> $required */
        $required = $own['required'] ?? [];

        return [
            ...$own, 'type' => 'object', 'additionalProperties' => false, 'required' => ['id', 'craft', 'kind', ...$required],
            'properties' => ['id' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 60], 'craft' => ['const' => $craft], 'kind' => ['const' => $kind], ...self::object($own, 'properties')],
        ];
    }

    /**
     * @param  array<string, mixed>  $answer
     * @return array<string, mixed>
     */
    private static function withFindings(array $answer, Registration $craft): array
    {
        if ($craft->kinds === null) {
            return $answer;
        }
        $place = ['type' => 'string', 'pattern' => '^\\d+(/[1-9]\\d*)?$', 'description' => 'quarters from the beginning'];
        $notes = ['type' => 'array', 'items' => ['type' => 'string'], 'description' => 'ids'];
        $object = fn (string $title, array $properties): array => [
            'title' => $title, 'type' => 'object', 'required' => array_keys($properties), 'additionalProperties' => false, 'properties' => $properties,
        ];
        $finding = $object('Finding', [
            'kind' => self::oneOf($craft->kinds), 'severity' => self::oneOf(Severity::class), 'at' => $place,
            'measure' => ['type' => 'integer', 'description' => 'index of the bar'], 'notes' => $notes,
            'value' => ['type' => 'number', 'description' => 'what was measured'], 'limit' => ['type' => 'number', 'description' => 'what it is measured against'],
            'unit' => self::oneOf(Unit::class), 'reason' => ['type' => 'string', 'description' => "in a teacher's words"],
            'remedy' => $craft->actions === null ? ['type' => 'null'] : ['anyOf' => [['type' => 'null'], ['$ref' => '#/definitions/remedy']]],
        ]);
        $remedy = $craft->actions === null ? [] : ['remedy' => $object('Remedy', [
            'action' => self::oneOf($craft->actions), 'label' => ['type' => 'string'], 'notes' => $notes, 'value' => ['type' => 'string', 'description' => 'what the notes become'],
            'at' => ['anyOf' => [['type' => 'null'], $place]],
        ])];
        $answer['definitions'] = [...self::object($answer, 'definitions'), 'finding' => $finding, ...$remedy];

        return $answer;
    }

    /**
     * @param  class-string<BackedEnum>  $enum
     * @return array{enum: list<int|string>}
     */
    private static function oneOf(string $enum): array
    {
        return ['enum' => array_column($enum::cases(), 'value')];
    }

    /**
     * @param  array<string, mixed>  $of
     * @return array<string, mixed>
     */
    private static function object(array $of, string $name): array
    {
        /** @var array<string, mixed> */
        return $of[$name] ?? [];
    }

    /**
     * @return array<string, mixed>
     */
    private static function read(string $file): array
    {
        $schema = is_file($file) ? json_decode((string) file_get_contents($file), true) : null;

        /** @var array<string, mixed> */
        return is_array($schema) ? $schema : throw new RuntimeException("There is no schema in $file.");
    }
}
