<?php

declare(strict_types=1);

return [
    // Further crafts, by class, and the folder of public/ with an interface that knows them.
    'crafts' => array_values(array_filter(explode(',', (string) env('TARNWIND_CRAFTS', '')))),
    'build' => env('TARNWIND_BUILD', 'build'),

    // Who may make an account beside the first: "invitation" for those whom a teacher invites, "open" for whoever wants.
    'registration' => env('TARNWIND_REGISTRATION', 'invitation'),

    // Where backups are put, and for how many days each is kept; without a folder none are made by themselves.
    'backups' => env('TARNWIND_BACKUPS') ?: null,
    'backup_days' => (int) env('TARNWIND_BACKUP_DAYS', 30),

    // Whose day it is, for teachers who have not said where they are.
    'timezone' => env('TARNWIND_TIMEZONE', 'UTC'),

    // Of computing time that one request may take.
    'seconds' => (int) env('TARNWIND_SECONDS', 20),

    // Addresses of the proxies in front of the application, by comma, or "*": only they may say where a request comes from.
    'proxies' => env('TARNWIND_PROXIES') === '*' ? '*' : array_values(array_filter(explode(',', (string) env('TARNWIND_PROXIES', '')))),

    /*
     * Whether the sign-in page offers the demo teacher's account.
     */
    'demo' => (bool) env('TARNWIND_DEMO', false),

    'demo_email' => 'ines@tarnwind.invalid',

    'demo_password' => 'mist-over-water',
];
