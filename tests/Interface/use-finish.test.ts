import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { savingWords, useFinish } from '@/features/finish/use-finish';
import { areaFinish, layer, section } from './made-up';
import { forget, router } from './inertia';
import { fakeServer, settled } from './server';

describe('the finish of an area', () => {
    let server: ReturnType<typeof fakeServer>;

    beforeEach(() => {
        forget();
        vi.useFakeTimers();
        localStorage.clear();
        server = fakeServer();
    });

    afterEach(() => {
        vi.useRealTimers();
    });

    const previews = () => server.open().filter(({ method }) => method === 'POST');
    const saves = () => server.open().filter(({ method }) => method === 'PUT');

    async function opened() {
        const hook = renderHook(() => useFinish(2, areaFinish(4)));
        await act(settled);
        return hook;
    }

    async function changed(hook: Awaited<ReturnType<typeof opened>>, ...keys: string[]) {
        await act(async () => {
            hook.result.current.change(keys.map((key) => layer(key)));
            await settled();
        });
    }

    it('shows a change at once, its section soon, and saves once the hand rests', async () => {
        const hook = await opened();
        await changed(hook, 'a');
        expect(hook.result.current).toMatchObject({ saving: 'unsaved', stack: [{ key: 'a' }] });
        expect(server.asked).toEqual([]);
        await act(() => vi.advanceTimersByTimeAsync(60));
        await act(async () => previews()[0]?.answer(200, section('grey')));
        expect(hook.result.current.section.start).toBe('grey');
        await act(() => vi.advanceTimersByTimeAsync(300));
        // Still drawing: the save waits for the last change.
        await changed(hook, 'a', 'b');
        await act(() => vi.advanceTimersByTimeAsync(500));
        expect(saves()).toEqual([]);
        await act(() => vi.advanceTimersByTimeAsync(200));
        expect(saves()).toHaveLength(1);
        expect(saves()[0]?.body).toMatchObject({ version: 4, layers: [{ key: 'a' }, { key: 'b' }] });
        expect(hook.result.current.saving).toBe('saving');
        await act(async () => saves()[0]?.answer(200, { version: 5 }));
        expect(hook.result.current).toMatchObject({ saving: 'saved', version: 5 });
        expect(router.reload).toHaveBeenCalledWith({ only: ['areas', 'figure'] });
    });

    it('is sent on the way out of a closed tab, kept here, and comes back until the server has it', async () => {
        const hook = await opened();
        await changed(hook, 'a');
        window.dispatchEvent(new Event('pagehide'));
        const [away] = server.asked;
        expect(away).toMatchObject({ method: 'PUT', body: { version: 4, layers: [{ key: 'a' }] } });
        await act(async () => away?.breakOff());
        hook.unmount();
        await act(async () => saves()[0]?.breakOff());
        // It did not get through: the next visit has it, and sends it.
        const again = await opened();
        expect(again.result.current).toMatchObject({ stack: [{ key: 'a' }], saving: 'saving' });
        await act(async () => saves()[0]?.answer(200, { version: 5 }));
        expect(again.result.current.saving).toBe('saved');
        again.unmount();
        expect(localStorage.length).toBe(0);
        // Changed elsewhere meanwhile: nothing is written over, the painter chooses.
        localStorage.setItem(
            'hyalin-finish-' + String(areaFinish(4).id),
            JSON.stringify({ stack: [layer('b')], version: 3 }),
        );
        const both = await opened();
        expect(both.result.current).toMatchObject({ stack: [{ key: 'b' }], saving: 'failed', theirs: { version: 4 } });
        const leaving = new Event('beforeunload', { cancelable: true });
        window.dispatchEvent(leaving);
        expect(leaving.defaultPrevented).toBe(true);
        act(() => {
            both.result.current.takeTheirs();
        });
        expect(localStorage.length).toBe(0);
    });

    it('gives up a question for a section that nobody waits for any more', async () => {
        const hook = await opened();
        await changed(hook, 'a');
        await act(() => vi.advanceTimersByTimeAsync(60));
        const first = previews()[0];
        await changed(hook, 'b');
        await act(() => vi.advanceTimersByTimeAsync(60));
        expect(previews()).toHaveLength(1);
        expect(previews()[0]).not.toBe(first);
        await act(async () => previews()[0]?.answer(200, section('white')));
        // The answer to the first arrives after all.
        await act(async () => first?.answer(200, section('stale')));
        expect(hook.result.current.section.start).toBe('white');
        expect(hook.result.current.problem).toBeNull();
    });

    it('has one save under way at a time, each on the version the one before made', async () => {
        const hook = await opened();
        await changed(hook, 'a');
        await act(() => vi.advanceTimersByTimeAsync(650));
        await changed(hook, 'a', 'b');
        await act(() => vi.advanceTimersByTimeAsync(650));
        expect(saves()).toHaveLength(1);
        await act(async () => saves()[0]?.answer(200, { version: 5 }));
        expect(hook.result.current.saving).toBe('saving');
        expect(saves()).toHaveLength(1);
        expect(saves()[0]?.body).toMatchObject({ version: 5, layers: [{ key: 'a' }, { key: 'b' }] });
        await act(async () => saves()[0]?.answer(200, { version: 6 }));
        expect(hook.result.current).toMatchObject({ saving: 'saved', version: 6 });
    });

    it('tries again by itself when the server cannot be reached', async () => {
        const hook = await opened();
        await changed(hook, 'a');
        await act(() => vi.advanceTimersByTimeAsync(650));
        await act(async () => saves()[0]?.breakOff());
        expect(hook.result.current.saving).toBe('failed');
        await act(() => vi.advanceTimersByTimeAsync(2100));
        expect(saves()).toHaveLength(1);
        await act(async () => saves()[0]?.answer(200, { version: 5 }));
        expect(hook.result.current).toMatchObject({ saving: 'saved', problem: null });
    });

    it('knows its own save again when only the answer was lost', async () => {
        const hook = await opened();
        await changed(hook, 'a');
        await act(() => vi.advanceTimersByTimeAsync(650));
        await act(async () => saves()[0]?.breakOff());
        await act(() => vi.advanceTimersByTimeAsync(2100));
        await act(async () =>
            saves()[0]?.answer(409, { message: 'Changed elsewhere.', theirs: areaFinish(5, [layer('a')]) }),
        );
        expect(hook.result.current).toMatchObject({ saving: 'saved', version: 5, theirs: null, problem: null });
    });

    describe('changed elsewhere', () => {
        async function conflict() {
            const hook = await opened();
            await changed(hook, 'mine');
            await act(() => vi.advanceTimersByTimeAsync(650));
            const theirs = { ...areaFinish(9, [layer('theirs')]), section: section('theirs') };
            await act(async () => saves()[0]?.answer(409, { message: 'Changed elsewhere.', theirs }));
            return hook;
        }

        it('keeps both and saves neither over the other', async () => {
            const { result } = await conflict();
            expect(result.current.stack).toMatchObject([{ key: 'mine' }]);
            expect(result.current.theirs?.layers).toMatchObject([{ key: 'theirs' }]);
            await act(() => vi.advanceTimersByTimeAsync(10_000));
            expect(saves()).toEqual([]);
        });

        it('saves mine over theirs when the painter says so', async () => {
            const { result } = await conflict();
            await act(async () => {
                result.current.keepMine();
                await settled();
            });
            expect(saves()[0]?.body).toMatchObject({ version: 9, layers: [{ key: 'mine' }] });
            await act(async () => saves()[0]?.answer(200, { version: 10 }));
            expect(result.current).toMatchObject({ saving: 'saved', version: 10, theirs: null });
        });

        it('takes theirs with its section when the painter says so', async () => {
            const { result } = await conflict();
            act(() => {
                result.current.takeTheirs();
            });
            expect(result.current).toMatchObject({
                saving: 'saved',
                version: 9,
                theirs: null,
                stack: [{ key: 'theirs' }],
                section: { start: 'theirs' },
            });
        });

        it('is not sent on the way out', async () => {
            const hook = await conflict();
            hook.unmount();
            await act(settled);
            expect(saves()).toEqual([]);
        });
    });

    it('is sent on the way out if it was not saved yet', async () => {
        const hook = await opened();
        await changed(hook, 'a');
        hook.unmount();
        await act(settled);
        expect(saves()[0]?.body).toMatchObject({ layers: [{ key: 'a' }] });
    });

    it('says in words how it stands', () => {
        expect((['saved', 'unsaved', 'saving', 'failed'] as const).map(savingWords)).toEqual([
            'Saved',
            'Not saved yet',
            'Saving',
            'Not saved',
        ]);
    });
});
