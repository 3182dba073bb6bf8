import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
    firstZone,
    layerNote,
    MOST_DROPS,
    wire,
    withDrops,
    withLayer,
    withMoved,
    withNewLayer,
    withoutLayer,
    withPot,
    withTechnique,
} from '@/features/finish/layers';
import { arranged, moved, short, stepWords } from '@/features/order-board/order';
import { found, ordered } from '@/features/shelf/order';
import type { OrderProps, OrderStepProps } from '@/types/generated';
import { colour, layer, paint, pot, technique } from './made-up';

const stack = fc.nat({ max: 6 }).map((n) => Array.from({ length: n + 1 }, (_, i) => layer(`layer ${i}`)));
const mix = fc
    .uniqueArray(fc.integer({ min: 1, max: 5 }), { minLength: 1 })
    .map((ids) => ids.map((id) => ({ ...pot(id), paintId: id, drops: id })));

describe('layers of a finish', () => {
    it('move up and down without one being lost, and back again', () => {
        fc.assert(
            fc.property(stack, fc.nat({ max: 8 }), fc.constantFrom(1 as const, -1 as const), (layers, index, by) => {
                const after = withMoved(layers, index, by);
                expect([...after].sort((p, q) => p.key.localeCompare(q.key))).toEqual(layers);
                const there = layers[index] && layers[index + by] ? index + by : index;
                expect(withMoved(after, there, by === 1 ? -1 : 1)).toEqual(
                    there === index ? withMoved(layers, index, by === 1 ? -1 : 1) : layers,
                );
            }),
        );
    });

    it('come in above the chosen one with what their technique usually has, and go out again', () => {
        fc.assert(
            fc.property(stack, fc.nat({ max: 6 }), (layers, at) => {
                const above = Math.min(at, layers.length - 1);
                const more = withNewLayer(layers, above, technique(), pot(9), 'new');
                expect(more[above + 1]).toMatchObject({
                    key: 'new',
                    technique: 'wash',
                    zones: ['recess', 'shade'],
                    thinner: 2,
                    coats: 1,
                    mix: [{ paintId: 9, drops: 1 }],
                });
                expect(withoutLayer(more, above + 1)).toEqual(layers);
            }),
        );
    });

    it('keep their mix and note when their technique changes', () => {
        const before = [layer('a', { note: 'thin', mix: [{ ...pot(1), paintId: 1, drops: 2 }], coats: 3 })];
        expect(withTechnique(before, 0, technique())[0]).toMatchObject({
            technique: 'wash',
            thinner: 2,
            coats: 3,
            note: 'thin',
            mix: before[0]?.mix,
        });
        expect(withLayer(before, 5, { coats: 1 })).toEqual(before);
    });

    it('always have paint in them, in whole drops that can be counted', () => {
        fc.assert(
            fc.property(mix, fc.integer({ min: 1, max: 6 }), fc.integer({ min: -5, max: 200 }), (drops, id, wanted) => {
                const after = withDrops(drops, id, wanted);
                expect(after.length).toBeGreaterThan(0);
                for (const entry of after) {
                    expect(entry.drops).toBeGreaterThanOrEqual(1);
                    expect(entry.drops).toBeLessThanOrEqual(MOST_DROPS);
                }
                // The other pots are as they were.
                expect(after.filter((e) => e.paintId !== id)).toEqual(drops.filter((e) => e.paintId !== id));
            }),
        );
        fc.assert(
            fc.property(mix, fc.integer({ min: 1, max: 6 }), (drops, id) => {
                const before = drops.find((e) => e.paintId === id)?.drops ?? 0;
                expect(withPot(drops, pot(id)).find((e) => e.paintId === id)?.drops).toBe(before + 1);
            }),
        );
    });

    it('are sent with pots by number only, and said in few words', () => {
        const thin = layer('a', { thinner: 2, coats: 2, mix: [{ ...pot(1), paintId: 1, drops: 2 }] });
        expect(wire([thin])).toEqual([
            {
                key: 'a',
                technique: 'layer',
                zones: ['mid'],
                thinner: 2,
                coats: 2,
                note: null,
                mix: [{ paintId: 1, drops: 2 }],
            },
        ]);
        expect(layerNote(thin)).toBe('2 Pot 1, 2 coats, 1 paint + 2 thinner');
        expect(layerNote(layer('b', { thinner: 0, mix: thin.mix }))).toBe('2 Pot 1');
    });

    it('open at the zone they change most', () => {
        expect(firstZone('wash', ['recess', 'shade'])).toBe('shade');
        expect(firstZone('dry brush', ['light', 'edge', 'mid'])).toBe('light');
        expect(firstZone('layer', ['light', 'mid'])).toBe('mid');
        expect(firstZone('edge highlight', ['edge'])).toBe('edge');
        expect(firstZone('layer', [])).toBe('mid');
    });
});

