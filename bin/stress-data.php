<?php

declare(strict_types=1);

// Makes teachers with a student, a piece and a copy each in the configured database, and prints {email, password, copy,
// plan} of each as JSON. Usage: php bin/stress-data.php TEACHERS [NOTES], NOTES in each piece; the demo piece without.

use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Database\Factories\PieceFactory;
use Illuminate\Contracts\Console\Kernel;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\SuggestedPedal;
use Tests\support\Corpus;

require __DIR__.'/../vendor/autoload.php';
(require __DIR__.'/../bootstrap/app.php')->make(Kernel::class)->bootstrap();

$notes = (int) ($argv[2] ?? 0);
$read = PieceFactory::read($notes > 0 ? Corpus::grown('BWV_0775.xml', $notes) : (string) file_get_contents(database_path('demo/slow-weather.musicxml')));
$made = [];
$plan = null;
for ($number = 0; $number < (int) $argv[1]; $number++) {
    $teacher = User::factory()->create(['email' => "teacher$number@tarnwind.invalid"]);
    $piece = Piece::factory()->for($teacher, 'teacher')->create($read);
    $score = $piece->score();
    $plan ??= (new SuggestedPedal)->suggest(Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score)))->toArray();
    $copy = StudentCopy::factory()->create(['student_id' => Student::factory()->for($teacher, 'teacher')->create()->id, 'piece_id' => $piece->id, 'plan' => json_encode($plan)]);
    $made[] = ['email' => $teacher->email, 'password' => 'reed-bed-at-dawn', 'copy' => $copy->id, 'plan' => $plan];
}
echo json_encode($made, JSON_THROW_ON_ERROR);
