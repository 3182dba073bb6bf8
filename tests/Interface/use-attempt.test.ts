import { act, renderHook } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { ApiError } from '@/shared/lib/api';
import { useAttempt } from '@/shared/lib/use-attempt';
import { settled } from './server';

function promised<T>() {
    let resolve: (value: T) => void = () => undefined;
    let reject: (error: Error) => void = () => undefined;
    const promise = new Promise<T>((yes, no) => {
        resolve = yes;
        reject = no;
    });
    return { promise, resolve, reject };
}

describe('attempts', () => {
    it('are made one after the other, and what is said last is of the last', async () => {
        const { result } = renderHook(useAttempt);
        const started: string[] = [];
        const first = promised<{ message: string }>();
        const second = promised<{ message: string }>();
        const ended = [
            result.current.attempt(() => {
                started.push('first');
                return first.promise;
            }),
            result.current.attempt(() => {
                started.push('second');
                return second.promise;
            }),
        ];
        await act(settled);
        expect(started).toEqual(['first']);
        // The second would have been answered sooner: it is not even asked before the first has ended.
        second.resolve({ message: 'two' });
        await act(settled);
        expect(started).toEqual(['first']);
        first.resolve({ message: 'one' });
        await act(settled);
        expect(await Promise.all(ended)).toEqual([true, true]);
        expect(started).toEqual(['first', 'second']);
        expect(result.current.message).toBe('two');
    });

    it('say why they were refused, and the next one is made all the same', async () => {
        const { result } = renderHook(useAttempt);
        await act(async () => {
            expect(await result.current.attempt(() => Promise.reject(new ApiError(422, 'No.')))).toBe(false);
        });
        expect(result.current.message).toBe('No.');
        await act(async () => {
            expect(await result.current.attempt(() => Promise.resolve({ message: 7 }))).toBe(true);
        });
        expect(result.current.message).toBeNull();
    });

    it('do not hide a fault, nor stop at it', async () => {
        const { result } = renderHook(useAttempt);
        await act(async () => {
            await expect(result.current.attempt(() => Promise.reject(new TypeError('a fault')))).rejects.toThrow(
                'a fault',
            );
        });
        await act(async () => {
            expect(await result.current.attempt(() => Promise.resolve(undefined))).toBe(true);
        });
    });
});
