import { act, fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { DryingTray } from '@/features/shell/tray';
import { PicturePanel } from '@/features/reference-board/picture-panel';
import FinishesPage from '@/pages/finishes/index';
import type { PictureProps, SectionRowProps, TrayItemProps } from '@/types/generated';
import { forget, router, shared } from './inertia';
import { areaFinish, colour, figure, layer, picture, pot, technique } from './made-up';
import { fakeServer, press, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    forget();
    localStorage.clear();
    server = fakeServer();
});

const within = (minutes: number) => new Date(Date.now() + 60_000 * minutes).toISOString();

function item(kind: string, minutes: number, change: Partial<TrayItemProps> = {}): TrayItemProps {
    return {
        key: `${kind} ${minutes}`,
        kind,
        what: `${kind} at work`,
        figure: 'Heron keeper',
        at: within(minutes),
        url: '/runs/3',
        timerId: null,
        ...change,
    };
}

describe('the tray below every screen', () => {
    it('says nothing until it knows, then that nothing is drying', () => {
        shared.props = { painter: 'Ines' };
        const { rerender } = render(<DryingTray />);
        expect(screen.queryByText('Nothing is drying.')).toBeNull();
        shared.props = { painter: 'Ines', tray: [], openCups: [] };
        rerender(<DryingTray />);
        expect(screen.getByText('Nothing is drying.')).toBeTruthy();
    });

    it('counts what dries, what must come off, and what rings', () => {
        shared.props = {
            tray: [
                item('dry', 14.5),
                item('mask', 20),
                item('mask', 200),
                item('timer', -5, { timerId: 6 }),
                item('dry', -3),
            ],
            openCups: [],
        };
        render(<DryingTray />);
        expect(screen.getByText('dry in 15 min')).toBeTruthy();
        expect(screen.getByText('peel within 20 min').closest('a')?.className).toContain('bg-ink');
        expect(screen.getByText(/^peel by /).closest('a')?.className).not.toContain('bg-ink');
        expect(screen.getByText('time is up')).toBeTruthy();
        expect(screen.getByText('dry').closest('a')?.getAttribute('href')).toBe('/runs/3');
    });

    it('stops a timer and asks for itself anew', async () => {
        shared.props = { tray: [item('timer', 5, { timerId: 6 })], openCups: [] };
        render(<DryingTray />);
        await press(screen.getByLabelText('Stop the timer: timer at work'));
        expect(server.asked[0]).toMatchObject({ method: 'DELETE', path: '/timers/6' });
        await act(async () => {
            await server.open()[0]?.answer(200, {});
            await settled();
        });
        expect(router.reload).toHaveBeenCalledWith({ only: ['tray'] });
    });

    it('shows an open cup with what is in it, until its pot life is over', () => {
        const cup = { id: 1, name: 'Cloak, mid', hex: '#445566', millilitres: 1.25, url: '/cups/1' };
        shared.props = {
            tray: [],
            openCups: [
                { ...cup, goodUntil: within(30) },
                { ...cup, id: 2, name: 'Old one', goodUntil: within(-5) },
            ],
        };
        render(<DryingTray />);
        expect(screen.getByText('1.3 mL')).toBeTruthy();
        expect(screen.getByText('Old one').closest('a')?.textContent).toContain('past its pot life');
        expect(screen.queryByText('Nothing is drying.')).toBeNull();
    });
});

