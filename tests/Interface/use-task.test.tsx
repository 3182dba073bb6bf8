import { act, render, renderHook, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { isOpen } from '@/shared/lib/task';
import { useTask } from '@/shared/lib/use-task';
import { TaskBar } from '@/shared/ui/task-bar';
import type { TaskProps } from '@/types/generated';
import { task } from './made-up';

const STATES = ['waiting', 'running', 'asks', 'done', 'stopped', 'failed'] as const;

const asked: [string, string][] = [];
let answers: (TaskProps | null)[] = [];

beforeEach(() => {
    vi.useFakeTimers();
    asked.length = 0;
    vi.stubGlobal('fetch', (url: string, init: RequestInit) => {
        asked.push([init.method ?? 'GET', url]);
        const answer = answers.shift() ?? null;
        return answer === null
            ? Promise.reject(new TypeError('gone'))
            : Promise.resolve(
                  new Response(JSON.stringify(answer), { headers: { 'Content-Type': 'application/json' } }),
              );
    });
});

afterEach(() => {
    vi.useRealTimers();
});

const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

describe('a task in the background', () => {
    it('is asked for until it ends, and no longer', async () => {
        const told = vi.fn();
        answers = [task({ progress: 0.75 }), task({ state: 'done', progress: 1 })];
        const initialProps: { now: TaskProps | null } = { now: task() };
        const { rerender } = renderHook(({ now }) => useTask(now, told), { initialProps });
        await pass(500);
        expect(told).toHaveBeenLastCalledWith(task({ progress: 0.75 }));
        rerender({ now: task({ progress: 0.75 }) });
        await pass(500);
        expect(told).toHaveBeenLastCalledWith(task({ state: 'done', progress: 1 }));
        rerender({ now: null });
        await pass(5000);
        expect(asked.map(([method]) => method)).toEqual(['GET', 'GET']);
    });

    it('tells that the server is away, asks again all the same, and is stopped on request', async () => {
        const told = vi.fn();
        answers = [null, task({ isStopping: true })];
        const { result } = renderHook(() => useTask(task(), told));
        await pass(500);
        expect(result.current.gone).not.toBeNull();
        expect(told).not.toHaveBeenCalled();
        result.current.stop();
        await pass(0);
        expect(asked.at(-1)?.[0]).toBe('DELETE');
        expect(told).toHaveBeenLastCalledWith(task({ isStopping: true }));
    });

    it('ends in four ways', () => {
        expect(STATES.map((state) => isOpen(task({ state })))).toEqual([true, true, false, false, false, false]);
    });

    it('is shown with its fraction, and can be stopped once', () => {
        const onStop = vi.fn();
        const { rerender } = render(<TaskBar task={task()} gone={null} onStop={onStop} />);
        expect(screen.getByLabelText('Proposing areas').getAttribute('value')).toBe('0.5');
        screen.getByText('Stop').click();
        expect(onStop).toHaveBeenCalledOnce();
        rerender(<TaskBar task={task({ isStopping: true })} gone="The server cannot be reached." onStop={onStop} />);
        expect(screen.getByText('Stopping').hasAttribute('disabled')).toBe(true);
        expect(screen.getByText('The server cannot be reached.')).toBeTruthy();
    });
});
