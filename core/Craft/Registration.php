<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use BackedEnum;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Settings;

/**
 * Takes down what one craft is.
 */
final class Registration
{
    /** @var array<string, class-string<Mark>> by kind */
    public array $marks = [];

    /** @var ?class-string<Settings> */
    public ?string $settings = null;

    /** @var list<object> */
    public array $contributions = [];

    /** @var array<string, class-string<Answer>> by name */
    public array $answers = [];

    /** @var list<string> names of documents that have a schema and are no answers about a plan */
    public array $documents = [];

    /** @var ?class-string<BackedEnum> */
    public ?string $kinds = null;

    /** @var ?class-string<BackedEnum> */
    public ?string $actions = null;

    /** @var list<ScoreWriter> */
    public array $writers = [];

    /** @var array<string, ScoreWriter> what is written into copies only where it is chosen, by name */
    public array $choices = [];

    /** @var list<class-string<CopyLayer>> what it draws into copies */
    public array $layers = [];

    public ?ReadsPrint $print = null;

    public ?Suggests $suggestion = null;

    public ?ProposesSettings $proposal = null;

    public function __construct(public readonly string $craft)
    {
    }

    /**
     * @param  class-string<Mark>  $class
     */
    public function mark(string $kind, string $class): self
    {
        $this->marks[$kind] = $class;

        return $this;
    }

    /**
     * @param  class-string<Settings>  $class
     */
    public function settings(string $class): self
    {
        $this->settings = $class;

        return $this;
    }

    /**
     * What shapes a performance: CorrectsReading, ShapesNotes, ShapesTime, ShapesLengths, ShapesLevels, MovesTheFoot; or
     * refuses a plan: ChecksPlan.
     */
    public function contributes(object ...$contributions): self
    {
        $this->contributions = [...$this->contributions, ...array_values($contributions)];

        return $this;
    }

    /**
     * @param  class-string<Answer>  $class
     */
    public function answer(string $name, string $class): self
    {
        $this->answers[$name] = $class;

        return $this;
    }

    /**
     * A document with a schema that is no answer about a plan.
     */
    public function document(string $name): self
    {
        $this->documents[] = $name;

        return $this;
    }

    /**
     * The kinds of its findings, and the actions of their remedies.
     *
     * @param  class-string<BackedEnum>  $kinds
     * @param  ?class-string<BackedEnum>  $actions
     */
    public function finds(string $kinds, ?string $actions = null): self
    {
        [$this->kinds, $this->actions] = [$kinds, $actions];

        return $this;
    }

    public function writes(ScoreWriter ...$writers): self
    {
        $this->writers = [...$this->writers, ...array_values($writers)];

        return $this;
    }

    /**
     * What a handed-out copy may have written into it beside that, by a name of its own.
     */
    public function mayWrite(string $name, ScoreWriter $writer): self
    {
        $this->choices[$name] = $writer;

        return $this;
    }

    /**
     * What a handed-out copy may show of it, drawn over the engraved lines.
     *
     * @param  class-string<CopyLayer>  ...$layers
     */
    public function draws(string ...$layers): self
    {
        $this->layers = [...$this->layers, ...array_values($layers)];

        return $this;
    }

    /**
     * What of the print a fresh plan begins with.
     */
    public function prints(ReadsPrint $print): self
    {
        $this->print = $print;

        return $this;
    }

    /**
     * Settings a fresh plan begins with.
     */
    public function proposes(ProposesSettings $proposal): self
    {
        $this->proposal = $proposal;

        return $this;
    }

    public function suggests(Suggests $suggestion): self
    {
        $this->suggestion = $suggestion;

        return $this;
    }
}
