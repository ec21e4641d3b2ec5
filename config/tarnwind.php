<?php

declare(strict_types=1);

return [
    /*
     * Whether the sign-in page offers the demo teacher's account.
     */
    'demo' => (bool) env('TARNWIND_DEMO', false),

    'demo_email' => 'ines@tarnwind.invalid',

    'demo_password' => 'mist-over-water',
];
