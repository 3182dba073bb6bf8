import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { OrderList } from '@/features/order-board/list';
import { Guide } from '@/features/shell/guide';
import { ColourAreas } from '@/pages/references/colour-areas';
import type { ColourAreaProps, PictureProps } from '@/types/generated';
import { forget, router, shared } from './inertia';
import { figure, orderStep } from './made-up';
import { fakeServer, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    server = fakeServer();
    forget();
});

afterEach(cleanup);

const found = (place: number, name: string): ColourAreaProps => ({
    place,
    name,
    share: 0.25,
    ramp: [{ hex: '#804020', lab: [35, 25, 30], name, outOfGamut: false }],
    spot: [0.5, 0.4],
});

describe('the guide', () => {
    const guided = figure({
        isGuided: true,
        guide: {
            step: 5,
            steps: 5,
            title: 'Order',
            words: 'Look it over.',
            acts: [
                { label: 'Start to paint', url: '/figures/3/runs', isPost: true },
                { label: 'See the order', url: '/figures/3/order', isPost: false },
            ],
        },
    });

    it('does the next act, leads to the screen it fills, and can be left', async () => {
        render(<Guide figure={guided} />);
        fireEvent.click(screen.getByText('Start to paint'));
        expect(router.post).toHaveBeenCalledWith('/figures/3/runs');
        expect(screen.getByText('See the order').getAttribute('href')).toBe('/figures/3/order');
        fireEvent.click(screen.getByText('Leave the guide'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({ on: false });
    });

    it('says why an act was refused', () => {
        shared.props['errors'] = { run: 'This plan is stopped.' };
        render(<Guide figure={guided} />);
        expect(screen.getByRole('alert').textContent).toBe('This plan is stopped.');
    });

    it('is silent where there is no next act', () => {
        expect(render(<Guide figure={figure()} />).container.textContent).toBe('');
    });
});

describe('areas from a picture', () => {
    const picture = { id: 9, url: '/picture', width: 300, height: 400 } as PictureProps;

    it('are taken as they were renamed, merged and left out', async () => {
        const taken = vi.fn();
        render(<ColourAreas figureId={3} picture={picture} known={[]} onClose={vi.fn()} onTaken={taken} />);
        await act(async () =>
            server.open()[0]?.answer(200, [found(0, 'Mid red'), found(1, 'Dark red'), found(2, 'Grey')]),
        );
        fireEvent.change(screen.getAllByLabelText('Name of the area')[0] as HTMLElement, {
            target: { value: 'Cloak ' },
        });
        fireEvent.click(screen.getAllByText('Merge with the one above')[0] as HTMLElement);
        fireEvent.click(screen.getByLabelText('Take Grey'));
        expect(screen.getByText('50 % of the figure')).toBeTruthy();
        fireEvent.click(screen.getByText('Take 1 area with its colours'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({ areas: [{ name: 'Cloak', places: [0, 1] }] });
        await act(async () => server.open()[0]?.answer(422, { message: 'Every area needs a name.' }));
        expect(screen.getByText('Every area needs a name.')).toBeTruthy();
        expect(taken).not.toHaveBeenCalled();
        fireEvent.click(screen.getByText('Take 1 area with its colours'));
        await act(settled);
        await act(async () => server.open()[0]?.answer(201, { new: 1 }));
        expect(taken).toHaveBeenCalled();
    });
});

describe('the order as a list', () => {
    it('says what, where, how long, and moves a step without a drag', () => {
        const moved = vi.fn();
        const steps = [
            orderStep('a', { kind: 'wash', areaNames: ['Coat'], dryMinutes: 30 }),
            orderStep('b', { kind: 'prepare', areaNames: [], words: 'Prepare Hat: wash off' }),
        ];
        render(
            <OrderList
                steps={steps}
                chosen="a"
                broken={new Set(['a'])}
                dimmed={() => false}
                onChoose={vi.fn()}
                onMove={moved}
            >
                <p>why</p>
            </OrderList>,
        );
        expect(screen.getByText('why')).toBeTruthy();
        expect(screen.getByText(/then dries 30 min/)).toBeTruthy();
        expect(screen.getByText(/against a hard rule/)).toBeTruthy();
        expect(screen.getByText(/Hat: wash off/)).toBeTruthy();
        expect(screen.getByText<HTMLButtonElement>('Earlier').disabled).toBe(true);
        fireEvent.click(screen.getByText('Later'));
        expect(moved).toHaveBeenCalledWith('a', 1);
    });
});
