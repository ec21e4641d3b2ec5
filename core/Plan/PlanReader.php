<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Tarnwind\Core\Hand\FingerMark;
use Tarnwind\Core\Hand\OctaveMark;
use Tarnwind\Core\Hand\School as Fingers;
use Tarnwind\Core\Pedal\PedalMark;
use Tarnwind\Core\Pedal\School;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Read\BoundaryMark;
use Tarnwind\Core\Read\HandMark;
use Tarnwind\Core\Read\HarmonyMark;
use Tarnwind\Core\Read\LayerMark;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Touch\ArticulationMark;
use Tarnwind\Core\Touch\GestureMark;
use Tarnwind\Core\Touch\HoldMark;
use Tarnwind\Core\Touch\Profile;
use Tarnwind\Core\Touch\SlurMark;
use Tarnwind\Core\Touch\Style;
use Tarnwind\Core\Words\BarNote;

/**
 * Reads a plan document, as schemas/plan.schema.json has it.
 */
final class PlanReader
{
    private const SCHEMA = __DIR__.'/../../schemas/plan.schema.json';

    /**
     * @throws InvalidPlan
     */
    public static function read(string $json): Plan
    {
        $result = (new Validator)->validate(json_decode($json, false, 32), (string) file_get_contents(self::SCHEMA));
        $error = $result->error();
        if ($error !== null) {
            $found = (new ErrorFormatter)->formatFlat($error);
            throw new InvalidPlan('This is not a plan: '.(string) end($found));
        }
        /** @var array{school: string, tempo: int|float|null, fingering?: string, touch?: string, lengths?: array<string, int|float>, marks: list<array<string, mixed>>} $plan */
        $plan = json_decode($json, true, 32);

        return new Plan(
            School::from($plan['school']), $plan['tempo'] === null ? null : (float) $plan['tempo'], array_map(self::mark(...), $plan['marks']),
            Fingers::from($plan['fingering'] ?? Fingers::Ease->value),
            new Style(Profile::from($plan['touch'] ?? Profile::Written->value), array_map(floatval(...), $plan['lengths'] ?? [])),
        );
    }

    /**
     * @param  array<string, mixed>  $mark  valid against the schema
     */
    private static function mark(array $mark): Mark
    {
        /** @var array{id: string, craft: string, kind: string, from: array{measure: string, offset: string}, to: array{measure: string, offset: string}, at: array{measure: string, offset: string}, until: array{measure: string, offset: string}, depth: string, origin: string, words: string, measure: string, text: string, root: string, quality: string, bass: ?string, begins: bool, drawn: bool, notes: non-empty-list<string>, layer: string, hand: string, note: string, finger: string, articulation: string, octaves: int} $mark */
        return match ($mark['kind']) {
            'span', 'dry' => new PedalMark(
                $mark['id'], $mark['kind'] === 'dry', self::place($mark['from']), self::place($mark['to']),
                Depth::from($mark['depth']), Origin::from($mark['origin']), $mark['words'],
            ),
            'note' => new BarNote($mark['id'], $mark['measure'], $mark['text']),
            'harmony' => new HarmonyMark($mark['id'], self::place($mark['from']), self::place($mark['to']), $mark['root'], Quality::from($mark['quality']), $mark['bass']),
            'boundary' => new BoundaryMark($mark['id'], self::place($mark['at']), $mark['begins']),
            'layer' => new LayerMark($mark['id'], $mark['notes'], Layer::from($mark['layer'])),
            'hand' => new HandMark($mark['id'], $mark['notes'], Hand::from($mark['hand'])),
            'finger' => new FingerMark($mark['id'], $mark['note'], $mark['finger']),
            'octave' => new OctaveMark($mark['id'], $mark['notes'], $mark['octaves']),
            'articulation' => new ArticulationMark($mark['id'], $mark['notes'], Articulation::from($mark['articulation'])),
            'slur' => self::slur($mark),
            'hold' => new HoldMark($mark['id'], $mark['note'], self::place($mark['until'])),
            'gesture' => new GestureMark($mark['id'], self::place($mark['at']), $mark['text']),
            default => throw new InvalidPlan("This is not a plan: it has a mark of the unknown kind {$mark['kind']}."),
        };
    }

    /**
     * @param  array<string, mixed>  $mark
     */
    private static function slur(array $mark): SlurMark
    {
        /** @var array{id: string, from: string, to: string, drawn: bool} $mark */
        return new SlurMark($mark['id'], $mark['from'], $mark['to'], $mark['drawn']);
    }

    /**
     * @param  array{measure: string, offset: string}  $place
     */
    private static function place(array $place): Place
    {
        return new Place($place['measure'], Fraction::parse($place['offset']));
    }
}