describe('a picture', () => {
    const small = picture({ crop: [0, 0, 0.5, 0.5], remarks: ['This picture is small.'] });

    function panel(change: Partial<PictureProps> = {}, purpose: 'grey' | 'chart' | null = null) {
        const asked = { purpose: vi.fn(), reflectance: vi.fn(), changed: vi.fn(), colour: vi.fn() };
        render(
            <PicturePanel
                figureId={3}
                picture={{ ...small, ...change }}
                purpose={purpose}
                reflectance="0.18"
                onReflectance={asked.reflectance}
                onPurpose={asked.purpose}
                onChanged={asked.changed}
                onColour={asked.colour}
            />,
        );
        return asked;
    }

    it('says what is odd about it, and that lamp and camera still tint it', () => {
        panel();
        expect(screen.getByText('This picture is small.')).toBeTruthy();
        expect(screen.getByText(/Not white-balanced/)).toBeTruthy();
    });

    it('is balanced by a grey card of its own reflectance, or by a chart', async () => {
        const asked = panel({}, 'grey');
        fireEvent.change(screen.getByLabelText('Reflectance of the grey'), { target: { value: '0.5' } });
        expect(asked.reflectance).toHaveBeenCalledWith('0.5');
        expect(screen.getByText('Draw a box inside the grey patch.')).toBeTruthy();
        await press(screen.getByText('24 patches'));
        expect(asked.purpose).toHaveBeenCalledWith('chart');
    });

    it('shows what its balance leaves, and gives it up', async () => {
        const residuals = [{ name: 'blue', hex: '#3333aa', difference: 2.34 }];
        const asked = panel({
            neutral: {
                method: 'chart',
                points: [],
                others: [],
                reflectance: null,
                words: 'From 24 patches.',
                typical: 1.5,
                residuals,
            },
        });
        expect(screen.getByTitle('blue').textContent).toContain('2.3');
        await press(screen.getByText('Remove white balance'));
        expect(server.asked[0]?.method).toBe('DELETE');
        await act(async () => {
            await server.open()[0]?.answer(200, {});
            await settled();
        });
        expect(asked.changed).toHaveBeenCalledOnce();
    });

    it('is shown whole again, and gives its main colours to be taken', async () => {
        const asked = panel();
        await press(screen.getByText('Whole picture'));
        expect(server.asked[0]?.body).toEqual({ crop: null });
        await press(screen.getByText('Main colours'));
        const palette = [
            {
                colour: colour([40, 0, 0], 'dark grey'),
                share: 0.62,
                spot: [
                    [0.2, 0.3],
                    [0.01, 0],
                ],
            },
        ];
        await act(async () => {
            await server.open().at(-1)?.answer(200, palette);
            await settled();
        });
        await press(screen.getByText('62 % dark grey').closest('button') ?? undefined);
        expect(asked.colour).toHaveBeenCalledWith({
            tool: 'spot',
            points: [
                [0.2, 0.3],
                [0.01, 0],
            ],
        });
    });

    it('is told whether its light is painted on', async () => {
        panel();
        await press(screen.getByText('real light'));
        expect(server.asked[0]).toMatchObject({ method: 'PATCH', body: { shading: 'real light' } });
    });
});

