import type { LightProps } from '@/types/generated';
import type { LitMesh } from './data';

export type View = 'bare' | 'prime' | 'exposure' | 'zones' | 'finish' | 'lightness' | 'areas' | 'glow';

type Rgb = readonly [number, number, number];
type Ends = { from: readonly number[]; to: readonly number[] };
export type AreaColours = { id: number; rows: readonly (readonly string[])[]; gradient?: Ends | null };

/** sRGB 0..1 to linear light (IEC 61966-2-1). */
function linear(v: number): number {
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
}

function rgb(hex: string): [number, number, number] {
    const value = Number.parseInt(hex.slice(1), 16);
    return [linear(((value >> 16) & 255) / 255), linear(((value >> 8) & 255) / 255), linear((value & 255) / 255)];
}

const ZONE_GREYS = [0.02, 0.08, 0.22, 0.5, 0.9];
const BARE = 0.25;

/**
 * Linear colours, three corners a triangle. Everything that is not paint is grey.
 *
 * @param step layers put on so far, for the finish
 * @param light how it is sprayed
 * @param shown which of the sprays the exposure is of
 */
export function colours(
    mesh: LitMesh,
    view: View,
    areas: readonly AreaColours[],
    step: number,
    light: Pick<LightProps, 'sprays' | 'hitsPerPass' | 'beneath'>,
    shown: number,
    chosen: number | null,
    glow: Uint8Array | null,
): Float32Array {
    const out = new Float32Array(3 * mesh.corners.length);
    const paint = paintAfter(areas, step);
    // The lamp shines in the colour of its own light.
    const lamp = paint.get(chosen ?? 0)?.[4] ?? grey(1);
    // They are sprayed from dark to light: shade from below, grey from the side, white from above.
    const coats = light.sprays
        .map(({ passes, luminance }, index) => ({ exposure: mesh.exposures[index], passes, luminance }))
        .filter(({ passes }) => passes > 0)
        .sort((p, q) => p.luminance - q.luminance);
    const order = new Map(areas.map((area, i) => [area.id, i]));
    const gradients = new Map(areas.flatMap(({ id, gradient }) => (gradient ? [[id, gradient] as const] : [])));
    const blended = view === 'finish' || view === 'lightness' ? blend(mesh, paint) : null;
    // What is left over is dark beside areas; before there are any, it is to be looked at for where they lie.
    const left = mesh.areas.some((area) => area !== 0) ? 0.02 : BARE;
    for (let t = 0; t < mesh.areas.length; t++) {
        const area = mesh.areas[t] ?? 0;
        const zone = mesh.zones[t] ?? 2;
        for (let k = 0; k < 3; k++) {
            const v = mesh.corners[3 * t + k] ?? 0;
            const at = 9 * t + 3 * k;
            let c: Rgb;
            switch (view) {
                case 'bare':
                    c = grey(BARE);
                    break;
                case 'exposure':
                    c = grey((mesh.exposures[shown]?.[v] ?? 0) / 255);
                    break;
                case 'prime':
                    c = grey(primed(v, coats, light));
                    break;
                case 'zones':
                    c = grey(ZONE_GREYS[zone] ?? BARE);
                    break;
                case 'areas':
                    c = grey(area === 0 ? left : area === chosen ? 0.95 : 0.1 + 0.07 * ((order.get(area) ?? 0) % 6));
                    break;
                case 'glow':
                    c = glowing(lampOf(area, chosen, paint), area === chosen ? 1 : (glow?.[v] ?? 0) / 255, lamp);
                    break;
                case 'finish':
                case 'lightness':
                    c =
                        drawnOut(mesh, area, v, gradients, paint) ??
                        blended?.(t, v) ??
                        paint.get(area)?.[zone] ??
                        grey(BARE);
                    if (view === 'lightness') c = grey(0.2126 * c[0] + 0.7152 * c[1] + 0.0722 * c[2]);
            }
            out[at] = c[0];
            out[at + 1] = c[1];
            out[at + 2] = c[2];
        }
    }
    return out;
}

/**
 * Colours run into each other within an area, as a brush draws them: each corner has the mean of the triangles of its area
 * around it. Where areas meet they stay apart.
 */
