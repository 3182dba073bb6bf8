import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { SectionView, aim } from '@/features/section/section-view';
import { zoneName, zonesOf, ZONES } from '@/shared/lib/format';
import { Spread } from '@/shared/ui/spread';
import type { SectionRowProps, Zone } from '@/types/generated';
import { colour } from './made-up';

function row(painted: readonly Zone[]): SectionRowProps {
    return {
        cells: ZONES.map((zone) => ({
            zone,
            colour: colour([50, 0, 0], `${zone} grey`),
            touched: painted.includes(zone),
            change: 4,
            likeness: 'close' as const,
            side: null,
        })),
        quality: 'estimated',
        shows: true,
        largestChange: 4,
        left: 4,
        mostIn: painted[0] ?? null,
        remedy: null,
        remedies: [],
        dryMinutes: 15,
    };
}

describe('the zone a layer is mixed for', () => {
    it('is the one that was asked for, where the layer paints it', () => {
        expect(aim(row(ZONES), 'recess')).toBe('recess');
        expect(aim(row(ZONES))).toBe('mid');
    });

    it('is otherwise the nearest to the middle that it paints: never one that it leaves alone', () => {
        expect(aim(row(['light', 'edge']), 'recess')).toBe('light');
        expect(aim(row(['recess', 'shade']))).toBe('shade');
        expect(aim(row(['edge']), 'mid')).toBe('edge');
        expect(aim(row([]), 'shade')).toBe('shade');
    });
});

describe('the section', () => {
    it('of an eye has pupil, iris and white, and its keys go through these alone', () => {
        const select = vi.fn();
        render(
            <SectionView
                rows={[row([]), row(['mid'])]}
                names={['bare print', 'layer']}
                form="eye"
                selected={{ row: 1, zone: 'mid' }}
                onSelect={select}
            />,
        );
        expect(screen.getAllByRole('columnheader').map((head) => head.textContent)).toEqual([
            'Layer',
            'pupil',
            'iris',
            'white',
        ]);
        expect(screen.getAllByRole('gridcell')).toHaveLength(6);
        fireEvent.keyDown(screen.getByRole('grid'), { key: 'ArrowRight' });
        expect(select).toHaveBeenLastCalledWith({ row: 1, zone: 'light' });
        fireEvent.keyDown(screen.getByRole('grid'), { key: 'ArrowLeft' });
        expect(select).toHaveBeenLastCalledWith({ row: 1, zone: 'recess' });
    });

    it('chosen by its name goes to what the layer is for', () => {
        const select = vi.fn();
        render(
            <SectionView rows={[row([]), row(['light', 'edge'])]} names={['bare print', 'layer']} onSelect={select} />,
        );
        fireEvent.click(screen.getByText('layer'));
        expect(select).toHaveBeenCalledWith({ row: 1, zone: 'light' });
    });
});

describe('zones', () => {
    it('are called what painters call them in such an area', () => {
        expect(ZONES.map((zone) => zoneName('eye', zone))).toEqual(['pupil', 'pupil', 'iris', 'white', 'white']);
        expect(zoneName('true metal', 'shade')).toBe('shade');
        expect(zonesOf('flat sign')).toEqual(['mid']);
        expect(zonesOf('light and shade')).toEqual(ZONES);
    });
});

describe('how sure a colour is', () => {
    it('is said by its two ends and by a number, also to those who cannot see them', () => {
        render(
            <Spread spread={{ radius: 0.04, from: colour([10, 0, 0], 'black'), to: colour([90, 0, 0], 'white') }} />,
        );
        expect(screen.getByText('two out of three times between black and white, within ΔE 0.0')).toBeTruthy();
        expect(screen.getByText('± 0.0')).toBeTruthy();
    });
});
