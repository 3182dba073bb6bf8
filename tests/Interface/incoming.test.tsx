import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BenchFile } from '@/features/bench-file/bench-file';
import { sendAhead } from '@/shared/lib/incoming';
import type { TaskProps } from '@/types/generated';
import { forget, router } from './inertia';
import { task } from './made-up';
import { answer, fakeServer, fakeUpload, press, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    forget();
    vi.useFakeTimers();
    server = fakeServer();
});

afterEach(() => {
    cleanup();
    vi.useRealTimers();
});

const file = (state: TaskProps['state'], change: Partial<TaskProps> = {}) =>
    task({ id: 4, kind: 'bench', state, progress: 0, ...change });

const looked = async (status: number, now?: TaskProps) => {
    await act(async () => vi.advanceTimersByTimeAsync(500));
    expect(server.open()[0]?.path).toMatch(/\/tasks\/4$/);
    await answer(server, status, now);
};

describe('a bench file that is read in the queue', () => {
    it('says how far it is, asks what is there already, and comes in as a copy', async () => {
        fakeUpload(file('waiting'));
        render(<BenchFile />);
        await answer(server, 200, { task: null });
        fireEvent.change(screen.getByLabelText('Bench file'), { target: { files: [new File(['x'], 'bench.zip')] } });
        await act(settled);
        await looked(200, file('running', { progress: 0.5 }));
        expect(screen.getByText('Reading, 50 %')).toBeTruthy();
        // A server that is away for a moment has not failed.
        await looked(502);
        await looked(200, file('asks', { problem: 'You have Maude already.' }));
        expect(screen.getByText('You have Maude already.')).toBeTruthy();
        expect(router.reload).not.toHaveBeenCalled();
        await press(screen.getByText('Import as a copy'));
        expect([server.open()[0]?.method, server.open()[0]?.path]).toEqual(['POST', expect.stringMatching(/4\/both$/)]);
        await answer(server, 202, file('waiting'));
        await looked(200, file('done', { result: { message: 'Imported: 1 figure.' } }));
        expect(screen.getByText('Imported: 1 figure.')).toBeTruthy();
        expect(router.reload).toHaveBeenCalledOnce();
    });

    it('is gone on with where the page is opened anew, and can be cancelled', async () => {
        render(<BenchFile />);
        await answer(server, 200, { task: file('running', { progress: 0.2 }) });
        expect(screen.getByText('Reading, 20 %')).toBeTruthy();
        await press(screen.getByText('Cancel'));
        expect(server.open()[0]?.method).toBe('DELETE');
        await answer(server, 200, file('running', { isStopping: true }));
        await looked(200, file('stopped'));
        expect(screen.getByText('Cancelled. Nothing was added.')).toBeTruthy();
        expect(screen.getByText('Import a file')).toBeTruthy();
    });
});

it('a picture that cannot be read says why', async () => {
    fakeUpload(file('waiting'));
    const sent = sendAhead(new Blob(['x']), 'x.jpg').catch((error: unknown) => String(error));
    await looked(200, file('failed', { problem: 'This picture is cut off.' }));
    expect(await sent).toContain('This picture is cut off.');
});
