import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { colours } from '@/features/mesh-view/colours';
import { loadGlow, loadMesh, parseMesh, type LitMesh } from '@/features/mesh-view/data';
import type { SprayProps } from '@/types/generated';

type Made = { vertices: number; triangles: number; sprays: number; seed: number };

/** The bytes that docs/formats.md describes, of a mesh that means nothing. */
function bytes({ vertices, triangles, sprays, seed }: Made): ArrayBuffer {
    const buffer = new ArrayBuffer(8 + 12 * vertices + 17 * triangles + sprays * vertices);
    const view = new DataView(buffer);
    let at = 0;
    let state = seed;
    const next = (below: number) => (state = (1103515245 * state + 12345) % 2147483648) % below;
    const long = (value: number) => {
        view.setUint32(at, value, true);
        at += 4;
    };
    long(vertices);
    long(triangles);
    for (let i = 0; i < 3 * vertices; i++) {
        view.setFloat32(at, next(1000) / 10, true);
        at += 4;
    }
    for (let i = 0; i < 3 * triangles; i++) long(next(vertices));
    for (let i = 0; i < triangles; i++) long([0, 3, 8][next(3)] ?? 0);
    for (let i = 0; i < sprays * vertices; i++) view.setUint8(at++, next(256));
    for (let i = 0; i < triangles; i++) view.setUint8(at++, next(5));
    return buffer;
}

const made = fc.record({
    vertices: fc.integer({ min: 1, max: 40 }).map((n) => 4 * n),
    triangles: fc.integer({ min: 1, max: 60 }),
    sprays: fc.integer({ min: 1, max: 4 }),
    seed: fc.nat({ max: 1_000_000 }),
});

const linear = (v: number) => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);

describe('a lit mesh', () => {
    it('is read as it was written', () => {
        fc.assert(
            fc.property(made, (what) => {
                const mesh = parseMesh(bytes(what), what.sprays);
                expect(mesh.positions).toHaveLength(3 * what.vertices);
                expect(mesh.corners).toHaveLength(3 * what.triangles);
                expect(mesh.exposures).toHaveLength(what.sprays);
                expect(Math.max(...mesh.corners)).toBeLessThan(what.vertices);
                expect(Math.max(...mesh.zones)).toBeLessThan(5);
                expect([...mesh.areas].every((id) => [0, 3, 8].includes(id))).toBe(true);
            }),
        );
    });

    it('cut off or followed by more is not taken for a mesh', () => {
        const whole = bytes({ vertices: 8, triangles: 5, sprays: 2, seed: 1 });
        expect(() => parseMesh(whole.slice(0, whole.byteLength - 1), 2)).toThrow();
        expect(() => parseMesh(whole, 1)).toThrow('incomplete');
    });

    describe('from the server', () => {
        const signal = new AbortController().signal;
        const answer = (response: Response) => {
            vi.stubGlobal('fetch', () => Promise.resolve(response));
        };

        it('comes with its sprays, and its glow by vertex', async () => {
            answer(new Response(bytes({ vertices: 8, triangles: 5, sprays: 2, seed: 1 })));
            expect((await loadMesh('/mesh', 2, signal)).zones).toHaveLength(5);
            answer(new Response(new Uint8Array([1, 2, 255])));
            expect([...(await loadGlow('/glow', signal))]).toEqual([1, 2, 255]);
        });

        it('says when there is none', async () => {
            answer(new Response(null, { status: 404 }));
            await expect(loadMesh('/mesh', 2, signal)).rejects.toThrow('404');
            await expect(loadGlow('/glow', signal)).rejects.toThrow('nothing of this area yet');
        });
    });
});

