<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Opis\JsonSchema\Validator;

it('plays a plan that need not be saved, as its schema has it', function (): void {
    $teacher = User::factory()->create();
    $piece = Piece::factory()->for($teacher, 'teacher')->create();
    $copy = StudentCopy::factory()->create(['student_id' => Student::factory()->for($teacher, 'teacher')->create()->id, 'piece_id' => $piece->id]);
    $bar = $piece->score()->measures[1]->id;
    $plan = [...$copy->planDocument()->toArray(), 'tempo' => 120, 'marks' => [['id' => 'p', 'craft' => 'pedal', 'kind' => 'span', 'from' => ['measure' => $bar, 'offset' => '0'], 'to' => ['measure' => $bar, 'offset' => '2'], 'depth' => 'half', 'origin' => 'teacher', 'words' => '']]];
    $answer = $this->actingAs($teacher)->postJson("/copies/$copy->id/rendition", ['plan' => $plan])->assertOk();
    expect((new Validator)->validate(json_decode((string) $answer->getContent()), (string) file_get_contents(base_path('schemas/rendition.schema.json')))->isValid())->toBeTrue();
    // An up-beat of a quarter at 120 a minute, then the bar with the pedal on its first half.
    expect($answer->json('bars.1.ms'))->toEqual(500)->and($answer->json('bars.1.beats'))->toEqual([500, 1000, 1500, 2000])
        ->and(array_map(fn (array $event): array => [(float) $event['ms'], $event['value']], $answer->json('pedal')))->toBe([[550.0, 64], [1500.0, 0]])
        ->and(count($answer->json('events')))->toBe(count($piece->score()->notes));
});
