import { act, renderHook } from '@testing-library/react';
import { expect, it } from 'vitest';
import { ApiError } from '@/shared/lib/api';
import { useSaving } from '@/shared/lib/use-saving';
import { settled } from './server';

it('saves twice in a second without a conflict with itself, and goes on after a refusal', async () => {
    const asked: string[] = [];
    const answers: ((answer: Promise<{ seen: string }>) => void)[] = [];
    const save = (seen: string) => {
        asked.push(seen);
        return new Promise<{ seen: string }>((resolve) => answers.push(resolve));
    };
    let reloads = 0;
    const reload = () => {
        reloads++;
        return Promise.resolve();
    };
    const { result, rerender } = renderHook(({ seen }) => useSaving(seen, reload), { initialProps: { seen: 'shown' } });
    const first = result.current(save);
    const second = result.current(save);
    await act(settled);
    // The second waits: it cannot know yet what the first has made.
    expect(asked).toEqual(['shown']);
    answers[0]?.(Promise.resolve({ seen: 'first' }));
    await first;
    await act(settled);
    expect(asked).toEqual(['shown', 'first']);
    answers[1]?.(Promise.reject(new ApiError(409, 'Another window.')));
    await expect(second).rejects.toThrow('Another window.');
    expect(reloads).toBe(2);
    // What the page shows after the refusal is what the next save goes out from.
    rerender({ seen: 'theirs' });
    void result.current(save);
    await act(settled);
    expect(asked).toEqual(['shown', 'first', 'theirs']);
});
