import { inkOn, labWords, one } from '@/shared/lib/format';
import type { ColourProps, Likeness } from '@/types/generated';

/** Two colours that touch, with no line between, and their difference in numbers and words. */
export function EdgeToEdge({
    left,
    right,
    leftName,
    rightName,
    difference,
    likeness,
    height = 120,
}: {
    left: ColourProps;
    right: ColourProps;
    leftName: string;
    rightName: string;
    difference: number;
    likeness: Likeness;
    height?: number;
}) {
    return (
        <figure>
            <div className="flex" style={{ height }}>
                <Half colour={left} name={leftName} />
                <Half colour={right} name={rightName} />
            </div>
            <figcaption className="mt-1.5 flex items-baseline justify-between gap-3">
                <strong className="text-base">{likeness}</strong>
                <span>
                    ΔE <strong>{one(difference)}</strong>
                </span>
            </figcaption>
        </figure>
    );
}

function Half({ colour, name }: { colour: ColourProps; name: string }) {
    return (
        <div
            className="flex flex-1 flex-col justify-end p-2"
            style={{ background: colour.hex, color: inkOn(colour.hex) }}
        >
            <span className="text-xs font-semibold">{name}</span>
            <span className="text-xs">{colour.name}</span>
            <span className="text-xs">{labWords(colour)}</span>
            {colour.outOfGamut && <span className="text-xs">outside the gamut of this display</span>}
        </div>
    );
}
