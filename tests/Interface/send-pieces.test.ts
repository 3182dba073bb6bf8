import { beforeEach, describe, expect, it, vi } from 'vitest';
import { sendInPieces, type Sent } from '@/features/print-files/send-pieces';
import type { UploadProps } from '@/types/generated';
import { task } from './made-up';
import { fakeServer } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    server = fakeServer();
});

const upload = (received: number, state: UploadProps['state'] = 'sending'): UploadProps => ({
    id: 7,
    name: 'cat.stl',
    fingerprint: '',
    bytes: 300_000,
    received,
    pieceBytes: 200_000,
    state,
    task: state === 'reading' ? task({ kind: 'mesh' }) : null,
    problem: null,
    knownAs: null,
});

const next = async () => {
    await vi.waitFor(() => {
        expect(server.open()).toHaveLength(1);
    });
    const asked = server.open()[0];
    if (asked === undefined) throw new Error('nothing is asked');
    return asked;
};

describe('a print file on its way', () => {
    it('goes on from where the server has it, in smaller pieces where something takes less, and through lost connections', async () => {
        const sent: Sent[] = [];
        const file = new File([new Uint8Array(300_000)], 'cat.stl');
        const done = sendInPieces(3, file, (s) => sent.push(s), new AbortController().signal);
        await (await next()).answer(201, upload(10_000));
        let piece = await next();
        expect(piece.path).toContain('at=10000');
        expect((piece.body as Blob).size).toBe(200_000);
        await piece.answer(413);
        piece = await next();
        expect((piece.body as Blob).size).toBe(100_000);
        await piece.breakOff();
        // The piece had arrived all the same: the server says so.
        const look = await next();
        expect([look.method, sent.at(-1)?.isLost]).toEqual(['GET', true]);
        await look.answer(200, upload(110_000));
        piece = await next();
        expect(piece.path).toContain('at=110000');
        await piece.answer(200, upload(300_000, 'reading'));
        await (await next()).answer(200, task({ kind: 'mesh', state: 'done' }));
        await (await next()).answer(200, upload(300_000, 'done'));
        expect((await done).state).toBe('done');
        expect(sent.map((s) => s.fraction)).toContain(110_000 / 300_000);
    });

    it('that is refused says why, and one that is cancelled is taken back', async () => {
        const file = new File([new Uint8Array(300_000)], 'cat.stl');
        const refused = sendInPieces(3, file, vi.fn(), new AbortController().signal);
        const problem = refused.catch((error: unknown) => error);
        await (await next()).answer(201, upload(0));
        await (await next()).answer(422, { errors: { mesh: ['Cat.stl: no mesh. Nothing was added.'] } });
        expect(await problem).toMatchObject({ message: 'Cat.stl: no mesh. Nothing was added.' });

        const control = new AbortController();
        const cancelled = sendInPieces(3, file, vi.fn(), control.signal).catch((error: unknown) => error);
        await (await next()).answer(201, upload(0));
        await next();
        control.abort();
        expect(await cancelled).toMatchObject({ name: 'AbortError' });
        expect(server.asked.at(-1)).toMatchObject({ method: 'DELETE', path: '/figures/3/mesh-uploads/7' });
    });
});