describe('the colours of a mesh', () => {
    /** Two triangles that share an edge, vertices 1 and 2. */
    function pair(areas: [number, number], zones: [number, number], exposures: number[][] = []): LitMesh {
        return {
            positions: new Float32Array(12),
            corners: new Uint32Array([0, 1, 2, 2, 1, 3]),
            areas: new Uint32Array(areas),
            exposures: exposures.map((row) => new Uint8Array(row)),
            zones: new Uint8Array(zones),
        };
    }

    const spray = (technique: SprayProps['technique'], passes: number): SprayProps => ({
        technique,
        elevation: 90,
        side: 0,
        spread: 60,
        passes,
        luminance: technique === 'zenithal spray' ? 0.8 : 0.07,
        distance: null,
        aim: null,
    });
    const under = (sprays: SprayProps[] = []) => ({ sprays, hitsPerPass: 1.2, beneath: 0.02 });
    const ramp = ['#101010', '#303030', '#606060', '#a0a0a0', '#e0e0e0'];
    const red = ['#200000', '#400000', '#800000', '#c00000', '#ff0000'];

    it('run along a gradient by the place of each corner, whatever its zone is', () => {
        const mesh = pair([7, 7], [0, 4]);
        mesh.positions.set([0, 0, 0, 0, 0, 5, 0, 0, 10, 0, 0, -3]);
        const gradient = { from: [0, 0, 0], to: [0, 0, 10] };
        const shown = colours(mesh, 'finish', [{ id: 7, rows: [ramp], gradient }], 9, under(), 0, null, null);
        const level = (v: number) => Number(shown[3 * v]?.toFixed(3));
        const of = (hex: string) => Number((Number.parseInt(hex.slice(1, 3), 16) / 255).toFixed(4));
        const linear = (v: number) => Number((v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4).toFixed(3));
        // Root, middle, tip; and what lies before the root is root.
        expect([0, 1, 2, 5].map(level)).toEqual(['#101010', '#606060', '#e0e0e0', '#101010'].map((h) => linear(of(h))));
    });

    it('are the paint of each zone, in linear light (IEC 61966-2-1), by the layers put on so far', () => {
        const areas = [{ id: 3, rows: [['#000000', '#000000', '#000000', '#000000', '#000000'], ramp] }];
        const seen = colours(pair([3, 3], [4, 4]), 'finish', areas, 1, under(), 0, null, null);
        for (const v of seen) expect(v).toBeCloseTo(linear(0xe0 / 255), 5);
        expect(Math.max(...colours(pair([3, 3], [4, 4]), 'finish', areas, 0, under(), 0, null, null))).toBe(0);
        // More layers asked for than there are: the last.
        expect(colours(pair([3, 3], [4, 4]), 'finish', areas, 9, under(), 0, null, null)).toEqual(seen);
    });

    it('run into each other within an area and stop at its border', () => {
        const areas = [
            { id: 3, rows: [ramp] },
            { id: 8, rows: [red] },
        ];
        const within = colours(pair([3, 3], [0, 4]), 'finish', areas, 0, under(), 0, null, null);
        const dark = linear(0x10 / 255);
        const light = linear(0xe0 / 255);
        expect(within[0]).toBeCloseTo(dark, 5);
        expect(within[3]).toBeCloseTo((dark + light) / 2, 5);
        expect(within[15]).toBeCloseTo(light, 5);
        const across = colours(pair([3, 8], [4, 4]), 'finish', areas, 0, under(), 0, null, null);
        expect([...across.slice(0, 9)].every((v) => Math.abs(v - light) < 1e-5)).toBe(true);
        for (let k = 3; k < 6; k++) {
            expect(across[3 * k]).toBeCloseTo(1, 5);
            expect(across[3 * k + 1]).toBe(0);
        }
    });

    it('of the prime grow lighter with every pass from above, and stay between black and white', () => {
        const exposure = fc.array(fc.nat({ max: 255 }), { minLength: 4, maxLength: 4 });
        fc.assert(
            fc.property(exposure, exposure, fc.integer({ min: 0, max: 6 }), (above, below, passes) => {
                const mesh = pair([0, 0], [2, 2], [above, below]);
                const seen = (more: number) =>
                    colours(
                        mesh,
                        'prime',
                        [],
                        0,
                        under([spray('zenithal spray', passes + more), spray('spray from below', 1)]),
                        0,
                        null,
                        null,
                    );
                const before = seen(0);
                const after = seen(1);
                for (let i = 0; i < before.length; i++) {
                    expect(after[i] ?? 0).toBeGreaterThanOrEqual((before[i] ?? 0) - 1e-7);
                    expect(after[i]).toBeGreaterThan(0);
                    expect(after[i]).toBeLessThan(0.8);
                }
            }),
        );
    });

    it('that are not paint are grey', () => {
        fc.assert(
            fc.property(
                made,
                fc.constantFrom(
                    'bare' as const,
                    'prime' as const,
                    'exposure' as const,
                    'zones' as const,
                    'areas' as const,
                    'lightness' as const,
                ),
                (what, view) => {
                    const mesh = parseMesh(bytes(what), what.sprays);
                    const areas = [{ id: 3, rows: [red] }];
                    const sprays = Array.from({ length: what.sprays }, () => spray('zenithal spray', 1));
                    const seen = colours(mesh, view, areas, 0, under(sprays), 0, 3, null);
                    expect(seen).toHaveLength(9 * what.triangles);
                    for (let i = 0; i < seen.length; i += 3) {
                        expect(seen[i + 1]).toBe(seen[i]);
                        expect(seen[i + 2]).toBe(seen[i]);
                    }
                },
            ),
        );
    });

    it('in the dark take on the colour of the lamp where it shines, and little elsewhere', () => {
        const areas = [
            { id: 3, rows: [red] },
            { id: 8, rows: [['#ffffff', '#ffffff', '#ffffff', '#ffffff', '#ffffff']] },
        ];
        const seen = colours(pair([3, 8], [4, 4]), 'glow', areas, 0, under(), 0, 3, new Uint8Array([255, 255, 0, 0]));
        // The lamp itself; then a white area: red where it is lit, dim and grey where it is not.
        expect(seen[0]).toBeCloseTo(1, 5);
        expect(seen[3 * 4]).toBeCloseTo(1, 5);
        expect(seen[3 * 4 + 1]).toBeCloseTo(0.06, 5);
        expect(seen[3 * 5]).toBeCloseTo(0.06, 5);
    });
});
