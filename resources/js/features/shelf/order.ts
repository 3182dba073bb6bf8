import type { PaintProps } from '@/types/generated';

export type Order = 'shelf' | 'hue' | 'lightness' | 'level';

/** Greys have no hue worth sorting by: they stand after the colours. */
const GREY = 8;

export function ordered(paints: readonly PaintProps[], order: Order): PaintProps[] {
    const sorted = [...paints];
    switch (order) {
        case 'shelf':
            return sorted;
        case 'lightness':
            return sorted.sort((p, q) => lightness(q) - lightness(p));
        case 'level':
            return sorted.sort((p, q) => p.levelPercent - q.levelPercent);
        case 'hue':
            return sorted.sort((p, q) => hueRank(p) - hueRank(q) || lightness(q) - lightness(p));
    }
}

/** Every word must be found somewhere in what a pot says of itself. */
export function found(paints: readonly PaintProps[], words: string, kind: string): PaintProps[] {
    const wanted = words
        .toLowerCase()
        .split(/\s+/)
        .filter((word) => word !== '');
    return paints.filter((paint) => {
        const said =
            `${paint.name} ${paint.maker} ${paint.kind} ${paint.sheen} ${paint.thick.name} ${paint.quality}`.toLowerCase();
        return (kind === 'all' || paint.kind === kind) && wanted.every((word) => said.includes(word));
    });
}

function lightness(paint: PaintProps): number {
    return paint.thick.lab[0] ?? 0;
}

function hueRank(paint: PaintProps): number {
    const [, a = 0, b = 0] = paint.thick.lab;
    if (Math.hypot(a, b) < GREY) return 1000;
    const hue = (Math.atan2(b, a) * 180) / Math.PI;
    return hue < 0 ? hue + 360 : hue;
}
