<?php

declare(strict_types=1);

namespace App\Http\Props;

use App\Models\SetAsideEdit;
use Illuminate\Support\Str;

/**
 * A change that was not saved because another window had changed the same.
 */
final readonly class SetAsideProps
{
    /**
     * @param  string  $of  what was changed, in a word
     * @param  string  $at  ISO 8601
     * @param  list<string>  $lines  what was to be saved, a field a line
     */
    public function __construct(public int $id, public string $of, public string $at, public array $lines)
    {
    }

    public static function of(SetAsideEdit $edit): self
    {
        $lines = [];
        foreach (array_filter($edit->values, static fn (mixed $value): bool => $value !== null) as $field => $value) {
            $lines[] = Str::of($field)->snake(' ')->replace('_', ' ')->value().': '.(is_scalar($value) ? (string) $value : json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
        }
        $words = ['Paint' => 'pot', 'RunStep' => 'step of a run', 'Painter' => 'hours'];

        return new self($edit->id, $words[$edit->subject] ?? strtolower($edit->subject), $edit->created_at?->toIso8601ZuluString() ?? '', $lines);
    }
}
