import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import { SessionBoard } from '@/features/schedule/board';
import type { SessionProps, SessionStepProps } from '@/types/generated';

const START = Date.parse('2026-03-02T19:00:00Z');
const at = (minutes: number) => new Date(START + 60_000 * minutes).toISOString();

function step(id: string, figure: string, from: number, to: number): SessionStepProps {
    return { id, figure, what: `work ${id}`, where: 'Cloak', start: at(from), end: at(to) } as SessionStepProps;
}

/** Minutes that the pieces of a lane take up, from left to right. */
function pieces(lane: Element | null): number[] {
    return [...(lane?.children ?? [])].map((piece) => Number.parseFloat((piece as HTMLElement).style.flexGrow || '0'));
}

describe('sessions at a glance', () => {
    it('have a lane for each figure at work, on one scale of minutes, with the waits between', () => {
        // Work and waits of one figure, in minutes, and what is left of the evening.
        const work = fc.array(fc.tuple(fc.nat({ max: 40 }), fc.integer({ min: 1, max: 60 })), {
            minLength: 1,
            maxLength: 6,
        });
        fc.assert(
            fc.property(work, fc.nat({ max: 50 }), (parts, left) => {
                let now = 0;
                const steps = parts.map(([gap, minutes], i) => {
                    const from = now + gap;
                    now = from + minutes;
                    return step(`s${i}`, 'Maude', from, now);
                });
                const evening: SessionProps = { start: at(0), end: at(now + left), steps };
                const { container } = render(
                    <SessionBoard sessions={[evening]} chosen={null} onChoose={() => undefined} />,
                );
                const lane = pieces(container.querySelector('.bg-sunk'));
                expect(lane).toEqual([...parts.flat(), left]);
                expect(lane.reduce((sum, minutes) => sum + minutes, 0)).toBe(now + left);
                cleanup();
            }),
            { numRuns: 40 },
        );
    });

    it('are as long as they last beside the longest, and name when what is done where', () => {
        const sessions: SessionProps[] = [
            { start: at(0), end: at(120), steps: [step('a', 'Maude', 0, 30), step('b', 'Wren', 30, 40)] },
            { start: at(1440), end: at(1500), steps: [step('c', 'Wren', 1450, 1460)] },
        ];
        const chosen = vi.fn();
        const { container } = render(<SessionBoard sessions={sessions} chosen="b" onChoose={chosen} />);
        const lanes = [...container.querySelectorAll<HTMLElement>('.bg-sunk')];
        // Two figures on the first evening, one on the second.
        expect(lanes.map((lane) => lane.style.width)).toEqual(['100%', '100%', '50%']);
        const buttons = screen.getAllByRole('button');
        expect(buttons.map((button) => button.getAttribute('aria-pressed'))).toEqual(['false', 'true', 'false']);
        expect(buttons[0]?.getAttribute('aria-label')).toMatch(/^Cloak: work a, \d\d.\d\d.*, Maude$/);
        const last = buttons[2];
        if (last) fireEvent.click(last);
        expect(chosen).toHaveBeenCalledExactlyOnceWith(sessions[1]?.steps[0]);
    });

    it('without any are an empty list', () => {
        const { container } = render(<SessionBoard sessions={[]} chosen={null} onChoose={() => undefined} />);
        expect(container.querySelectorAll('li')).toHaveLength(0);
    });
});
