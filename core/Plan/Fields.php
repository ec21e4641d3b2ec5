<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use BackedEnum;
use stdClass;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;

/**
 * The fields of a decoded JSON object, each read as what it must be.
 */
final readonly class Fields
{
    /**
     * @param  string  $where  what the object is, for the reader of an error: "the mark s1"
     */
    public function __construct(
        private stdClass $object,
        private string $where = 'the plan',
    ) {
    }

    public function has(string $name): bool
    {
        return isset($this->object->$name);
    }

    /**
     * @throws InvalidPlan as all that follow
     */
    public function string(string $name): string
    {
        $value = $this->object->$name ?? null;

        return is_string($value) ? $value : $this->refuse($name, 'text');
    }

    public function optionalString(string $name): ?string
    {
        return $this->has($name) ? $this->string($name) : null;
    }

    public function boolean(string $name): bool
    {
        $value = $this->object->$name ?? null;

        return is_bool($value) ? $value : $this->refuse($name, 'true or false');
    }

    public function integer(string $name): int
    {
        $value = $this->object->$name ?? null;

        return is_int($value) || (is_float($value) && floor($value) === $value && abs($value) < 2 ** 53) ? (int) $value : $this->refuse($name, 'a whole number');
    }

    public function number(string $name): float
    {
        $value = $this->object->$name ?? null;

        return is_int($value) || is_float($value) ? (float) $value : $this->refuse($name, 'a number');
    }

    /**
     * @return non-empty-list<string>
     */
    public function strings(string $name): array
    {
        $value = $this->object->$name ?? null;
        $strings = is_array($value) ? array_values(array_filter($value, is_string(...))) : [];

        return is_array($value) && $strings !== [] && count($strings) === count($value) ? $strings : $this->refuse($name, 'a list of names');
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @param  ?T  $default  where the field is not given
     * @return T
     */
    public function choice(string $name, string $enum, ?BackedEnum $default = null): BackedEnum
    {
        if ($default !== null && ! $this->has($name)) {
            return $default;
        }

        return $enum::tryFrom($this->string($name)) ?? $this->refuse($name, 'one of '.implode(', ', array_column($enum::cases(), 'value')));
    }

    public function place(string $name): Place
    {
        $place = $this->object($name);
        $offset = $place->string('offset');

        return new Place($place->string('measure'), Fraction::isWritten($offset) ? Fraction::parse($offset) : $this->refuse($name, 'a bar and an offset'));
    }

    public function optionalPlace(string $name): ?Place
    {
        return $this->has($name) ? $this->place($name) : null;
    }

    public function flag(string $name): bool
    {
        return $this->has($name) && $this->boolean($name);
    }

    /**
     * A name of a few, or a whole number.
     */
    public function nameOrInteger(string $name): int|string
    {
        return is_string($this->object->$name ?? null) ? $this->string($name) : $this->integer($name);
    }

    /**
     * @return list<self> the objects of a list
     */
    public function objects(string $name): array
    {
        $value = $this->object->$name ?? null;
        $objects = is_array($value) ? array_values(array_filter($value, fn (mixed $one): bool => $one instanceof stdClass)) : [];

        return is_array($value) && count($objects) === count($value) ? array_map(fn (stdClass $one): self => new self($one, $this->where), $objects) : $this->refuse($name, 'a list of objects');
    }

    public function object(string $name): self
    {
        $value = $this->object->$name ?? null;

        return $value instanceof stdClass ? new self($value, $this->where) : $this->refuse($name, 'an object');
    }

    /**
     * A list of numbers, some of which may be left open.
     *
     * @return list<?float>
     */
    public function optionalNumbers(string $name): array
    {
        $value = $this->object->$name ?? null;
        if (! is_array($value) || array_filter($value, fn (mixed $one): bool => $one !== null && ! is_int($one) && ! is_float($one)) !== []) {
            $this->refuse($name, 'a list of numbers');
        }

        return array_map(fn (mixed $one): ?float => is_int($one) || is_float($one) ? (float) $one : null, array_values($value));
    }

    /**
     * Numbers by name; none where the field is not given.
     *
     * @return array<string, float>
     */
    public function numbers(string $name): array
    {
        if (! $this->has($name)) {
            return [];
        }
        $object = $this->object($name);
        $numbers = [];
        foreach (array_keys(get_object_vars($object->object)) as $key) {
            $numbers[(string) $key] = $object->number((string) $key);
        }

        return $numbers;
    }

    /**
     * @throws InvalidPlan always
     */
    private function refuse(string $name, string $wanted): never
    {
        throw new InvalidPlan("This is not a plan: in $this->where, \"$name\" must be $wanted.");
    }
}
