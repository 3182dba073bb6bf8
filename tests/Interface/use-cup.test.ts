import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useCup } from '@/features/cup/use-cup';
import { cup } from './made-up';
import { fakeServer, settled } from './server';

const KEPT = 'hyalin-cup-5';

describe('a cup', () => {
    let server: ReturnType<typeof fakeServer>;

    beforeEach(() => {
        vi.useFakeTimers();
        localStorage.clear();
        server = fakeServer();
    });

    afterEach(() => {
        vi.useRealTimers();
    });

    async function opened() {
        const hook = renderHook(() => useCup(cup()));
        await act(settled);
        return hook;
    }

    it('takes one queued after the other and shows what the server makes of each', async () => {
        const { result } = await opened();
        await act(async () => {
            result.current.act({ act: 'add', paintId: 1, drops: 3 });
            result.current.act({ act: 'use', millilitres: 0.1 });
            await settled();
        });
        expect(result.current.waiting).toBe(2);
        expect(server.open()).toHaveLength(1);
        expect(server.open()[0]?.body).toMatchObject({ act: 'add', paintId: 1, drops: 3 });
        await act(async () => server.open()[0]?.answer(200, cup({ millilitres: 0.15 })));
        expect(result.current.cup.millilitres).toBe(0.15);
        expect(server.open()[0]?.body).toMatchObject({ act: 'use', millilitres: 0.1 });
        await act(async () => server.open()[0]?.answer(200, cup({ millilitres: 0.05 })));
        expect(result.current).toMatchObject({ waiting: 0, problem: null });
        expect(localStorage.getItem(KEPT)).toBeNull();
    });

    it.each([
        ['the connection is away', null],
        ['the server restarts', 502],
        ['the session has ended', 401],
        ['the page is too old', 419],
        ['it was asked too often', 429],
    ])('loses no queued when %s, and does none twice', async (_, status) => {
        const { result } = await opened();
        await act(async () => {
            result.current.act({ act: 'add', paintId: 1, drops: 3 });
            await settled();
        });
        const [first] = server.asked;
        await act(async () => (status === null ? first?.breakOff() : first?.answer(status)));
        expect(result.current.waiting).toBe(1);
        expect(result.current.problem).not.toBeNull();
        await act(() => vi.advanceTimersByTimeAsync(2100));
        expect(server.open()).toHaveLength(1);
        // The key is in the queued: the server knows it again.
        expect(server.open()[0]?.body).toEqual(first?.body);
        await act(async () => server.open()[0]?.answer(200, cup({ millilitres: 0.15 })));
        expect(result.current).toMatchObject({ waiting: 0, problem: null });
    });

    it('sends what was left when it was closed', async () => {
        const before = await opened();
        await act(async () => {
            before.result.current.act({ act: 'add', paintId: 2, drops: 1 });
            await settled();
        });
        before.unmount();
        server = fakeServer();
        const { result } = await opened();
        expect(result.current.waiting).toBe(1);
        expect(server.open()[0]?.body).toMatchObject({ paintId: 2 });
    });

    it('says why a queued was refused and goes on with the next', async () => {
        const { result } = await opened();
        await act(async () => {
            result.current.act({ act: 'use', millilitres: 9 });
            result.current.act({ act: 'add', paintId: 1, drops: 1 });
            await settled();
        });
        await act(async () => server.open()[0]?.answer(422, { errors: { millilitres: ['There is only 0.2 mL.'] } }));
        expect(result.current.refusals).toMatchObject([{ reason: 'There is only 0.2 mL.' }]);
        expect(server.open()[0]?.body).toMatchObject({ act: 'add' });
    });

    it('shows a change of itself, and not the other cup that came of it', async () => {
        const { result } = await opened();
        const renaming = result.current.change('PATCH', '/cups/5', { name: 'Skin, light' });
        await act(async () => server.open()[0]?.answer(200, cup({ name: 'Skin, light' })));
        expect((await renaming)?.name).toBe('Skin, light');
        expect(result.current.cup.name).toBe('Skin, light');
        const again = result.current.change('POST', '/cups/5/again');
        await act(async () => server.open()[0]?.answer(201, cup({ id: 6, name: 'Skin again' })));
        expect((await again)?.id).toBe(6);
        expect(result.current.cup.name).toBe('Skin, light');
        const refused = result.current.change('DELETE', '/cups/5');
        await act(async () => server.open()[0]?.answer(404));
        expect(await refused).toBeNull();
        expect(result.current.problem).toMatch(/no longer exists/);
    });
});
