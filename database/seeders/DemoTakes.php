<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\StudentCopy;
use App\Models\Take;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;
use Tarnwind\Core\Hear\Simulation\Fault;
use Tarnwind\Core\Hear\Simulation\FaultKind;
use Tarnwind\Core\Hear\Simulation\Pianist;
use Tarnwind\Core\Hear\Simulation\SimulatedPiano;
use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Hear\Trainer\Exercise;
use Tarnwind\Core\Hear\Trainer\ExerciseKind;
use Tarnwind\Core\Score\Bars;

/**
 * Takes of the demonstration, played by a simulated pianist who gets better, and rounds of her foot.
 */
final readonly class DemoTakes
{
    private const DEVICE = 'Simulated piano';

    public function __construct(private Carbon $today)
    {
    }

    public function seed(StudentCopy $lantern, StudentCopy $weather): void
    {
        $late = fn (float $ms): Fault => new Fault(FaultKind::LateFoot, amount: $ms);
        $this->takes($lantern, [
            ['First time through', 27, new Pianist([$late(230.0), new Fault(FaultKind::LoudFilling), new Fault(FaultKind::WrongNotes), new Fault(FaultKind::Waits, new Bars(8, 17))], Skill::Growing, 1)],
            ['With the foot in mind', 13, new Pianist([$late(60.0), new Fault(FaultKind::LoudFilling, new Bars(9, 16)), new Fault(FaultKind::WrongNotes, amount: 0.01)], Skill::Intermediate, 2)],
            [null, 2, new Pianist([new Fault(FaultKind::LateFoot, new Bars(13, 16)), new Fault(FaultKind::Waits, new Bars(15, 16))], Skill::Intermediate, 3)],
        ]);
        $this->takes($weather, [[null, 5, new Pianist([new Fault(FaultKind::Flat), new Fault(FaultKind::ShortRests)], Skill::Intermediate, 4)]]);
        $this->rounds($lantern);
    }

    /**
     * They are judged when they are first looked at.
     *
     * @param  list<array{?string, int, Pianist}>  $takes  name, days ago, and who plays
     */
    private function takes(StudentCopy $copy, array $takes): void
    {
        $performance = $copy->performance();
        foreach ($takes as [$name, $daysAgo, $pianist]) {
            $take = $copy->takes()->make([
                'uuid' => self::uuid("take $copy->id $daysAgo"), 'name' => $name, 'device' => self::DEVICE, 'by' => 'student', 'plan' => $copy->plan,
                'midi' => Take::encoded(SimulatedPiano::play($performance, $pianist), $copy->piece->title),
            ]);
            $at = $this->today->copy()->subDays($daysAgo)->setTime(17, 20);
            $take->forceFill(['created_at' => $at, 'updated_at' => $at])->save();
        }
    }

    /**
     * A foot that has become quicker and surer.
     */
    private function rounds(StudentCopy $copy): void
    {
        [$tempo, $tolerance] = [Exercise::TEMPO, Exercise::TOLERANCE];
        foreach ([0.44, 0.67, 0.78, 0.89, 1.0, 0.89] as $round => $share) {
            $lag = 110.0 - 15 * $round;
            $copy->student->footRounds()->create([
                'uuid' => self::uuid("round $round"), 'exercise' => ExerciseKind::Change->value, 'place' => null, 'day' => $this->today->copy()->subDays(20 - 3 * $round)->toDateString(),
                'tempo' => $tempo, 'tolerance' => $tolerance, 'share' => $share, 'lag' => $lag, 'gap' => 0.0, 'smear' => $lag, 'by' => 'student',
            ]);
            [$tempo, $tolerance] = Exercise::next($tempo, $tolerance, $share);
        }
    }

    /**
     * The same demonstration has the same ones.
     */
    public static function uuid(string $of): string
    {
        return Str::of(md5($of))->replaceMatches('/^(.{8})(.{4})(.{4})(.{4})(.{12})$/', '$1-$2-$3-$4-$5')->value();
    }
}
