import { act, fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { SwatchTable } from '@/features/pot/swatch-table';
import type { MeasurementProps, ReadingProps, Swatch } from '@/types/generated';
import { colour, paint } from './made-up';
import { fakeServer, settled } from './server';

const reading = (swatch: Swatch): ReadingProps => ({
    swatch,
    values: [0.1, 0.2],
    colour: colour([40, 0, 0], `${swatch} as read`),
});

const measurement: MeasurementProps = {
    quality: 'measured',
    residuals: { overBlack: 0.31, overWhite: 1.24 },
    coats: { overBlack: 1.08, overWhite: 0.93 },
    known: 0.5,
    needsTint: false,
    contrastRatio: 0.87,
    coatsToHide: 3,
    moved: 4.26,
    curves: { thick: [0.1, 0.2], overBlack: [0.1, 0.2], overWhite: [0.2, 0.3] },
};

describe('the swatches of a pot', () => {
    let server: ReturnType<typeof fakeServer>;
    const kept = vi.fn();

    beforeEach(() => {
        kept.mockReset();
        server = fakeServer();
        render(
            <SwatchTable
                pot={paint(4, { version: 8 })}
                whites={[]}
                readerNoise={null}
                coatSpread={0.15}
                onKept={kept}
            />,
        );
    });

    async function answered(body: unknown) {
        await act(async () => server.open()[0]?.answer(200, body));
    }

    it('are read one after the other, judged when all that is needed is there, and kept when the painter says so', async () => {
        fireEvent.click(screen.getByText('Read all five'));
        await act(settled);
        for (const swatch of ['black', 'white', 'overBlack', 'overWhite', 'thick'] as const) {
            expect(server.open()).toHaveLength(1);
            expect(server.open()[0]?.path).toContain(swatch);
            await answered(reading(swatch));
        }
        expect(screen.getByText('overBlack as read')).toBeTruthy();
        expect(server.open()[0]?.body).toMatchObject({
            source: 'reader',
            whiteId: null,
            noise: null,
            coatSpread: 0.15,
        });
        await answered({ measurement });
        expect(screen.getByText(/known well in 18 of 36/)).toBeTruthy();
        expect(screen.getByText(/opaque in 3 coats/)).toBeTruthy();
        expect(screen.getByText(/108 % of a usual coat over black and 93 %/)).toBeTruthy();
        // What is missed is said at its row, and why the pot is then not called measured.
        expect(screen.getByText(/ΔE 0\.3 from all readings/)).toBeTruthy();
        expect(screen.getByText(/not called measured/)).toBeTruthy();
        const noise = screen.getByLabelText(/Noise of a reading/);
        fireEvent.change(noise, { target: { value: '0.4' } });
        fireEvent.blur(noise);
        await act(settled);
        expect(server.open()[0]?.body).toMatchObject({ noise: 0.004, coatSpread: 0.15 });
        await answered({ measurement });
        expect(kept).not.toHaveBeenCalled();
        fireEvent.click(screen.getByText('Save measurement'));
        await act(settled);
        expect(server.open()[0]?.body).toMatchObject({ keep: true, version: 8 });
        await answered({});
        expect(kept).toHaveBeenCalledTimes(1);
    });

    it('typed faster than they are answered are all there in the end', async () => {
        const type = (label: string, value: string) => {
            fireEvent.change(screen.getByLabelText(`${label}, as a colour`), { target: { value } });
        };
        type('Black card, bare', '#101010');
        type('White card, bare', '#f0f0f0');
        type('One coat over black', '#404040');
        type('One coat over white', '#606060');
        await act(settled);
        for (const swatch of ['black', 'white', 'overBlack', 'overWhite'] as const) await answered(reading(swatch));
        expect(Object.keys((server.open()[0]?.body as { readings: object }).readings)).toEqual([
            'black',
            'white',
            'overBlack',
            'overWhite',
        ]);
        expect(server.open()[0]?.body).toMatchObject({ source: 'typed' });
    });

    it('that cannot be read say why, and what was read before stays', async () => {
        fireEvent.click(screen.getByLabelText('Read: Black card, bare'));
        await act(settled);
        await answered(reading('black'));
        fireEvent.click(screen.getByLabelText('Read: White card, bare'));
        await act(settled);
        await act(async () => server.open()[0]?.answer(422, { message: 'The reader sees no light.' }));
        expect(screen.getByText('The reader sees no light.')).toBeTruthy();
        expect(screen.getByText('black as read')).toBeTruthy();
        expect(server.open()).toEqual([]);
        // Without a white there is no tint to read.
        expect(screen.getByLabelText('Read: Tint, 1 in 5 of white')).toHaveProperty('disabled', true);
    });
});
