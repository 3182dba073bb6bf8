<?php

declare(strict_types=1);

namespace App\Adapters\CommandLine;

use Hyalin\InvalidInput;

/**
 * A JSON object from outside, read key by key; what was not asked for is refused by name.
 */
final class Document
{
    /** @var array<string, true> */
    private array $read = [];

    /** @param  array<string, mixed>  $values */
    private function __construct(private readonly array $values)
    {
    }

    /** @throws BadInput unless it is an object */
    public static function of(mixed $value, string $what): self
    {
        if (! is_object($value)) {
            throw BadInput::at('', "{$what} must be an object");
        }
        $values = [];
        foreach (get_object_vars($value) as $key => $v) {
            $values[(string) $key] = $v;
        }

        return new self($values);
    }

    public function has(string $key): bool
    {
        $this->read[$key] = true;

        return array_key_exists($key, $this->values);
    }

    /** @throws BadInput when the key is missing */
    public function value(string $key): mixed
    {
        $this->read[$key] = true;

        return array_key_exists($key, $this->values)
            ? $this->values[$key]
            : throw BadInput::at($key, 'is missing');
    }

    public function valueOr(string $key, mixed $default): mixed
    {
        return $this->has($key) ? $this->values[$key] : $default;
    }

    /** @throws BadInput unless it is a finite number */
    public function number(string $key, ?float $default = null): float
    {
        $value = $default === null ? $this->value($key) : $this->valueOr($key, $default);
        if (! is_int($value) && ! is_float($value) || ! is_finite((float) $value)) {
            throw BadInput::at($key, 'must be a finite number');
        }

        return (float) $value;
    }

    /** @throws BadInput unless it is a whole number */
    public function integer(string $key, int $default): int
    {
        $value = $this->valueOr($key, $default);

        return is_int($value) ? $value : throw BadInput::at($key, 'must be a whole number');
    }

    /** @throws BadInput unless it is text */
    public function text(string $key, ?string $default = null): string
    {
        $value = $default === null ? $this->value($key) : $this->valueOr($key, $default);

        return is_string($value) ? $value : throw BadInput::at($key, 'must be text');
    }

    /**
     * @return list<mixed>
     *
     * @throws BadInput unless it is a list
     */
    public function list(string $key): array
    {
        $value = $this->value($key);

        return is_array($value) ? array_values($value) : throw BadInput::at($key, 'must be a list');
    }

    /**
     * Runs a parser of the core on one key and says where it failed.
     *
     * @template T
     *
     * @param  callable(mixed): T  $parse
     * @return T
     *
     * @throws BadInput
     */
    public function parsed(string $key, callable $parse): mixed
    {
        $value = $this->value($key);
        try {
            return $parse($value);
        } catch (InvalidInput $e) {
            throw BadInput::at($key, $e->getMessage(), $e);
        } catch (BadInput $e) {
            throw $e->within($key);
        }
    }

    /** @throws BadInput when there is a key that nobody asked for */
    public function refuseUnknown(): void
    {
        foreach (array_keys($this->values) as $key) {
            if (! isset($this->read[$key])) {
                throw BadInput::at($key, 'is not known; known are '.implode(', ', array_keys($this->read)));
            }
        }
    }
}
