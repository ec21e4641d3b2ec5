<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Tarnwind\Core\Score\Note;

beforeEach(function (): void {
    $this->teacher = User::factory()->create();
    $this->actingAs($this->teacher);
    $student = Student::factory()->for($this->teacher, 'teacher')->create();
    $this->piece = Piece::factory()->for($this->teacher, 'teacher')->create();
    $this->copy = StudentCopy::factory()->create(['student_id' => $student->id, 'piece_id' => $this->piece->id]);
    $this->url = "/copies/{$this->copy->id}";
});

it('copies the marks of bars onto their twins, and saves nothing', function (): void {
    $in = fn (int $bar): array => array_values(array_filter($this->piece->score()->notes, fn (Note $note): bool => $note->measure === $bar));
    $note = $in(1)[0];
    $plan = [...$this->copy->planDocument()->toArray(), 'marks' => [['id' => 'f', 'craft' => 'hand', 'kind' => 'finger', 'note' => $note->id, 'finger' => '3']]];
    $ask = fn (array $bars, int $to) => $this->postJson("$this->url/twins", ['plan' => $plan, 'bars' => $bars, 'to' => $to]);
    $answer = $ask(['first' => 1, 'last' => 2], 17)->assertOk();
    $marks = $answer->json('plan.marks');
    expect($marks)->toHaveCount(2)->and($marks[1]['finger'])->toBe('3')->and($marks[1]['id'])->not->toBe('f')
        ->and(array_column(array_map(fn (Note $one): array => ['id' => $one->id], $in(17)), 'id'))->toContain($marks[1]['note'])
        ->and($answer->json('copied'))->toBe(1)->and($this->copy->fresh()->planDocument()->marks)->toBe([]);

    $ask(['first' => 1, 'last' => 2], 2)->assertUnprocessable();
    $ask(['first' => 1, 'last' => 2], 9000)->assertUnprocessable();
    $ask(['first' => 2, 'last' => 1], 9)->assertUnprocessable();
    $this->actingAs(User::factory()->create());
    $ask(['first' => 1, 'last' => 2], 17)->assertForbidden();
});

it('does not say again what is meant so, in those bars alone', function (string $craft): void {
    // One pedal through the whole piece: something is to be said of it in many bars.
    $score = $this->piece->score();
    [$first, $last] = [$score->measures[1], $score->measures[count($score->measures) - 1]];
    $marks = [
        ['id' => 'p', 'craft' => 'pedal', 'kind' => 'span', 'from' => ['measure' => $first->id, 'offset' => '0'], 'to' => ['measure' => $last->id, 'offset' => '0'], 'depth' => 'full', 'origin' => 'teacher', 'words' => ''],
        ...array_map(fn (Note $note): array => ['id' => "t-$note->id", 'craft' => 'touch', 'kind' => 'articulation', 'notes' => [$note->id], 'articulation' => 'staccato'], array_slice($score->notes, 0, 60)),
    ];
    $findings = fn (array $more): array => $this->postJson("$this->url/answers/$craft", ['plan' => [...$this->copy->planDocument()->toArray(), 'marks' => [...$marks, ...$more]]])->assertOk()->json('findings');
    $all = $findings([]);
    $one = $all[0];
    $quiet = $findings([['id' => 'i', 'craft' => 'words', 'kind' => 'intended', 'of' => $craft, 'finding' => $one['kind'], 'measures' => [$score->measures[$one['measure']]->id]]]);
    $isTold = fn (array $finding): bool => $finding['kind'] !== $one['kind'] || $finding['measure'] !== $one['measure'];
    expect($quiet)->toBe(array_values(array_filter($all, $isTold)))->and(count($quiet))->toBeLessThan(count($all));
    expect($findings([['id' => 'i', 'craft' => 'words', 'kind' => 'intended', 'of' => 'count', 'finding' => $one['kind'], 'measures' => [$score->measures[$one['measure']]->id]]]))->toBe($all);
})->with(['pedal', 'touch']);
