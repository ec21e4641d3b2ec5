<?php

declare(strict_types=1);

namespace Tarnwind\Core\Findings;

use BackedEnum;
use Tarnwind\Core\Score\Fraction;

/**
 * One action on the plan that would mend a finding.
 */
final readonly class Remedy
{
    /**
     * @param  BackedEnum  $action  one of the actions of the finding's craft
     * @param  string  $label  what the action is called in words
     * @param  list<string>  $notes  ids of those it changes
     * @param  string  $value  what they become, as the action has it
     * @param  ?Fraction  $at  where it acts, quarters from the beginning; null where notes say it
     */
    public function __construct(
        public BackedEnum $action,
        public string $label,
        public array $notes = [],
        public string $value = '',
        public ?Fraction $at = null,
    ) {
    }

    /**
     * One action for many places; the first alone where they differ, null where there is none.
     *
     * @param  list<self>  $remedies
     */
    public static function all(array $remedies): ?self
    {
        $first = $remedies[0] ?? null;
        foreach ($remedies as $remedy) {
            if ($first === null || $remedy->at !== null || $remedy->action !== $first->action || $remedy->value !== $first->value) {
                return $first;
            }
        }

        return $first === null ? null : new self($first->action, $first->label, array_values(array_unique(array_merge(...array_map(fn (self $remedy): array => $remedy->notes, $remedies)))), $first->value);
    }

    /**
     * @return array{action: int|string, label: string, notes: list<string>, value: string, at: ?string}
     */
    public function toArray(): array
    {
        return [
            'action' => $this->action->value, 'label' => $this->label, 'notes' => $this->notes, 'value' => $this->value,
            'at' => $this->at === null ? null : (string) $this->at,
        ];
    }
}
