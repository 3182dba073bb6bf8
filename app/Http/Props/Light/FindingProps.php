<?php

declare(strict_types=1);

namespace App\Http\Props\Light;

use App\Models\Light\FigureMesh;
use Hyalin\Mesh\FindingKind;

/**
 * Something found in a print file, and what can be done.
 */
final readonly class FindingProps
{
    /**
     * @param  string  $words  what was found and what it means for painting
     * @param  string|null  $act  what a press does; null where nothing can be done here
     * @param  bool  $isMended  it is done already, and the press takes it back
     */
    public function __construct(public string $kind, public string $words, public ?string $act, public bool $isMended)
    {
    }

    /** @return list<self> what is still there, then what was done */
    public static function of(FigureMesh $mesh): array
    {
        $found = [];
        foreach ($mesh->measures['findings'] ?? [] as ['kind' => $value, 'count' => $count, 'area' => $area]) {
            $kind = FindingKind::tryFrom($value);
            if ($kind !== null) {
                $found[] = self::found($kind, $count, $area * $mesh->unit_mm ** 2 / 100);
            }
        }
        foreach ($mesh->mended ?? [] as $value) {
            $kind = FindingKind::tryFrom($value);
            if ($kind !== null) {
                $found[] = new self($value, self::done($kind), $kind === FindingKind::InsideOut ? 'Turn back' : 'Put back', true);
            }
        }

        if ($mesh->apart_record !== null) {
            $found[] = new self(FindingKind::SideBySide->value, "It was pulled out of \"{$mesh->apart_record['title']}\".", 'Put together again', true);
        }

        return $found;
    }

    private static function found(FindingKind $kind, int $count, float $cm2): self
    {
        [$words, $act] = match ($kind) {
            FindingKind::Supports => ["{$count} pieces look like supports: thin columns that stand on the plate. They shade the figure and count as its surface.", 'Leave out'],
            FindingKind::GrownSupports => ["{$count} thin columns stand on the plate and have grown into the figure. If they are supports, take them off in the program they were made with.", null],
            FindingKind::InnerWalls => [sprintf('It is hollow: %s, %.1f cm² that nobody paints.', $count === 1 ? 'one inner wall' : "{$count} inner walls", $cm2), 'Leave out'],
            FindingKind::Doubles => [$count === 1 ? 'One piece is there twice, at the same place.' : "{$count} pieces are there twice, at the same place.", 'Leave out'],
            FindingKind::InsideOut => ['It is inside out, as mirrored files often are: no light falls on it.', 'Turn right side out'],
            FindingKind::SideBySide => ["{$count} parts lie beside each other, as on a printer's plate.", 'Pull apart'],
        };

        return new self($kind->value, $words, $act, false);
    }

    private static function done(FindingKind $kind): string
    {
        return match ($kind) {
            FindingKind::Supports => 'Supports are left out.',
            FindingKind::InnerWalls => 'Inner walls are left out.',
            FindingKind::Doubles => 'Doubled pieces are left out.',
            FindingKind::InsideOut => 'Its faces are turned round.',
            default => ucfirst($kind->value).'.',
        };
    }
}
