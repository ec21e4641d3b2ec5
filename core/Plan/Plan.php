<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

/**
 * What the teacher wants for one student's copy of a score. What its marks and settings mean is known to their crafts.
 */
final readonly class Plan
{
    public const FORMAT = 'tarnwind-plan/3';

    /**
     * @param  ?float  $tempo  quarters a minute at the beginning; null for the score's own
     * @param  list<Mark>  $marks  of two that speak of the same the later one holds
     * @param  array<string, Settings>  $settings  by name of their craft
     */
    public function __construct(
        public ?float $tempo = null,
        public array $marks = [],
        private array $settings = [],
    ) {
    }

    /**
     * @template T of Mark
     *
     * @param  class-string<T>  $kind
     * @return list<T>
     */
    public function marksOf(string $kind): array
    {
        return array_values(array_filter($this->marks, fn (Mark $mark): bool => $mark instanceof $kind));
    }

    /**
     * @template T of Settings
     *
     * @param  class-string<T>  $class
     * @return T
     */
    public function settings(string $class): Settings
    {
        foreach ($this->settings as $settings) {
            if ($settings instanceof $class) {
                return $settings;
            }
        }

        return new $class;
    }

    /**
     * @return array<string, Settings> by name of their craft
     */
    public function allSettings(): array
    {
        return $this->settings;
    }

    /**
     * The plan with other settings of a craft.
     *
     * @param  string  $craft  its name
     */
    public function withSettings(string $craft, Settings $settings): self
    {
        return new self($this->tempo, $this->marks, [...$this->settings, $craft => $settings]);
    }

    /**
     * The plan with other marks.
     *
     * @param  list<Mark>  $marks
     */
    public function withMarks(array $marks): self
    {
        return new self($this->tempo, $marks, $this->settings);
    }

    /**
     * The plan at another tempo, in quarters a minute at the beginning.
     */
    public function withTempo(?float $tempo): self
    {
        return new self($tempo, $this->marks, $this->settings);
    }

    /**
     * The plan in a corrected score.
     *
     * @return array{self, list<Mark>} the plan, and the marks that have no place in it
     */
    public function carried(Matching $matching): array
    {
        $kept = $lost = [];
        foreach ($this->marks as $mark) {
            $new = $mark->carried($matching);
            if ($new === null) {
                $lost[] = $mark;
            } else {
                $kept[] = $new;
            }
        }

        return [$this->withMarks($kept), $lost];
    }

    /**
     * A short name for all of the plan that bears on some aspects: two plans of one name give the same there.
     */
    public function fingerprint(Aspect ...$aspects): string
    {
        $bears = fn (Mark|Settings $one): bool => array_filter($one::bearsOn(), fn (Aspect $aspect): bool => in_array($aspect, $aspects, true)) !== [];

        return hash('xxh128', serialize([
            in_array(Aspect::Time, $aspects, true) ? $this->tempo : null,
            array_values(array_filter($this->marks, $bears)), array_filter($this->settings, $bears),
        ]));
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'tempo' => $this->tempo,
            // An empty list would be read as one.
            'settings' => (object) array_map(fn (Settings $settings): array => $settings->toArray(), $this->settings),
            'marks' => array_map(fn (Mark $mark): array => $mark->toArray(), $this->marks),
        ];
    }

    public function toJson(): string
    {
        return json_encode($this->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
