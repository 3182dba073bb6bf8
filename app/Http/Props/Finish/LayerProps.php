<?php

declare(strict_types=1);

namespace App\Http\Props\Finish;

use App\Adapters\Finish\LayerDraft;
use App\Http\Props\DropsProps;
use Hyalin\Finish\Technique;
use Hyalin\Finish\Zone;

final readonly class LayerProps
{
    /**
     * @param  list<Zone>  $zones
     * @param  float  $thinner  parts of water or medium to one part of the mix
     * @param  list<DropsProps>  $mix
     */
    public function __construct(
        public string $key,
        public Technique $technique,
        public array $zones,
        public float $thinner,
        public int $coats,
        public array $mix,
        public ?string $note,
    ) {
    }

    public static function of(LayerDraft $draft): self
    {
        return new self(
            $draft->key,
            $draft->technique,
            $draft->zones,
            $draft->thinner,
            $draft->coats,
            array_map(static fn (array $entry): DropsProps => DropsProps::of(...$entry), $draft->mix),
            $draft->note,
        );
    }
}