describe('a layer of a finish', () => {
    const row = (change: Partial<SectionRowProps>): SectionRowProps => ({
        cells: [],
        quality: 'estimated',
        shows: true,
        largestChange: 0,
        left: 0,
        mostIn: null,
        remedy: null,
        remedies: [],
        dryMinutes: 15,
        ...change,
    });

    const page = (top: Partial<SectionRowProps>, sheen: 'matt' | 'gloss' = 'matt') => {
        const area = areaFinish(1, [layer('a')]);
        return (
            <FinishesPage
                figure={figure({ sheen })}
                areas={[]}
                area={{
                    ...area,
                    section: { start: 'bare print', rows: [row({}), row(top)], matches: [], spreads: [], help: null },
                }}
                pots={[{ ...pot(1), isMixed: true }, pot(2)]}
                techniques={[technique({ technique: 'varnish', potId: 2, usualZones: ['mid'] }), technique()]}
            />
        );
    };

    it('says what it changes when painted, and what of it is left at the end', () => {
        render(page({ largestChange: 19.1, left: 6.2, mostIn: 'edge' }));
        expect(screen.getByText(/when painted/).textContent).toBe(
            'Changes the edge by 19.1 when painted; 6.2 of it is left at the end.',
        );
    });

    it('that is covered by what follows is told so', () => {
        render(page({ largestChange: 19.1, left: 0.09, mostIn: 'edge' }));
        expect(screen.getByText(/nothing of it is seen at the end/)).toBeTruthy();
    });

    it('says between which colours it will lie, and what would make it surer', async () => {
        const { rerender } = render(page({}));
        rerender(page({}, 'gloss'));
        await act(settled);
        await act(async () => {
            await server.asked
                .filter((question) => question.path.endsWith('/section'))
                .at(-1)
                ?.answer(200, {
                    start: 'bare print',
                    rows: [row({}), row({})],
                    matches: [],
                    spreads: [
                        {
                            zone: 'mid',
                            spread: { radius: 6.13, from: colour([40, 0, 0], 'dark'), to: colour([52, 0, 0], 'light') },
                        },
                    ],
                    help: { words: 'Measure Buoy Yellow', potId: 7, before: 6.1, after: 2.04 },
                });
        });
        expect(screen.getByText('two out of three times between dark and light, within ΔE 6.1')).toBeTruthy();
        expect(screen.getByText('Measure Buoy Yellow').getAttribute('href')).toContain('/7');
        expect(screen.getByText(/from ± 6\.1 to about ± 2\.0/)).toBeTruthy();
    });

    it('that will not show is made to by what is offered', async () => {
        vi.useFakeTimers();
        const remedy = { words: '3 coats would show', coats: 3, thinner: 1, zones: ['mid' as const] };
        render(page({ shows: false, largestChange: 1.2, mostIn: 'mid', remedy: remedy.words, remedies: [remedy] }));
        fireEvent.click(screen.getByText('3 coats would show'));
        await act(() => vi.advanceTimersByTimeAsync(2000));
        vi.useRealTimers();
        const saved = server.asked.find((question) => question.method === 'PUT');
        expect(saved?.body).toMatchObject({ layers: [{ coats: 3 }] });
    });

    it('is seen anew as soon as the figure has another sheen or light', async () => {
        const { rerender } = render(page({ mostIn: 'mid', largestChange: 5, left: 5 }));
        expect(document.body.textContent).toMatch(/In matt nothing is darker than L\* 12/);
        await act(settled);
        const before = server.asked.filter((question) => question.path.endsWith('/section')).length;
        rerender(page({ mostIn: 'mid', largestChange: 5, left: 5 }, 'gloss'));
        await act(settled);
        const asked = server.asked.filter((question) => question.path.endsWith('/section'));
        expect(asked).toHaveLength(before + 1);
        await act(async () => {
            await asked.at(-1)?.answer(200, {
                start: 'bare print',
                rows: [row({}), row({ mostIn: 'mid', largestChange: 7.7, left: 7.7 })],
                matches: [],
                spreads: [],
                help: null,
            });
        });
        expect(screen.getByText(/Changes the mid by/).textContent).toContain('7.7');
    });

    it('begins with the pot that is made for its technique, and with any that is mixed where there is none', async () => {
        const made = async (potId: number | null) => {
            localStorage.clear();
            vi.useFakeTimers();
            const { unmount } = render(
                <FinishesPage
                    figure={figure()}
                    areas={[]}
                    area={areaFinish(1)}
                    pots={[pot(3), { ...pot(1), isMixed: true }, pot(2)]}
                    techniques={[technique({ technique: 'layer', usualZones: ['mid'], potId })]}
                />,
            );
            fireEvent.keyDown(document.body, { key: 'n' });
            await act(() => vi.advanceTimersByTimeAsync(2000));
            vi.useRealTimers();
            const saved = server.asked.filter((question) => question.method === 'PUT').at(-1)?.body;
            unmount();
            return (saved as { layers: { mix: { paintId: number; drops: number }[] }[] }).layers[0]?.mix;
        };
        expect(await made(2)).toEqual([{ paintId: 2, drops: 1 }]);
        expect(await made(null)).toEqual([{ paintId: 1, drops: 1 }]);
    });
});
