<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Pedal\Blur;
use Tarnwind\Core\Reading\KeyArea;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Pitch;

/**
 * What was heard in words: to the teacher with its numbers, to the student plainly, and what to try.
 */
final readonly class Words
{
    public function __construct(private Comparison $comparison)
    {
    }

    /**
     * To the teacher.
     */
    public function reason(Measure $measure): string
    {
        $value = $measure->value;
        $planned = $measure->planned;
        $ms = fn (float $milliseconds): string => round($milliseconds).' ms';
        $dB = fn (float $decibels): string => sprintf('%.1f dB', abs($decibels));
        $percent = fn (float $share): string => round(100 * $share).' %';
        $where = $this->where($measure->at, $measure->bar);
        $beat = $this->beat($measure->at, $measure->bar);
        $isAfter = str_starts_with($beat, 'after');
        [$on, $before] = $isAfter ? [$beat, $beat] : ["on $beat", "before $beat"];

        return match ($measure->kind) {
            MeasureKind::WrongNote => "{$this->key((int) $value, $measure->at)} in place of {$this->name($measure)} $on.",
            MeasureKind::MissingNote => "{$this->name($measure)} $on does not sound.",
            MeasureKind::ExtraNote => "{$this->key((int) $value, $measure->at)} sounds {$on} and is not written.",
            MeasureKind::Stop => "Stopped before $where".($value > 1 ? ', and '.round($value).' notes played once more.' : '.'),
            MeasureKind::Hesitation => "A wait of {$ms($value)} $before.",
            MeasureKind::Rushed => "This bar goes {$percent($value)} quicker than those around it.",
            MeasureKind::Dragged => "This bar goes {$percent($value)} slower than those around it.",
            MeasureKind::Drift => 'The tempo '.($value > 0 ? 'gains ' : 'loses ').$percent(abs($value)).' from here to the end of what was played.',
            MeasureKind::Slowing => sprintf('Planned to slow down to %.2f times the length here, heard %.2f times.', $planned, $value),
            MeasureKind::Hold => sprintf('The fermata was held %.1f times its written length, planned %.1f times.', max(0.0, $value), $planned),
            MeasureKind::ShortRest => "The rest $before lasts {$ms(max(0.0, $value))}; planned are {$ms($planned)}.",
            MeasureKind::Ratio => sprintf('Long to short as %.1f to 1, planned %.1f to 1: ', $value, $planned).($measure->detail === 'softer' ? 'the figure melts into triplets.' : 'the short notes are too short.'),
            MeasureKind::CrossRhythm => "In $measure->detail the strokes lie {$percent($value)} of a short note from their places.",
            MeasureKind::Rubato => sprintf('At the end of the rubato %+d ms are left over, planned %+d.', round($value), round($planned)),
            MeasureKind::Evenness => "The quick notes of the $measure->detail hand fall {$percent($value)} of the time between two of them beside an even line.",
            MeasureKind::ChordSpread => "A chord takes {$ms($value)} from its first to its last key.",
            MeasureKind::HandsApart => 'The left hand comes '.$ms(abs($value)).($value > 0 ? ' after' : ' before').' the right one.',
            MeasureKind::Gap => $measure->detail === 'early' ? "The pedal comes up {$ms($value)} too soon; the sound breaks." : "The foot comes up $before and the sound breaks for {$ms($value)}.",
            MeasureKind::Smear => match ($measure->detail) {
                'early' => 'The pedal goes down '.$ms(-$value)." $before, on keys of the old harmony.",
                'hardly' => "The foot changes too quickly $on: the dampers hardly touch the strings.",
                default => "The foot comes up {$ms($value)} after the new sound $on; the old harmony rings into the new one.",
            },
            MeasureKind::MissedPedal => $measure->detail === 'held' ? "The pedal is not changed $on." : "No pedal $on, where it is planned.",
            MeasureKind::ExtraPedal => "Pedal for {$ms($value)} where none is planned.",
            MeasureKind::BassLost => $measure->detail === 'extra' ? 'A pedal change that is not planned lets the bass go.' : "The bass $on is left before the pedal is down, {$ms($value)} after the stroke.",
            MeasureKind::LateLift => "The pedal stays down {$ms($value)} too long; it is to be up.",
            MeasureKind::Depth => "The pedal is held at {$percent($value)}, planned are {$percent($planned)}.",
            MeasureKind::Blur => 'Blur of '.Blur::inWords($value).', where '.sprintf('%.2f', $planned).' is planned.',
            MeasureKind::Filling => "The melody stands {$dB($value)} ".($value >= 0 ? 'over' : 'under')." the filling, planned {$dB($planned)}".($planned >= 0 ? ' over' : ' under').'.',
            MeasureKind::TopNote => "The top of the chords stands {$dB($value)} ".($value >= 0 ? 'over' : 'under')." the rest, planned {$dB($planned)}.",
            MeasureKind::Bass => 'The bass is '.$dB($value - $planned).($measure->detail === 'loud' ? ' too loud' : ' too soft').' beside the melody.',
            MeasureKind::Goal => "The phrase is loudest $on, {$dB($value)} over its goal.",
            MeasureKind::Flat => 'The phrase is planned to move by '.$dB($planned).'; of that '.($value < 0.5 ? 'nothing' : $dB($value)).' is heard.',
            MeasureKind::Echo => $planned < 0 ? "These bars come again {$dB($planned)} softer by plan; heard ".($value > -0.5 ? 'as loud as before.' : "{$dB($value)} softer.")
                : "These bars come again {$dB($planned)} stronger by plan; heard ".($value < 0.5 ? 'no stronger.' : "{$dB($value)} stronger."),
            MeasureKind::Level => 'The phrase is '.$dB($value - $planned).($measure->detail === 'loud' ? ' louder' : ' softer').' than planned, beside the rest of the take.',
            MeasureKind::Repeated => "The repeated notes differ by {$dB($value)}, planned {$dB($planned)}: all alike.",
            MeasureKind::Accents => "What falls on the beat is {$dB($value)} louder than planned, beside what falls between.",
            MeasureKind::Headroom => "The loudest bar stands {$dB($value)} over those that lead to it, planned {$dB($planned)}: no room was left.",
            MeasureKind::Unjoined => "A gap of {$ms($value)} $before, where it is to be joined and no pedal joins it.",
            MeasureKind::Overlap => "The key $before is held {$ms($value)} into the next one.",
            MeasureKind::Staccato => "Staccato is held {$percent($value)} of the written length, planned {$percent($planned)}.",
            MeasureKind::SlurEnd => 'No breath after the slur '."$before: ".($value >= 0 ? "{$ms($value)} of air" : 'it runs on').', planned '.$ms($planned).'.',
            MeasureKind::RestHeld => "Keys are held {$ms($value)} into the rest.",
            MeasureKind::LeftApart => "The keys of what ends together are left over {$ms($value)}, without pedal.",
            MeasureKind::LetGo => "Let go after {$percent($value)} of its length, without pedal.",
        };
    }

    /**
     * To the student.
     */
    public function heard(Measure $measure): string
    {
        return match ($measure->kind) {
            MeasureKind::WrongNote => 'Another key than the written one.',
            MeasureKind::MissingNote => 'A note that does not sound.',
            MeasureKind::ExtraNote => 'A note too many.',
            MeasureKind::Stop => 'You stopped here and began again.',
            MeasureKind::Hesitation => 'You wait before it.',
            MeasureKind::Rushed => 'It runs away here.',
            MeasureKind::Dragged => 'It becomes slower here.',
            MeasureKind::Drift => $measure->value > 0 ? 'You become quicker and quicker.' : 'You become slower and slower.',
            MeasureKind::Slowing => 'It does not slow down as we planned.',
            MeasureKind::Hold => 'The fermata is too short.',
            MeasureKind::ShortRest => 'The rest is too short.',
            MeasureKind::Ratio => $measure->detail === 'softer' ? 'The long notes are too short: it becomes triplets.' : 'The short notes are too short.',
            MeasureKind::CrossRhythm => 'The two hands do not share the beat evenly.',
            MeasureKind::Rubato => 'The time you took does not come back.',
            MeasureKind::Evenness => 'The quick notes are not even.',
            MeasureKind::ChordSpread => 'The keys of the chord come one after the other.',
            MeasureKind::HandsApart => $measure->value > 0 ? 'The left hand comes late.' : 'The left hand comes first.',
            MeasureKind::Gap => 'The pedal comes up too soon: a hole in the sound.',
            MeasureKind::Smear => 'The pedal comes up too late: old and new run together.',
            MeasureKind::MissedPedal => $measure->detail === 'held' ? 'The pedal stays down through the change.' : 'The pedal is missing.',
            MeasureKind::ExtraPedal => 'Pedal where it is to be dry.',
            MeasureKind::BassLost => 'The bass is gone: the finger leaves it before the pedal has it.',
            MeasureKind::LateLift => 'The pedal rings into the silence.',
            MeasureKind::Depth => $measure->detail === 'deep' ? 'The pedal is deeper than planned.' : 'The pedal is not deep enough.',
            MeasureKind::Blur => 'It sounds blurred.',
            MeasureKind::Filling => 'The accompaniment covers the melody.',
            MeasureKind::TopNote => 'The top of the chord does not sing.',
            MeasureKind::Bass => $measure->detail === 'loud' ? 'The bass is too heavy.' : 'The bass does not carry.',
            MeasureKind::Goal => 'The loudest note is not the one we go to.',
            MeasureKind::Flat => 'All notes of the phrase are alike: it goes nowhere.',
            MeasureKind::Echo => $measure->planned < 0 ? 'The echo is as loud as the call.' : 'The second time does not say more.',
            MeasureKind::Level => $measure->detail === 'loud' ? 'It is too loud here.' : 'It is too soft here.',
            MeasureKind::Repeated => 'The repeated notes are all the same.',
            MeasureKind::Accents => 'Every beat has an accent.',
            MeasureKind::Headroom => 'The top of the piece comes from too loud: there is no way up.',
            MeasureKind::Unjoined => 'Holes between notes that belong together.',
            MeasureKind::Overlap => 'Fingers stay too long on the keys.',
            MeasureKind::Staccato => 'The short notes are too long.',
            MeasureKind::SlurEnd => 'No breath at the end of the slur.',
            MeasureKind::RestHeld => 'Keys are held into the rest.',
            MeasureKind::LeftApart => 'What ends together does not end together.',
            MeasureKind::LetGo => 'A long note is let go too early.',
        };
    }

    /**
     * What the student may try.
     */
    public function try(Measure $measure): string
    {
        return match ($measure->kind) {
            MeasureKind::WrongNote, MeasureKind::MissingNote, MeasureKind::ExtraNote => 'Play the place slowly, stop before it, look, then play; three times right.',
            MeasureKind::Stop => 'Begin two bars before it, slowly enough that you need not stop.',
            MeasureKind::Hesitation => 'Find the next key with hand and eye before its time comes; then play from one bar before into it.',
            MeasureKind::Rushed => 'Count the small notes aloud here.',
            MeasureKind::Dragged => 'Hear two bars as one breath, and go through.',
            MeasureKind::Drift => 'Play with the click, then without, and compare first and last line.',
            MeasureKind::Slowing => 'Let each beat be a little longer than the last, as one who sits down.',
            MeasureKind::Hold => 'Wait until the sound has nearly gone, then breathe and go on.',
            MeasureKind::ShortRest => 'Breathe in the rest and count it; it belongs to the tempo.',
            MeasureKind::Ratio => 'Count the quarter of the beat inside: the short note belongs to the next beat.',
            MeasureKind::CrossRhythm => 'Tap both hands on the lid and say the pattern, then play it.',
            MeasureKind::Rubato => 'Conduct the phrase with one arm: what you linger on, you give back before it ends.',
            MeasureKind::Evenness => 'In groups of four with a stop, then each group a little longer; listen to the weak finger.',
            MeasureKind::ChordSpread => 'Lay the chord silently, feel all keys, then drop the weight of the arm.',
            MeasureKind::HandsApart => 'Listen to the two lowest and highest notes only, and let them meet.',
            MeasureKind::Gap => 'Foot up with the new sound, not before: sing “now” as you strike.',
            MeasureKind::Smear => $measure->detail === 'hardly' ? 'Let the foot come all the way up, and listen for the clean new chord before it goes down.' : 'Foot up as the finger goes down.',
            MeasureKind::MissedPedal => 'Play the harmonies as chords and change on each, slowly.',
            MeasureKind::ExtraPedal => 'Take the foot off the pedal here, heel on the floor, and listen to the fingers.',
            MeasureKind::BassLost => 'Hold the bass with the finger until you hear that the pedal has it.',
            MeasureKind::LateLift => 'Foot up with the hand, and hear the silence.',
            MeasureKind::Depth => 'Press only as far as the sound asks; find the place where the dampers just leave.',
            MeasureKind::Blur => 'Change once more here, or play it softer.',
            MeasureKind::Filling => 'Play the melody alone, then let the rest in so softly that you still hear it alone.',
            MeasureKind::TopNote => 'Lean on the finger that has the top, the others only touch.',
            MeasureKind::Bass => $measure->detail === 'loud' ? 'Let the low note sink from close to the key.' : 'Give the low note the weight of the arm.',
            MeasureKind::Goal => 'Say where the phrase goes before you play it; save until there.',
            MeasureKind::Flat => 'Sing it. Then grow to the goal and come back, more than you think you may.',
            MeasureKind::Echo => $measure->planned < 0 ? 'From far away: closer to the keys, slower arm.' : 'The second time with more, from the first note on.',
            MeasureKind::Level => 'Play the line before into it, and listen to the level of its last note.',
            MeasureKind::Repeated => 'Lead them somewhere: growing, or falling off from the first.',
            MeasureKind::Accents => 'Think over the bar line, in phrases and not in beats.',
            MeasureKind::Headroom => 'Begin the way up softer than you want to.',
            MeasureKind::Unjoined => 'Leave a key only when the next one sounds.',
            MeasureKind::Overlap => 'Each finger leaves as the next arrives.',
            MeasureKind::Staccato => 'Away from the key as from something hot.',
            MeasureKind::SlurEnd => 'The last note is light, and the wrist takes it off.',
            MeasureKind::RestHeld => 'Tap the end of the note too: off is a beat as well.',
            MeasureKind::LeftApart => 'Play the end of the chord as well as its beginning: listen until the last key is up.',
            MeasureKind::LetGo => 'Count it out with the finger on the key.',
        };
    }

    private function where(Fraction $at, int $bar): string
    {
        return "bar {$this->comparison->performance->score()->measures[$bar]->number}, {$this->beat($at, $bar)}";
    }

    private function beat(Fraction $at, int $bar): string
    {
        $measure = $this->comparison->performance->score()->measures[$bar];

        return $measure->beatInWords($at->minus($measure->start));
    }

    private function name(Measure $measure): string
    {
        $note = $this->comparison->notes[$measure->notes[0] ?? ''] ?? null;

        return $note === null ? 'a note' : $note->inWords();
    }

    /**
     * A key that is not written, by its name in the key of the place.
     */
    private function key(int $midi, Fraction $at): string
    {
        $pitch = Pitch::spelled($midi, KeyArea::keyAt($this->comparison->performance->reading()->keys, $at)->spell($midi % 12));

        return $pitch->spokenName().$pitch->octave;
    }
}
