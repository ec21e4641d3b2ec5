<?php

declare(strict_types=1);

use App\Models\Student;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Tests\support\EveryPage;
use Tests\support\Fuzz;
use Tests\support\Mutator;

// Files of the corpus bent at random: each is refused in one line, or read, and then every page of it comes. bin/fuzz
// tries as many as are wished.

it('refuses an odd file in words, or every page of it comes', function (int $first, int $count): void {
    $student = Student::factory()->for(User::factory(), 'teacher')->create();
    $this->actingAs($student->teacher);
    $troubles = [];
    for ($seed = $first; $seed < $first + $count; $seed++) {
        $file = (new Mutator($seed))->file();
        $pages = new EveryPage($this, $student);
        Fuzz::measured("file $seed", function () use ($pages, $file, $seed): ?string {
            $copy = $pages->ofFile($file);
            if ($copy !== null) {
                Fuzz::keepEngraving($seed, $copy->piece->stored());
            }

            return $pages->refused;
        });
        foreach ($pages->troubles as $trouble) {
            $troubles[] = "file $seed: $trouble";
        }
        Cache::flush();
    }
    expect($troubles)->toBe([]);
})->with(Fuzz::seeds(200));
