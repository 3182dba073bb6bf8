import { one } from '@/shared/lib/format';
import type { SpreadProps } from '@/types/generated';

/** The two colours between which a prediction will lie two out of three times, side by side, and how far they are from it. */
export function Spread({
    spread,
    height = 18,
    label = true,
}: {
    spread: SpreadProps;
    height?: number;
    label?: boolean;
}) {
    const words = `two out of three times between ${spread.from.name} and ${spread.to.name}, within ΔE ${one(spread.radius)}`;
    return (
        <div title={words}>
            <div className="flex" style={{ height }} aria-hidden>
                <span className="flex-1" style={{ background: spread.from.hex }} />
                <span className="flex-1" style={{ background: spread.to.hex }} />
            </div>
            <span className="sr-only">{words}</span>
            {label && (
                <span className="block pt-0.5 text-center text-xs" aria-hidden>
                    ± {one(spread.radius)}
                </span>
            )}
        </div>
    );
}
