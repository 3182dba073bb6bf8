import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { applySettings, timeWords, weekdays } from '@/shared/lib/settings';
import {
    areasWords,
    capital,
    dilutionWords,
    inkOn,
    labWords,
    many,
    minutesWords,
    ZONES,
    zonesWords,
} from '@/shared/lib/format';
import { colour } from './made-up';

/** Contrast of two colours (WCAG 2.2, relative luminance and contrast ratio). */
function contrast(one: string, other: string): number {
    const luminance = (hex: string) => {
        const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
            const v = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
            return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
        });
        return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    const [dark = 0, light = 0] = [luminance(one), luminance(other)].sort((p, q) => p - q);
    return (light + 0.05) / (dark + 0.05);
}

const hex = fc.nat({ max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);

describe('words and inks', () => {
    it('can be read on every paint: contrast of 4.5 (WCAG 2.2, 1.4.3)', () => {
        fc.assert(
            fc.property(hex, (paint) => contrast(inkOn(paint), paint) >= 4.5),
            { numRuns: 2000 },
        );
    });

    it('count minutes up to two hours, then hours', () => {
        expect([5, 119, 120, 150, 1440].map(minutesWords)).toEqual(['5 min', '119 min', '2 h', '2 h 30 min', '24 h']);
        fc.assert(
            fc.property(fc.nat({ max: 100_000 }), (minutes) => {
                const [, h = '0', m = '0'] = /^(?:(\d+) h ?)?(?:(\d+) min)?$/.exec(minutesWords(minutes)) ?? [];
                expect(60 * Number(h) + Number(m)).toBe(minutes);
            }),
        );
    });

    it('say dilutions in parts, one of anything without an s, and colours with one decimal', () => {
        expect([0, 1, 2.5].map(dilutionWords)).toEqual(['undiluted', '1 paint + 1 thinner', '1 paint + 2.5 thinner']);
        expect([many(1, 'drop'), many(0, 'drop'), many(3, 'drop')]).toEqual(['1 drop', '0 drops', '3 drops']);
        expect(labWords(colour([51.26, -0.04, 12]))).toBe('L*\u00a051.3  a*\u00a00.0  b*\u00a012.0');
        expect(capital('edge')).toBe('Edge');
    });

    it('name zones and areas only where that helps', () => {
        expect(zonesWords(ZONES)).toBe('all zones');
        expect(zonesWords(['mid', 'light'])).toBe('mid, light');
        expect(areasWords(['Cloak', 'Boots'])).toBe('Cloak, Boots');
        expect(areasWords(['Cloak', 'Boots, laced', 'Hat'])).toBe('3 areas');
    });
});

describe('what a painter has set', () => {
    afterEach(() => {
        applySettings({ clockHours: null, firstWeekday: 1 });
    });

    it('writes the clock, and begins the week', () => {
        const evening = new Date('2026-11-29T20:05');
        applySettings({ clockHours: 24, firstWeekday: 7 });
        expect(timeWords(evening)).toContain('20:05');
        expect(weekdays()).toEqual([7, 1, 2, 3, 4, 5, 6]);
        applySettings({ clockHours: 12, firstWeekday: 6 });
        expect(timeWords(evening)).toMatch(/^8:05/);
        expect(weekdays()).toEqual([6, 7, 1, 2, 3, 4, 5]);
        // A page that tells nothing changes nothing.
        applySettings(undefined);
        expect(timeWords(evening)).toMatch(/^8:05/);
    });
});
