import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { Shell } from '@/features/shell/shell';
import CardPage from '@/pages/card/index';
import CupsPage from '@/pages/cups/index';
import { forget, router } from './inertia';
import { cup, figure, pot, section } from './made-up';
import { fakeServer, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    forget();
    localStorage.clear();
    server = fakeServer();
});

describe('the frame of every screen', () => {
    it('says where one is, and leads only where there is something', () => {
        render(
            <Shell title="Brief" figure={figure()}>
                <p>work</p>
            </Shell>,
        );
        const stages = within(screen.getByRole('navigation', { name: 'Stages of Heron keeper' }));
        expect(stages.getByText('Brief').closest('a')?.getAttribute('href')).toBe('/figures/3/brief');
        expect(stages.getByText('Order').closest('a')).toBeNull();
        expect(stages.getByText('no finish yet')).toBeTruthy();
        expect(screen.getByText('Skip to content').getAttribute('href')).toBe('#work');
    });

    it('lists its keys on a question mark, and darkens by lamp', () => {
        render(
            <Shell title="Home" keys={[['n', 'new figure']]}>
                <p>work</p>
            </Shell>,
        );
        fireEvent.keyDown(document.body, { key: '?' });
        expect(within(screen.getByRole('dialog')).getByText('new figure')).toBeTruthy();
        fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' });
        fireEvent.click(screen.getByLabelText('Dark surround'));
        expect(screen.getByLabelText('Light surround')).toBeTruthy();
        fireEvent.click(screen.getByLabelText('Light surround'));
        expect(screen.getByLabelText('Dark surround')).toBeTruthy();
    });
});

describe('open cups', () => {
    it('are listed with their recipes, and a new one is opened by its name', async () => {
        const filled = cup({
            name: 'Cloak, mid',
            millilitres: 0.15,
            difference: 1.24,
            parts: [
                { pot: pot(1), millilitres: 0.1, share: 0.66, drops: 2 },
                { pot: null, millilitres: 0.05, share: 0.34, drops: 1 },
            ],
            openedAt: new Date(Date.now() - 5 * 60_000).toISOString(),
        });
        render(<CupsPage cups={[filled]} />);
        expect(screen.getByText('2 Pot 1 + 1 thinner')).toBeTruthy();
        expect(screen.getByText('0.15 mL, open for 5 min, ΔE 1.2 from its target')).toBeTruthy();
        const open = screen.getByText('Open a cup');
        expect(open.hasAttribute('disabled')).toBe(true);
        fireEvent.change(screen.getByLabelText('New cup for'), { target: { value: 'Belt' } });
        await act(async () => {
            fireEvent.click(open);
            await settled();
        });
        expect(server.asked[0]).toMatchObject({ method: 'POST', path: '/cups', body: { name: 'Belt' } });
        await act(async () => {
            await server.open()[0]?.answer(201, cup({ id: 8 }));
            await settled();
        });
        expect(router.visit).toHaveBeenCalledWith('/cups/8');
    });
});

describe('the recipe on paper', () => {
    it('has its areas at once and its order of work when it is planned', () => {
        const areas = [{ name: 'Cloak', partName: null, wish: null, layers: [], section: section() }] as never[];
        const props = { figure: figure(), areas, stillUrl: null };
        const { rerender } = render(<CardPage {...props} />);
        expect(screen.getByText('Calculating the order of work.')).toBeTruthy();
        const work = {
            steps: ['Prepare Body', 'Prime all'],
            masks: ['80 mm of border'],
            cautions: ['Fresh air.'],
            takes: ['Pot 1: 3 drops'],
        };
        rerender(<CardPage {...props} work={work} />);
        expect(screen.queryByText('Calculating the order of work.')).toBeNull();
        expect(screen.getByText('Prime all')).toBeTruthy();
        expect(screen.getByText(/Paint needed \(estimates\)/).parentElement?.textContent).toContain('Pot 1: 3 drops');
        rerender(<CardPage {...props} areas={[]} work={null} />);
        expect(screen.getByText(/there is nothing to print/)).toBeTruthy();
    });
});