describe('the order of steps', () => {
    const ids = fc.uniqueArray(fc.string({ minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 9 });

    it('has a moved step where it was put, and the others as they were', () => {
        fc.assert(
            fc.property(ids, fc.nat(), fc.integer({ min: -3, max: 12 }), (all, pick, to) => {
                const id = all[pick % all.length] ?? '';
                const after = moved(all, id, to);
                expect(after.indexOf(id)).toBe(Math.max(0, Math.min(all.length - 1, to)));
                expect(after.filter((other) => other !== id)).toEqual(all.filter((other) => other !== id));
            }),
        );
    });

    it('shows steps shelf order, and a step by where it is', () => {
        const step = (id: string, areaNames: string[]): OrderStepProps => ({
            id,
            kind: 'brush',
            words: `paint ${id}`,
            partIds: [],
            areaNames,
            minutes: 5,
            dryMinutes: 5,
            hexes: [],
            cautions: [],
            cleaner: null,
            tool: 'brush',
        });
        const order = { steps: [step('a', ['Cloak']), step('b', ['Cloak', 'Hat'])] } as unknown as OrderProps;
        expect(arranged(order, ['b', 'gone', 'a']).map(({ id }) => id)).toEqual(['b', 'a']);
        expect(stepWords(order, 'a')).toBe('Cloak: paint a');
        expect(stepWords(order, 'b')).toBe('paint b');
        expect(stepWords(order, 'gone')).toBe('gone');
        fc.assert(fc.property(fc.string({ maxLength: 200 }), (words) => short(words).length <= 60));
    });
});

describe('the shelf', () => {
    const pots = [
        paint(1, { name: 'Bone', thick: colour([85, 1, 12], 'pale yellow'), levelPercent: 30 }),
        paint(2, { name: 'Ember', thick: colour([45, 50, 30], 'strong red'), levelPercent: 90, sheen: 'gloss' }),
        paint(3, { name: 'Fog', thick: colour([60, 1, -1], 'grey'), levelPercent: 10 }),
        paint(4, { name: 'Tide', thick: colour([40, -5, -35], 'blue'), kind: 'ink', levelPercent: 60 }),
    ];
    const names = (order: Parameters<typeof ordered>[1]) => ordered(pots, order).map(({ name }) => name);

    it('sorts by hue with greys last, by lightness, by what is left, or not at all', () => {
        expect(names('hue')).toEqual(['Ember', 'Bone', 'Tide', 'Fog']);
        expect(names('lightness')).toEqual(['Bone', 'Fog', 'Ember', 'Tide']);
        expect(names('level')).toEqual(['Fog', 'Bone', 'Tide', 'Ember']);
        expect(names('shelf')).toEqual(['Bone', 'Ember', 'Fog', 'Tide']);
    });

    it('finds pots by any words that all stand in what they say of themselves', () => {
        const finds = (words: string, kind = 'all') => found(pots, words, kind).map(({ name }) => name);
        expect(finds('')).toHaveLength(4);
        expect(finds('  TALLOW  red ')).toEqual(['Ember']);
        expect(finds('gloss blue')).toEqual([]);
        expect(finds('tide', 'ink')).toEqual(['Tide']);
        expect(finds('tide', 'acrylic')).toEqual([]);
    });
});
