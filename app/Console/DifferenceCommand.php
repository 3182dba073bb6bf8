<?php

declare(strict_types=1);

namespace App\Console;

use App\Adapters\CommandLine\BadInput;
use Hyalin\Colour\DifferenceFormula;
use Hyalin\Colour\Lab;

final class DifferenceCommand extends CoreCommand
{
    protected $signature = 'hyalin:difference {file?} {--formula=ciede2000}';

    protected $description = 'Colour differences of pairs [[L,a,b],[L,a,b]], reference first, a row each';

    protected function answer(): void
    {
        $formula = DifferenceFormula::tryFrom((string) $this->option('formula')) ?? throw BadInput::at(
            '--formula',
            'must be one of '.implode(', ', array_column(DifferenceFormula::cases(), 'value')),
        );
        $this->rows(static function (mixed $row) use ($formula): float {
            if (! is_array($row) || ! array_is_list($row) || count($row) !== 2) {
                throw BadInput::at('', 'a row must be [[L,a,b],[L,a,b]]');
            }

            return $formula->between(Lab::parse($row[0]), Lab::parse($row[1]));
        });
    }
}
