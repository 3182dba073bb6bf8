import { DROP } from '@/shared/lib/units';
import type { DropsProps } from '@/types/generated';

const PATH = 'M6 0.8C6 0.8 1.2 6.4 1.2 9.6a4.8 4.8 0 0 0 9.6 0C10.8 6.4 6 0.8 6 0.8Z';

/** Drops one can count across a table, with the number beside them. */
export function DropRow({ drops, size = 20 }: { drops: DropsProps; size?: number }) {
    const shown = Math.min(drops.drops, 12);
    return (
        <span className="inline-flex items-center gap-1.5">
            <svg
                width={(shown * size * 12) / 15}
                height={size}
                viewBox={`0 0 ${shown * 12} 15`}
                aria-hidden
                className="shrink-0"
            >
                {Array.from({ length: shown }, (_, i) => (
                    <path
                        key={i}
                        d={PATH}
                        transform={`translate(${i * 12} 0)`}
                        fill={drops.hex}
                        stroke="var(--ink)"
                        strokeWidth="0.7"
                    />
                ))}
            </svg>
            <strong>{partsWords(drops)}</strong>
        </span>
    );
}

/** "3", or "3 (6 of its drops)" where the pot has a dropper of its own. Parts are kept exactly and rounded here only. */
export function partsWords({ drops, dropMl }: Pick<DropsProps, 'drops' | 'dropMl'>): string {
    const parts = String(Number(drops.toFixed(2)));
    return dropMl === DROP ? parts : `${parts} (${Number(((drops * DROP) / dropMl).toFixed(1))} of its drops)`;
}

/** "3 Lamp Ochre + 1 Peat" */
export function mixWords(mix: readonly DropsProps[]): string {
    return mix.map((entry) => `${partsWords(entry)} ${entry.name}`).join(' + ');
}

export function MixList({ mix, size }: { mix: readonly DropsProps[]; size?: number }) {
    return (
        <ul className="flex flex-col gap-1">
            {mix.map((entry) => (
                <li key={`${entry.paintId} ${entry.name}`} className="flex flex-wrap items-center gap-x-3">
                    <DropRow drops={entry} {...(size === undefined ? {} : { size })} />
                    <span>
                        {entry.name} <span className="text-quiet">{entry.maker}</span>
                    </span>
                </li>
            ))}
        </ul>
    );
}
