<?php

declare(strict_types=1);

use Illuminate\Foundation\Testing\RefreshDatabase;
use Tests\TestCase;

pest()->extend(TestCase::class)->use(RefreshDatabase::class)->in('Feature', 'Fuzz', 'Golden');

// What goes over the whole corpus, or tries every case: bin/check leaves it out, bin/test runs it.
pest()->group('slow')->in(
    'Fuzz',
    'Core/Notation/CorpusTest.php', 'Core/Notation/SlurWriterTest.php', 'Core/Notation/FingeringWriterTest.php', 'Core/Notation/ArticulationWriterTest.php',
    'Core/Notation/WordsWriterTest.php', 'Core/Handout/ReducedTest.php', 'Core/Hand/GeneratedTest.php', 'Core/Craft/FrameTest.php', 'Core/Plan/CorrectionsTest.php',
    'Core/Hear/FaultsTest.php', 'Core/Reading/LabelsTest.php', 'Core/Reading/InvarianceTest.php', 'Feature/CommandTest.php', 'Feature/StressTest.php', 'Feature/OddFileTest.php', 'Core/Hand/MovesTest.php', 'Core/Hand/WorthSayingTest.php', 'Core/Pedal/TimelineTest.php',
);
