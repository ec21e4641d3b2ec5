<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\CopyStatus;
use App\Models\Piece;
use App\Models\StudentCopy;
use App\Models\User;
use Closure;
use Database\Factories\PieceFactory;
use Illuminate\Database\Seeder;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Pedal\SuggestedPedal;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Practice\ExampleMark;
use Tarnwind\Core\Practice\Fault;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Instrument;
use Tarnwind\Core\Tempo\When;
use Tarnwind\Core\Time\FermataMark;
use Tarnwind\Core\Time\RubatoMark;
use Tarnwind\Core\Time\SilenceMark;
use Tarnwind\Core\Time\SuggestedTime;
use Tarnwind\Core\Touch\GestureMark;
use Tarnwind\Core\Words\BarNote;

/**
 * The demonstration: an invented teacher with three students, three pieces composed for it, and six weeks of lessons and
 * practice.
 */
final class DatabaseSeeder extends Seeder
{
    /** What a copy shows that has something of every craft. */
    private const RICH = ['hand', 'changing-fingers', 'touch', 'shape', 'pedal', 'time', 'words', 'tune', 'harmonies', 'count', 'phrases', 'played', 'timing', 'notes'];

    public function run(): void
    {
        $teacher = User::query()->firstOrCreate(
            ['email' => config('tarnwind.demo_email')],
            ['name' => 'Ines Marrow', 'password' => config('tarnwind.demo_password')],
        );
        if ($teacher->students()->exists()) {
            return;
        }
        $teacher->forceFill(['email_verified_at' => now()])->save();
        $oona = $teacher->students()->create(['name' => 'Oona', 'instrument' => Instrument::ConcertGrand, 'half_pedal' => true, 'sostenuto' => true, 'run_rate' => 9.0, 'repetition_rate' => 7.0,
            'right_comfortable' => 14, 'right_largest' => 16, 'left_comfortable' => 14, 'left_largest' => 16]);
        $bram = $teacher->students()->create(['name' => 'Bram', 'instrument' => Instrument::SmallUpright, 'half_pedal' => true, 'sostenuto' => false, 'run_rate' => 6.5,
            'right_comfortable' => 12, 'right_largest' => 14, 'left_comfortable' => 12, 'left_largest' => 14]);
        $lio = $teacher->students()->create(['name' => 'Lio', 'instrument' => Instrument::Digital, 'half_pedal' => false, 'sostenuto' => false]);

        $pieces = [];
        foreach (['lantern-on-the-water', 'slow-weather', 'skipping-stones'] as $name) {
            $pieces[$name] = $teacher->pieces()->create(PieceFactory::read((string) file_get_contents(database_path("demo/$name.musicxml"))));
        }
        $lantern = $this->copy($oona->id, $pieces['lantern-on-the-water'], [
            1 => 'Let the left hand lie under the song like water. The first bass note is the deepest.',
            13 => 'From here the line climbs step by step: listen that each new note is clean before the next.',
            22 => 'One pedal to the very end. Hands may leave; the foot stays until the sound has gone.',
        ]);
        $plan = $lantern->planDocument();
        $lantern->update(['plan' => $plan->withMarks([...$plan->marks,
            new ExampleMark('example-1', 'tw1-5', 'tw1-8', Fault::LateFoot, 'Where does the bass of the bar before stay in the water?'),
            new ExampleMark('example-2', 'tw1-14', 'tw1-17', Fault::FillingTooLoud, 'Who sings?'),
        ])->toJson()]);
        $lantern->update(['status' => CopyStatus::Polishing, 'goal' => 'Lake evening', 'goal_on' => today()->addWeeks(5)]);
        $this->copy($bram->id, $pieces['slow-weather'], [
            9 => 'Weight from the back, not from the wrist. Change exactly with each octave.',
        ], [4 => 'hand moves early', 9 => 'arm weight', 13 => 'fingers stay close'], self::timeIn(...))->update(['status' => CopyStatus::Learning, 'handout' => ['show' => self::RICH, 'size' => 'usual', 'paper' => 'a4', 'landscape' => false]]);
        $this->copy($lio->id, $pieces['skipping-stones'], [
            1 => 'The stone touches the water and is gone: every off-beat light.',
        ])->update(['status' => CopyStatus::Learning]);
        $pieces['lantern-on-the-water']->update(['tags' => ['lake evening', 'first pedal']]);
        $pieces['slow-weather']->update(['tags' => ['chords']]);
        $oona->update(['practice_minutes' => [10, 10, 10, 10, 10, 15, 0]]);
        $bram->update(['practice_minutes' => [15, 15, 15, 15, 0, 20, 0]]);
        $lio->update(['practice_minutes' => [15, 15, 15, 15, 15, 0, 0]]);

        (new DemoLessons($teacher))->seed();
        foreach (StudentCopy::query()->with(['student.adjusted', 'piece'])->orderBy('id')->get() as $number => $copy) {
            [$weeks, $stuck] = [[6, null], [6, 0], [3, null]][$number];
            (new DemoPractice($number + 1))->seed($copy, $teacher->today(), $weeks, $stuck);
        }
        [$first, $second] = StudentCopy::query()->with(['student.teacher', 'student.adjusted', 'piece', 'practiceEntries'])->orderBy('id')->limit(2)->get()->all();
        (new DemoTakes($teacher->today()))->seed($first, $second);
    }

    /**
     * @param  array<int, string>  $words  by printed bar number
     * @param  array<int, string>  $gestures  at the beginning of bars, by printed number
     * @param  (Closure(Score): list<Mark>)|null  $time  how time is taken beyond what the piece suggests; null for as printed
     */
    private function copy(int $student, Piece $piece, array $words, array $gestures = [], ?Closure $time = null): StudentCopy
    {
        $score = $piece->score();
        $plan = (new SuggestedPedal)->suggest(Crafts::registry()->performance($score, Crafts::registry()->freshPlan($score)));
        $plan = $time === null ? $plan : (new SuggestedTime)->suggest(Crafts::registry()->performance($score, $plan));
        $notes = $time === null ? [] : $time($score);
        foreach ($score->measures as $measure) {
            if (isset($words[(int) $measure->number])) {
                $notes[] = new BarNote('note-'.$measure->id, $measure->id, $words[(int) $measure->number]);
            }
            if (isset($gestures[(int) $measure->number])) {
                $notes[] = new GestureMark('gesture-'.$measure->id, new Place($measure->id, Fraction::zero()), $gestures[(int) $measure->number]);
            }
        }
        $copy = StudentCopy::query()->create([
            'student_id' => $student, 'piece_id' => $piece->id, 'revision' => 1,
            'plan' => $plan->withMarks([...$plan->marks, ...$notes])->toJson(),
        ]);
        $copy->versions()->create(['name' => 'As it was suggested', 'plan' => $plan->toJson()]);

        return $copy;
    }

    /**
     * A line that lingers on its summit and gives it back, a breath before the storm, and a last chord that is left to ring.
     *
     * @return list<Mark>
     */
    private static function timeIn(Score $score): array
    {
        $at = fn (int $bar, string $offset = '0'): Place => new Place($score->measures[$bar - 1]->id, Fraction::parse($offset));

        return [
            new RubatoMark('rubato-1', $at(5), $at(7), [1.15, 1.05, null, null, null, null, null, null], 1, true),
            new SilenceMark('silence-1', $at(9), 400.0, When::Every),
            new FermataMark('fermata-1', $at(16), 10.0, When::Every),
        ];
    }
}
