import { act, renderHook } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { changed, useRun } from '@/features/bench/use-run';
import { run, runStep } from './made-up';
import { fakeServer, settled } from './server';

const KEPT = 'hyalin-run-3';

function kept(): { key: string; stepId: number; seen: number }[] {
    return JSON.parse(localStorage.getItem(KEPT) ?? '[]') as { key: string; stepId: number; seen: number }[];
}

describe('the steps of a run', () => {
    let server: ReturnType<typeof fakeServer>;

    beforeEach(() => {
        vi.useFakeTimers();
        localStorage.clear();
        server = fakeServer();
    });

    afterEach(() => {
        vi.useRealTimers();
    });

    async function opened(steps = [runStep(1), runStep(2)], onStored = () => undefined) {
        const hook = renderHook(() => useRun(run(steps), onStored));
        await act(settled);
        return hook;
    }

    it('change at once, are recorded, and struck out when the server has them', async () => {
        const stored = vi.fn(() => undefined);
        const { result } = await opened(undefined, stored);
        await act(async () => {
            result.current.record(runStep(1), { state: 'done', note: 'thin' });
            await settled();
        });
        expect(result.current.steps[0]).toMatchObject({ state: 'done', note: 'thin' });
        expect(result.current.waiting).toBe(1);
        expect(kept()).toHaveLength(1);
        const [question] = server.asked;
        expect(question).toMatchObject({ method: 'PATCH', body: { state: 'done', note: 'thin', version: 1 } });
        expect(question?.headers['X-Once']).toBe(kept()[0]?.key);
        await act(async () => question?.answer(200, runStep(1, { state: 'done', note: 'thin', version: 2 })));
        expect(result.current.waiting).toBe(0);
        expect(kept()).toEqual([]);
        expect(stored).toHaveBeenCalledTimes(1);
    });

    it('are sent one after the other, each with the version the one before made', async () => {
        const { result } = await opened();
        await act(async () => {
            result.current.record(runStep(1), { usedCoats: 1 });
            result.current.record(runStep(1), { usedCoats: 2 });
            result.current.record(runStep(2), { state: 'skipped' });
            await settled();
        });
        expect(server.open()).toHaveLength(1);
        await act(async () => server.open()[0]?.answer(200, runStep(1, { usedCoats: 1, version: 2 })));
        // The older answer does not take back what was done since.
        expect(result.current.steps[0]?.usedCoats).toBe(2);
        expect(server.open()).toHaveLength(1);
        expect(server.open()[0]?.body).toMatchObject({ usedCoats: 2, version: 2 });
        await act(async () => server.open()[0]?.answer(200, runStep(1, { usedCoats: 2, version: 3 })));
        expect(server.open()[0]).toMatchObject({ path: expect.stringContaining('2') as string });
        await act(async () => server.open()[0]?.answer(200, runStep(2, { state: 'skipped', version: 2 })));
        expect(result.current.waiting).toBe(0);
    });

    it.each([
        ['a connection that is away', null],
        ['a server that restarts', 503],
        ['a session that ended', 401],
        ['a page that is too old', 419],
        ['too many questions at once', 429],
    ])('outlive %s, with the same key', async (_, status) => {
        const { result } = await opened();
        await act(async () => {
            result.current.record(runStep(1), { note: 'kept' });
            await settled();
        });
        const [first] = server.asked;
        await act(async () => (status === null ? first?.breakOff() : first?.answer(status)));
        expect(result.current.problem).not.toBeNull();
        expect(kept()).toHaveLength(1);
        await act(() => vi.advanceTimersByTimeAsync(2100));
        const second = server.open()[0];
        // It was done when it was done, however late it is sent.
        expect(first?.body).toMatchObject({ note: 'kept', ago: 0 });
        expect(second?.body).toEqual({ ...(first?.body as object), ago: 2 });
        expect(second?.headers['X-Once']).toBe(first?.headers['X-Once']);
        await act(async () => second?.answer(200, runStep(1, { note: 'kept', version: 2 })));
        expect(result.current.problem).toBeNull();
        expect(kept()).toEqual([]);
    });

    it('are there again after the page was closed before they were sent', async () => {
        const first = await opened();
        await act(async () => {
            first.result.current.record(runStep(1), { state: 'done' });
            await settled();
        });
        await act(async () => server.open()[0]?.breakOff());
        first.unmount();
        const { result } = await opened();
        expect(result.current.steps[0]?.state).toBe('done');
        expect(result.current.waiting).toBe(1);
        expect(server.open()).toHaveLength(1);
    });

    it('changed elsewhere are shown as they are there, with all that was meant here', async () => {
        const { result } = await opened();
        await act(async () => {
            result.current.record(runStep(1), { note: 'mine' });
            result.current.record(runStep(1), { usedCoats: 2 });
            result.current.record(runStep(2), { state: 'done' });
            await settled();
        });
        const theirs = runStep(1, { note: 'theirs', version: 6 });
        await act(async () => server.open()[0]?.answer(409, { message: 'Changed elsewhere.', theirs }));
        expect(result.current.steps[0]?.note).toBe('theirs');
        expect(result.current.conflict).toEqual({ theirs, change: { note: 'mine', usedCoats: 2 } });
        // What has nothing to do with it goes on.
        expect(server.open()[0]?.body).toMatchObject({ state: 'done', version: 1 });
        // Said once more, it is based on what is there now.
        await act(async () => server.open()[0]?.answer(200, runStep(2, { state: 'done', version: 2 })));
        await act(async () => {
            result.current.record(theirs, { note: 'mine' });
            await settled();
        });
        expect(server.open()[0]?.body).toMatchObject({ note: 'mine', version: 6 });
    });

    it('refused with reasons are set aside with the reason, kept until decided, and the step is as it was', async () => {
        const { result, unmount } = await opened();
        await act(async () => {
            result.current.record(runStep(1), { usedCoats: 99 });
            await settled();
        });
        await act(async () => server.open()[0]?.answer(422, { errors: { usedCoats: ['At most 20 coats.'] } }));
        expect(result.current).toMatchObject({ waiting: 0, problem: null });
        expect(result.current.refusals).toMatchObject([
            { queued: { change: { usedCoats: 99 } }, reason: 'At most 20 coats.' },
        ]);
        expect(result.current.steps[0]?.usedCoats).toBe(runStep(1).usedCoats);
        unmount();
        const again = (await opened()).result;
        const key = again.current.refusals[0]?.queued.key ?? '';
        await act(async () => {
            again.current.again(key);
            await settled();
        });
        expect(again.current.refusals).toEqual([]);
        expect(server.open()[0]?.body).toMatchObject({ usedCoats: 99 });
    });

    it('that meet a fault of the server three times leave the queue, and what is behind them goes on', async () => {
        const { result } = await opened();
        await act(async () => {
            result.current.record(runStep(1), { state: 'done' });
            result.current.record(runStep(2), { state: 'done' });
            await settled();
        });
        for (let n = 0; n < 3; n++) {
            await act(async () => server.open()[0]?.answer(500, { message: 'Server Error' }));
            await act(() => vi.advanceTimersByTimeAsync(2100));
        }
        expect(result.current.refusals).toHaveLength(1);
        expect(server.open()[0]).toMatchObject({ path: expect.stringContaining('2') as string });
        await act(async () => server.open()[0]?.answer(200, runStep(2, { state: 'done', version: 2 })));
        expect(result.current).toMatchObject({ waiting: 0, problem: null });
        expect(result.current.steps.map((s) => s.state)).toEqual(['open', 'done']);
    });

    it('reach the server whole, in order and each once, through any connection', async () => {
        const queued = fc.record({ step: fc.integer({ min: 1, max: 2 }), coats: fc.integer({ min: 1, max: 9 }) });
        const way = fc.constantFrom('through', 'lost on the way', 'its answer lost');
        await fc.assert(
            fc.asyncProperty(
                fc.array(queued, { minLength: 1, maxLength: 8 }),
                fc.array(way, { minLength: 20, maxLength: 20 }),
                async (queue, ways) => {
                    localStorage.clear();
                    server = fakeServer();
                    const stored = [runStep(1), runStep(2)];
                    const answered = new Map<string, unknown>();
                    const arrived: { step: number; coats: number }[] = [];
                    const hook = await opened();
                    for (const { step, coats } of queue) {
                        await act(async () => {
                            hook.result.current.record(runStep(step), { usedCoats: coats });
                            await settled();
                        });
                    }
                    for (let turn = 0; turn < 100 && kept().length > 0; turn++) {
                        const question = server.open()[0];
                        if (!question) {
                            await act(() => vi.advanceTimersByTimeAsync(2100));
                            continue;
                        }
                        const how = ways[turn] ?? 'through';
                        const key = question.headers['X-Once'] ?? '';
                        if (how !== 'lost on the way' && !answered.has(key)) {
                            const step = Number(question.path.split('/').at(-1));
                            const { usedCoats, version } = question.body as { usedCoats: number; version: number };
                            expect(version).toBe(stored[step - 1]?.version);
                            stored[step - 1] = runStep(step, { usedCoats, version: version + 1 });
                            answered.set(key, stored[step - 1]);
                            arrived.push({ step, coats: usedCoats });
                        }
                        await act(() =>
                            how === 'through' ? question.answer(200, answered.get(key)) : question.breakOff(),
                        );
                    }
                    expect(kept()).toEqual([]);
                    expect(arrived).toEqual(queue);
                    expect(hook.result.current.steps).toEqual(stored);
                    hook.unmount();
                },
            ),
            { numRuns: 25 },
        );
    });
});

describe('a changed step', () => {
    it('has a time when it is done and none when it is open again', () => {
        const done = changed(runStep(1), { state: 'done' });
        expect(done.doneAt).not.toBeNull();
        expect(changed(done, { note: 'later' }).doneAt).toBe(done.doneAt);
        expect(changed(done, { state: 'open' }).doneAt).toBeNull();
    });

    it('shows what was used with the names of the pots it knows, and nothing of others', () => {
        const used = changed(runStep(1), {
            usedMix: [
                { paintId: 1, drops: 5 },
                { paintId: 99, drops: 1 },
            ],
        });
        expect(used.usedMix).toEqual([
            { paintId: 1, maker: 'Tallow', name: 'Peat', hex: '#443322', drops: 5, dropMl: 0.05 },
        ]);
        expect(changed(used, { usedMix: null }).usedMix).toBeNull();
    });
});
