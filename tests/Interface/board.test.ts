import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitted, toPicture, zoomed } from '@/features/reference-board/view';

const side = fc.integer({ min: 20, max: 6000 });

describe('a picture on the board', () => {
    it('fits whole, in the middle', () => {
        fc.assert(
            fc.property(side, side, side, side, (width, height, boxWidth, boxHeight) => {
                const view = fitted(width, height, boxWidth, boxHeight);
                expect(view.x).toBeGreaterThanOrEqual(-1e-9);
                expect(view.y).toBeGreaterThanOrEqual(-1e-9);
                expect(2 * view.x + width * view.scale).toBeCloseTo(boxWidth, 6);
                expect(2 * view.y + height * view.scale).toBeCloseTo(boxHeight, 6);
                expect(Math.min(view.x, view.y)).toBeCloseTo(0, 6);
            }),
        );
    });

    it('zooms about the pointer: what is under it stays under it', () => {
        const point = fc.tuple(
            fc.double({ min: 0, max: 900, noNaN: true }),
            fc.double({ min: 0, max: 900, noNaN: true }),
        );
        fc.assert(
            fc.property(
                side,
                side,
                fc.array(fc.tuple(fc.double({ min: 0.2, max: 5, noNaN: true }), point)),
                (width, height, turns) => {
                    let view = fitted(width, height, 900, 700);
                    const least = view.scale;
                    for (const [factor, at] of turns) {
                        const before = toPicture(view, at, width, height);
                        view = zoomed(view, factor, at, least);
                        const after = toPicture(view, at, width, height);
                        expect(after[0]).toBeCloseTo(before[0], 5);
                        expect(after[1]).toBeCloseTo(before[1], 5);
                        expect(view.scale).toBeGreaterThanOrEqual(Math.min(least, 24) - 1e-12);
                        expect(view.scale).toBeLessThanOrEqual(Math.max(24, least));
                    }
                },
            ),
        );
    });

    it('knows where on the picture the corners of what is seen are', () => {
        const view = { scale: 2, x: 10, y: 20 };
        expect(toPicture(view, [10, 20], 100, 50)).toEqual([0, 0]);
        expect(toPicture(view, [210, 120], 100, 50)).toEqual([1, 1]);
    });
});
