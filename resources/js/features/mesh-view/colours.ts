import type { LitMesh } from './data';

export type View = 'prime' | 'exposure' | 'zones' | 'finish' | 'lightness' | 'areas' | 'glow';

type AreaColours = { id: number; rows: readonly (readonly string[])[] };

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
/** Hits of spray at full exposure in one pass: as the technique has it (core/Finish/Technique). */
const HITS = 1.2;

/**
 * Linear colours, three corners a triangle. Everything that is not paint is grey.
 *
 * @param step layers put on so far, for the finish
 */
export function colours(
    mesh: LitMesh,
    view: View,
    areas: readonly AreaColours[],
    step: number,
    passes: number,
    chosen: number | null,
    glow: Uint8Array | null,
): Float32Array {
    const out = new Float32Array(3 * mesh.corners.length);
    const paint = new Map(
        areas.map((area) => [area.id, (area.rows[Math.min(step, area.rows.length - 1)] ?? []).map(rgb)]),
    );
    // The lamp shines in the colour of its own light.
    const lamp = paint.get(chosen ?? 0)?.[4] ?? grey(1);
    const order = new Map(areas.map((area, i) => [area.id, i]));
    for (let t = 0; t < mesh.areas.length; t++) {
        const area = mesh.areas[t] ?? 0;
        const zone = mesh.zones[t] ?? 2;
        for (let k = 0; k < 3; k++) {
            const light = (mesh.exposure[mesh.corners[3 * t + k] ?? 0] ?? 0) / 255;
            const at = 9 * t + 3 * k;
            let c: readonly [number, number, number];
            switch (view) {
                case 'exposure':
                    c = grey(light);
                    break;
                case 'prime': {
                    const covered = 1 - Math.exp(-HITS * passes * light);
                    c = grey(0.02 * (1 - covered) + 0.8 * covered);
                    break;
                }
                case 'zones':
                    c = grey(ZONE_GREYS[zone] ?? BARE);
                    break;
                case 'areas':
                    c = grey(area === 0 ? 0.02 : area === chosen ? 0.95 : 0.1 + 0.07 * ((order.get(area) ?? 0) % 6));
                    break;
                case 'glow': {
                    // A dark room: a little of everything, and what the lamp gives.
                    const own = area === chosen ? grey(1) : (paint.get(area)?.[2] ?? grey(BARE));
                    const lit = area === chosen ? 1 : (glow?.[mesh.corners[3 * t + k] ?? 0] ?? 0) / 255;
                    c = [
                        own[0] * (0.06 + 0.94 * lit * lamp[0]),
                        own[1] * (0.06 + 0.94 * lit * lamp[1]),
                        own[2] * (0.06 + 0.94 * lit * lamp[2]),
                    ];
                    break;
                }
                default:
                    c = paint.get(area)?.[zone] ?? grey(BARE);
                    if (view === 'lightness') c = grey(0.2126 * c[0] + 0.7152 * c[1] + 0.0722 * c[2]);
            }
            out[at] = c[0];
            out[at + 1] = c[1];
            out[at + 2] = c[2];
        }
    }
    return out;
}

function grey(v: number): [number, number, number] {
    return [v, v, v];
}
