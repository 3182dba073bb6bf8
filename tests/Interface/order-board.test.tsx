import { fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { OrderBoard } from '@/features/order-board/board';
import type { OrderStepProps, StepKind } from '@/types/generated';

function step(id: string, kind: StepKind, partIds: string[], change: Partial<OrderStepProps> = {}): OrderStepProps {
    return {
        id,
        kind,
        words: `work ${id}`,
        partIds,
        areaNames: [],
        minutes: 10,
        dryMinutes: 0,
        hexes: [],
        cautions: [],
        cleaner: null,
        tool: 'brush',
        ...change,
    };
}

describe('the order at a glance', () => {
    const chosen = vi.fn();
    const moved = vi.fn();
    const steps = [
        step('prime', 'prime', ['body'], { dryMinutes: 30 }),
        step('coat', 'brush', ['body'], { areaNames: ['Cloak'], hexes: ['#336699', '#334455'] }),
        step('glue', 'glue', ['body', 'arm']),
        step('wash', 'wash', ['arm']),
    ];

    beforeEach(() => {
        chosen.mockReset();
        moved.mockReset();
        // happy-dom lays nothing out and captures no pointers: the board is 112 + 4 x 100 + 8 wide.
        vi.spyOn(HTMLElement.prototype, 'clientWidth', 'get').mockReturnValue(520);
        vi.spyOn(HTMLElement.prototype, 'clientHeight', 'get').mockReturnValue(240);
        Element.prototype.setPointerCapture = () => undefined;
    });

    function board(at: string | null) {
        return render(
            <OrderBoard
                steps={steps}
                masks={[]}
                lanes={[
                    { id: 'body', name: 'Body with a very long name' },
                    { id: 'arm', name: 'Arm' },
                ]}
                chosen={at}
                broken={new Set(['coat'])}
                dimmed={({ kind }) => kind === 'wash'}
                onChoose={chosen}
                onMove={moved}
            />,
        );
    }

    it('says every step in words, and which is chosen', () => {
        board('coat');
        const options = screen.getAllByRole('option');
        expect(options.map((option) => option.getAttribute('aria-label'))).toEqual([
            'prime: work prime',
            'brush: work coat, Cloak',
            'glue: work glue',
            'wash: work wash',
        ]);
        expect(options.map((option) => option.getAttribute('aria-selected'))).toEqual([
            'false',
            'true',
            'false',
            'false',
        ]);
        expect(screen.getByRole('listbox').getAttribute('aria-activedescendant')).toBe(options[1]?.id);
        expect(screen.getByText('Body with a ve…')).toBeTruthy();
    });

    it('shows paint in its own colours, joints across lanes, and steps out of the question dimmed', () => {
        const { container } = board(null);
        const [prime, coat, glue, wash] = [...container.querySelectorAll('[role=option]')];
        const fills = (of: Element | undefined) =>
            [...(of?.querySelectorAll('rect') ?? [])].map((rect) => rect.getAttribute('fill'));
        expect(fills(coat)).toEqual(expect.arrayContaining(['#336699', '#334455']));
        expect(fills(prime).every((fill) => !/^#/.test(fill ?? ''))).toBe(true);
        expect(glue?.querySelectorAll('circle')).toHaveLength(2);
        expect(wash?.getAttribute('opacity')).toBe('0.25');
        // Only the broken one is marked, only the one that dries has a wait below it.
        expect([prime, coat, glue, wash].map((one) => one?.querySelectorAll('path').length)).toEqual([0, 1, 0, 0]);
        expect(fills(prime)).toContain('var(--quiet)');
        expect(fills(coat)).not.toContain('var(--quiet)');
    });

    it.each([
        [null, 'ArrowRight', 'prime'],
        ['coat', 'ArrowRight', 'glue'],
        ['coat', 'ArrowLeft', 'prime'],
        ['prime', 'ArrowLeft', 'prime'],
        ['wash', 'ArrowRight', 'wash'],
    ])('from %s, %s chooses %s', (at, key, next) => {
        board(at);
        fireEvent.keyDown(screen.getByRole('listbox'), { key });
        expect(chosen).toHaveBeenCalledExactlyOnceWith(next);
        expect(moved).not.toHaveBeenCalled();
    });

    it('moves the chosen step with Shift and arrows, and no other', () => {
        const { unmount } = board('coat');
        fireEvent.keyDown(screen.getByRole('listbox'), { key: 'ArrowRight', shiftKey: true });
        expect(moved).toHaveBeenCalledExactlyOnceWith('coat', 2);
        unmount();
        board(null);
        fireEvent.keyDown(screen.getByRole('listbox'), { key: 'ArrowRight', shiftKey: true });
        fireEvent.keyDown(screen.getByRole('listbox'), { key: 'x' });
        expect(moved).toHaveBeenCalledTimes(1);
    });

    it('moves a step to where it is dropped, and not where it was only pressed', () => {
        board(null);
        const coat = screen.getAllByRole('option')[1];
        if (!coat) throw new Error('no step');
        fireEvent.pointerDown(coat, { clientX: 112 + 150, pointerId: 1 });
        expect(chosen).toHaveBeenCalledWith('coat');
        fireEvent.pointerUp(coat);
        expect(moved).not.toHaveBeenCalled();
        fireEvent.pointerDown(coat, { clientX: 112 + 150, pointerId: 1 });
        fireEvent.pointerMove(coat, { clientX: 112 + 350, pointerId: 1 });
        fireEvent.pointerUp(coat);
        expect(moved).toHaveBeenCalledExactlyOnceWith('coat', 3);
        // Beyond the end is the end.
        fireEvent.pointerDown(coat, { clientX: 112 + 150, pointerId: 1 });
        fireEvent.pointerMove(coat, { clientX: 9000, pointerId: 1 });
        fireEvent.pointerUp(coat);
        expect(moved).toHaveBeenLastCalledWith('coat', 3);
    });
});
