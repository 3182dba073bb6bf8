import { fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { applySettings } from '@/shared/lib/settings';
import { areaWords, fromMm, inOwnUnits, lengthWords, toMm, volumeWords } from '@/shared/lib/units';
import { AreaField, LengthField } from '@/shared/ui/length-field';

const USUAL = { clockHours: null, firstWeekday: 1, length: 'mm', volume: 'mL' };

afterEach(() => {
    applySettings(USUAL);
});

// 1 inch is 25.4 mm (international yard and pound agreement, 1959).
describe('units', () => {
    it('are mm and mL unless the painter wants others', () => {
        expect([lengthWords(75), areaWords('4.2'), volumeWords('0.25'), fromMm(12.5), toMm('12,5')]).toEqual([
            '75 mm',
            '4.2 cm²',
            '0.25 mL',
            '12.5',
            '12.5',
        ]);
        expect(inOwnUnits('Mask it: 120 mm of border.')).toBe('Mask it: 120 mm of border.');
    });

    it('are written in inches and drops, also in the sentences of the server', () => {
        applySettings({ ...USUAL, length: 'in', volume: 'drops' });
        expect([lengthWords(254), lengthWords(2), areaWords('6.4516'), volumeWords('0.05'), volumeWords(1)]).toEqual([
            '10 in',
            '0.079 in',
            '1 in²',
            '1 drop',
            '20 drops',
        ]);
        expect(inOwnUnits('Mask it: 127 mm of border, 12.9 cm²; take 0.3 mL. 5 mmm stay.')).toBe(
            'Mask it: 5 in of border, 2 in²; take 6 drops. 5 mmm stay.',
        );
        // There and back, as closely as it is shown.
        for (const mm of [0.2, 5, 32, 75, 300, 2999]) {
            expect(Math.abs(Number(toMm(fromMm(mm))) - mm)).toBeLessThanOrEqual(mm < 3 ? 0.02 : 0.005 * mm);
        }
        expect([fromMm(''), toMm(''), toMm('a')]).toEqual(['', '', 'a']);
    });

    it('are typed as the painter has them and kept in mm', () => {
        applySettings({ ...USUAL, length: 'in' });
        let kept = '';
        function Form() {
            const [mm, setMm] = useState('75');
            kept = mm;
            return (
                <>
                    <LengthField label="Height in" mm={mm} onMm={setMm} leastMm={5} mostMm={3000} />
                    <AreaField label="Size," cm2={mm} onCm2={setMm} />
                    <button
                        onClick={() => {
                            setMm('254');
                        }}
                    >
                        Other
                    </button>
                </>
            );
        }
        render(<Form />);
        const field = screen.getByLabelText<HTMLInputElement>('Height in inches');
        expect(field.value).toBe('2.95');
        fireEvent.change(field, { target: { value: '3.' } });
        fireEvent.change(field, { target: { value: '3.5' } });
        expect([field.value, kept]).toEqual(['3.5', '89']);
        fireEvent.click(screen.getByText('Other'));
        expect(field.value).toBe('10');
        fireEvent.change(screen.getByLabelText('Size, in²'), { target: { value: '2' } });
        expect(kept).toBe('12.9');
    });
});