function blend(mesh: LitMesh, paint: ReadonlyMap<number, readonly Rgb[]>): (triangle: number, vertex: number) => Rgb {
    const vertices = mesh.positions.length / 3;
    const place = new Map([...paint.keys()].map((id, i) => [id, i]));
    const sums = new Float32Array(4 * vertices * Math.max(1, paint.size));
    const at = (t: number, v: number) => 4 * ((place.get(mesh.areas[t] ?? 0) ?? 0) * vertices + v);
    for (let t = 0; t < mesh.areas.length; t++) {
        const c = paint.get(mesh.areas[t] ?? 0)?.[mesh.zones[t] ?? 2];
        if (!c) continue;
        for (let k = 0; k < 3; k++) {
            const i = at(t, mesh.corners[3 * t + k] ?? 0);
            sums[i] = (sums[i] ?? 0) + c[0];
            sums[i + 1] = (sums[i + 1] ?? 0) + c[1];
            sums[i + 2] = (sums[i + 2] ?? 0) + c[2];
            sums[i + 3] = (sums[i + 3] ?? 0) + 1;
        }
    }
    return (t, v) => {
        const i = at(t, v);
        const n = sums[i + 3] ?? 0;
        if (n === 0 || !paint.has(mesh.areas[t] ?? 0)) return grey(BARE);
        return [(sums[i] ?? 0) / n, (sums[i + 1] ?? 0) / n, (sums[i + 2] ?? 0) / n];
    };
}

/** Along a gradient each corner has the colour of its own place between root and tip. */
function drawnOut(
    { positions }: LitMesh,
    area: number,
    v: number,
    gradients: ReadonlyMap<number, Ends>,
    paint: ReadonlyMap<number, readonly Rgb[]>,
): Rgb | null {
    const ends = gradients.get(area);
    const row = ends && paint.get(area);
    if (!row) return null;
    let along = 0;
    let whole = 0;
    for (let k = 0; k < 3; k++) {
        const way = (ends.to[k] ?? 0) - (ends.from[k] ?? 0);
        along += ((positions[3 * v + k] ?? 0) - (ends.from[k] ?? 0)) * way;
        whole += way * way;
    }
    // A zone has its colour in its middle.
    const place = Math.max(0, Math.min(row.length - 1, (along / (whole || 1)) * row.length - 0.5));
    const one = row[Math.floor(place)] ?? grey(BARE);
    const next = row[Math.ceil(place)] ?? one;
    const f = place - Math.floor(place);
    return [one[0] + f * (next[0] - one[0]), one[1] + f * (next[1] - one[1]), one[2] + f * (next[2] - one[2])];
}

/** Random drops over a dark primer: each spray covers what it reaches, and what came before shows between. */
function primed(
    v: number,
    coats: readonly { exposure: LitMesh['exposures'][number] | undefined; passes: number; luminance: number }[],
    { hitsPerPass, beneath }: Pick<LightProps, 'hitsPerPass' | 'beneath'>,
): number {
    let seen = beneath;
    for (const { exposure, passes, luminance } of coats) {
        const covered = 1 - Math.exp((-hitsPerPass * passes * (exposure?.[v] ?? 0)) / 255);
        seen = seen * (1 - covered) + luminance * covered;
    }
    return seen;
}

function grey(v: number): [number, number, number] {
    return [v, v, v];
}

/** Linear light of the five zones of each area, after so many layers. */
function paintAfter(areas: readonly AreaColours[], step: number): Map<number, Rgb[]> {
    return new Map(areas.map((area) => [area.id, (area.rows[Math.min(step, area.rows.length - 1)] ?? []).map(rgb)]));
}

/** The lamp itself is white in its own light; what it shines on has its mid tone. */
function lampOf(area: number, chosen: number | null, paint: ReadonlyMap<number, readonly Rgb[]>): Rgb {
    return area === chosen ? grey(1) : (paint.get(area)?.[2] ?? grey(BARE));
}

/** A dark room: a little of everything, and what the lamp gives. Linear light, `lit` 0..1. */
function glowing(own: Rgb, lit: number, lamp: Rgb): Rgb {
    return [
        own[0] * (0.06 + 0.94 * lit * lamp[0]),
        own[1] * (0.06 + 0.94 * lit * lamp[1]),
        own[2] * (0.06 + 0.94 * lit * lamp[2]),
    ];
}
