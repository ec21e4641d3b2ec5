<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Illuminate\Support\Facades\Cache;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Craft\Paged;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Student;

/**
 * Plans of one copy resolved for its score and student, with what has been worked out of them before.
 */
final readonly class Performances
{
    /** Days for which what rests on a plan is kept; what is read of a file stays longer. */
    public const DAYS = 1;

    private Student $student;

    public function __construct(private StudentCopy $copy)
    {
        $this->student = $copy->student->profile();
    }

    /**
     * The whole piece under a plan.
     */
    public function of(Plan $plan): Performance
    {
        return Crafts::registry()->performance(
            $this->copy->piece->score(), $plan, $this->student, fn (): Reading => $this->reading($plan),
            fn (string $class, callable $make): Derived => is_subclass_of($class, Paged::class) ? $this->store($class, $plan, $make)->whole() : $make(),
        );
    }

    /**
     * What an answer about some bars needs, fetched without the rest, and the question for it.
     *
     * @return array{Performance, Asked}
     */
    public function around(Bars $edited, Plan $plan, Excerpt $excerpt, Asked $asked): array
    {
        return $excerpt->part === null ? $this->fromBars($edited, $plan, $excerpt, $asked) : [$this->fromPart($edited, $plan, $excerpt->part), $asked];
    }

    /**
     * What the score means, with what a plan reads otherwise.
     */
    public function reading(Plan $plan): Reading
    {
        $stored = $this->copy->piece->stored();
        [$score, $reading] = $stored->read()->whole();
        $corrections = Crafts::registry()->corrections($score, $plan);

        if ($corrections->isEmpty()) {
            return $reading;
        }
        $key = $stored->key('reading:'.$plan->fingerprint(Aspect::Harmony, Aspect::Phrases, Aspect::Layers, Aspect::Hands));

        return Cache::remember($key, now()->addDays(self::DAYS), function () use ($reading, $score, $corrections, $key): Reading {
            (new Kept($this->copy))->add('reading', $key);

            return $reading->corrected($score, $corrections);
        });
    }

    /**
     * @return array{Performance, Asked}
     */
    private function fromBars(Bars $edited, Plan $plan, Excerpt $excerpt, Asked $asked): array
    {
        $kept = $this->copy->piece->stored()->read();
        $frame = $kept->frame();
        $answered = $frame->answered($edited, $excerpt);
        $needed = $frame->needed($answered, $excerpt, $plan);
        [$score, $reading] = $frame->excerpt($needed, $kept->pages($needed), fn (Score $score) => Crafts::registry()->corrections($score, $plan));

        return [Crafts::registry()->performance($score, $plan, $this->student, fn (): Reading => $reading), $asked->about($answered)];
    }

    /**
     * @param  class-string<Paged>  $class
     */
    private function fromPart(Bars $edited, Plan $plan, string $class): Performance
    {
        $frame = $this->copy->piece->stored()->read()->frame();

        return Crafts::registry()->performance($frame->score(), $plan, $this->student, fn (): Reading => $frame->reading(), function (string $asked, callable $make) use ($class, $plan, $edited, $frame): Derived {
            if ($asked !== $class) {
                return $make();
            }
            $store = $this->store($class, $plan, fn (): Derived => $this->of($plan)->part($class));
            /** @var Paged $part */
            $part = $store->frame();
            $bars = $part->needed($edited, Crafts::registry()->performance($frame->score(), $plan, $this->student, fn (): Reading => $frame->reading()));

            return $part->with(array_merge(...$store->pages($bars)));
        });
    }

    /**
     * @param  class-string<Paged>  $class
     * @param  callable(): Derived  $make
     * @return PageStore<Paged, Paged, list<mixed>>
     */
    private function store(string $class, Plan $plan, callable $make): PageStore
    {
        $rests = hash('xxh128', $plan->fingerprint(...$class::restsOn()).serialize($this->student));

        $key = $this->copy->piece->stored()->key(class_basename($class).":$rests");

        return new PageStore($key, self::DAYS, function () use ($make, $class, $key): Paged {
            $part = $make();
            assert($part instanceof Paged);
            (new Kept($this->copy))->add(class_basename($class), $key);

            return $part;
        }, self::inPages(...));
    }

    /**
     * @return array{Paged, list<list<mixed>>}
     */
    private static function inPages(Paged $part): array
    {
        return [$part->frame(), $part->pages()];
    }
}
