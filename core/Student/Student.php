<?php

declare(strict_types=1);

namespace Tarnwind\Core\Student;

use Tarnwind\Core\Sound\Piano;

/**
 * What a student's hands can do, and the piano she practises on.
 */
final readonly class Student
{
    /**
     * @param  bool  $halfPedal  whether her pedal knows more than on and off
     * @param  bool  $sostenuto  whether the middle pedal keeps single notes
     */
    public function __construct(
        public Hands $hands = new Hands,
        public Rates $rates = new Rates,
        public Piano $piano = new Piano,
        public bool $halfPedal = true,
        public bool $sostenuto = true,
        public Footwork $foot = new Footwork,
    ) {
    }
}
