<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Trainer;

/**
 * What the foot can be trained in.
 */
enum ExerciseKind: string
{
    case Change = 'change';
    case Bass = 'bass';
    case Half = 'half';
    case Release = 'release';
    case Flutter = 'flutter';
    case Rest = 'rest';

    public function label(): string
    {
        return match ($this) {
            self::Change => 'Change with the chord',
            self::Bass => 'Catch the bass',
            self::Half => 'Hold half way',
            self::Release => 'Let it up slowly',
            self::Flutter => 'Flutter',
            self::Rest => 'Dry at the rest',
        };
    }

    public function does(): string
    {
        return match ($this) {
            self::Change => 'A chord sounds on every second beat. Foot up as it sounds, down again just after.',
            self::Bass => 'A low note is struck and soon let go. Have the pedal down before it is gone.',
            self::Half => 'Press until the dampers just leave the strings, and stay there.',
            self::Release => 'From all the way down let the foot come up evenly over two beats.',
            self::Flutter => 'Quick shallow changes: never all the way up.',
            self::Rest => 'Foot up with the end of the chord, and stay up until the next one.',
        };
    }

    /**
     * Whether it needs a pedal that knows more than up and down.
     */
    public function needsDepth(): bool
    {
        return in_array($this, [self::Half, self::Release, self::Flutter], true);
    }
}
