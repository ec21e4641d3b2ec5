<?php

declare(strict_types=1);

arch('the core knows no framework')->expect('Tarnwind\Core')->not->toUse(['Illuminate', 'Inertia', 'App', 'Symfony', 'request', 'response', 'config', 'app']);

arch('the core prints and reads no files by itself')->expect('Tarnwind\Core')
    ->not->toUse(['echo', 'print', 'fopen', 'exec', 'curl_init'])->ignoring('Tarnwind\Core\Notation\MusicXml\Container');

arch('everything is strict')->expect(['Tarnwind\Core', 'App'])->toUseStrictTypes();

arch('classes of the core stand alone')->expect('Tarnwind\Core')->classes()->toBeFinal();

arch('rules of the job stay out of the application')->expect('App')
    ->not->toUse(['Tarnwind\Core\Sound\Roughness', 'Tarnwind\Core\Pedal\Planner', 'Tarnwind\Core\Pedal\Resonance', 'Tarnwind\Core\Reading\HarmonyReader']);

arch('nothing is dumped')->expect(['dd', 'dump', 'var_dump', 'ray'])->not->toBeUsed();
