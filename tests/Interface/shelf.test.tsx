import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FileSheet } from '@/features/shelf/file-sheet';
import { PotForm } from '@/features/shelf/pot-form';
import type { ShelfImportProps, ShelfPreviewProps } from '@/types/generated';
import { colour, paint, POT_FIELDS, task } from './made-up';
import { fakeServer, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    vi.useFakeTimers();
    server = fakeServer();
});

afterEach(() => {
    cleanup();
    vi.useRealTimers();
});

async function wait(milliseconds: number) {
    await act(() => vi.advanceTimersByTimeAsync(milliseconds));
}

describe('a pot described by hand', () => {
    const saved = vi.fn();
    const estimate = { overBlack: colour([30, 0, 0]), overWhite: colour([60, 0, 0]), coatsToHide: 4 };
    const to = (part: string) => server.open().filter(({ path }) => path.includes(part));

    beforeEach(() => {
        saved.mockReset();
    });

    function form(pot: Parameters<typeof PotForm>[0]['paint']) {
        return render(
            <PotForm
                paint={pot}
                fields={POT_FIELDS}
                flakes={['metal flake']}
                clear={['varnish']}
                onSaved={saved}
                onRemoved={() => undefined}
            />,
        );
    }

    function type(label: string, value: string) {
        fireEvent.change(screen.getByLabelText(label), { target: { value } });
    }

    async function submit(button: string) {
        // A browser sends the form when its button is pressed.
        const element = screen.getByText(button).closest('form');
        if (element) fireEvent.submit(element);
        await act(settled);
    }

    it('is estimated while it is typed, from what stands there last', async () => {
        form(null);
        await wait(160);
        expect(to('estimate')[0]?.body).toMatchObject({ name: '-', maker: '-', thickHex: '#808080' });
        type('Colour when thick, as a code', '#336699');
        await wait(60);
        type('Colour when thick, as a code', '#336690');
        await wait(160);
        expect(to('estimate')).toHaveLength(1);
        expect(to('estimate')[0]?.body).toMatchObject({ thickHex: '#336690' });
    });

    it('has a tint only where it is clear, and keeps the tint it has', async () => {
        form(paint(5, { kind: 'varnish', described: { tintHex: '#f3e2b0' }, version: 3 }));
        expect(screen.queryByLabelText('Colour from the side, as a code')).toBeNull();
        expect(screen.getByLabelText<HTMLInputElement>('Tint of one clear coat on white, as a code').value).toBe(
            '#f3e2b0',
        );
        type('Name', 'Old Amber');
        await submit('Save');
        const sent = server.asked.find(({ method }) => method === 'PATCH' || method === 'PUT');
        expect(sent?.body).toMatchObject({ name: 'Old Amber', tintHex: '#f3e2b0' });
    });

    it('of a paint that hides has no tint to state', () => {
        form(paint(5));
        expect(screen.queryByLabelText('Tint of one clear coat on white, as a code')).toBeNull();
    });

    it('keeps the last estimate in sight while the next is on its way', async () => {
        const { container } = form(null);
        await wait(160);
        await act(async () =>
            to('estimate')[0]?.answer(200, { ...estimate, overBlack: { ...estimate.overBlack, hex: '#123456' } }),
        );
        const swatches = () => container.innerHTML.match(/#123456|rgb\(18, 52, 86\)/g);
        expect(swatches()).not.toBeNull();
        type('Colour when thick, as a code', '#336699');
        await wait(160);
        type('Colour when thick, as a code', '#336690');
        await wait(160);
        // The question in between was given up; it takes nothing away.
        expect(swatches()).not.toBeNull();
        await act(async () => to('estimate')[0]?.answer(422, { message: 'That is no colour.' }));
        expect(swatches()).toBeNull();
    });

    it('says fault at its field, and is put on the shelf when all is well', async () => {
        form(null);
        type('Name', 'Bone');
        type('Maker', 'Tallow');
        await submit('Add pot');
        const asked = server.open().find(({ method, path }) => method === 'POST' && !path.includes('estimate'));
        expect(asked?.body).toMatchObject({ name: 'Bone', maker: 'Tallow', kind: 'acrylic', opacity: '2' });
        await act(async () => asked?.answer(422, { errors: { name: ['There is a Bone of Tallow already.'] } }));
        expect(screen.getByText('There is a Bone of Tallow already.')).toBeTruthy();
        expect(saved).not.toHaveBeenCalled();
        type('Name', 'Bone 2');
        await submit('Add pot');
        await act(async () =>
            server
                .open()
                .find(({ method, path }) => method === 'POST' && !path.includes('estimate'))
                ?.answer(201, {}),
        );
        expect(saved).toHaveBeenCalledTimes(1);
        expect(screen.queryByText('There is a Bone of Tallow already.')).toBeNull();
    });

    it('changed elsewhere shows both, and goes on with the one that was chosen', async () => {
        const patch = () => server.open().find(({ method }) => method === 'PATCH');
        form(paint(3, { name: 'Ember', note: 'old', version: 2 }));
        type('Note', 'mine');
        await submit('Save');
        expect(patch()?.body).toMatchObject({ note: 'mine', version: 2 });
        const theirs = paint(3, { name: 'Ember', note: 'theirs', version: 5 });
        await act(async () => patch()?.answer(409, { message: 'Changed elsewhere.', theirs }));
        expect(screen.getAllByText('mine').length).toBeGreaterThan(0);
        expect(screen.getByText('theirs')).toBeTruthy();
        fireEvent.click(screen.getByText('Keep mine'));
        await act(settled);
        expect(patch()?.body).toMatchObject({ note: 'mine', version: 5 });
        await act(async () => patch()?.answer(200, {}));
        expect(saved).toHaveBeenCalledTimes(1);
    });
});

describe('a file of pots', () => {
    const preview = (name: string, change: Partial<ShelfPreviewProps> = {}): ShelfPreviewProps => ({
        format: 'csv',
        new: 2,
        known: 1,
        shown: [{ maker: 'Tallow', name, kind: 'acrylic', hex: '#112233' }],
        faults: [],
        ...change,
    });
    const brought = (change: Partial<ShelfImportProps>): ShelfImportProps => ({
        id: 4,
        pots: 2,
        isUndone: false,
        task: task({ kind: 'shelf', state: 'done' }),
        ...change,
    });
    const changed = vi.fn();

    beforeEach(() => {
        changed.mockReset();
        render(<FileSheet open formats={[]} onClose={() => undefined} onChanged={changed} />);
    });

    async function choose(name: string) {
        const input = screen.getByLabelText('File of pots');
        fireEvent.change(input, { target: { files: [new File(['maker,name,colour'], name)] } });
        await act(settled);
    }

    it('shows what it would do, does it in the queue, and undoes it', async () => {
        await choose('pots.csv');
        await act(async () => server.open()[0]?.answer(200, preview('Bone')));
        expect(screen.getByText('2 new pots')).toBeTruthy();
        expect(screen.getByText(/1 pot already on the shelf/)).toBeTruthy();
        fireEvent.click(screen.getByText('Import 2 pots'));
        await act(settled);
        await act(async () => server.open()[0]?.answer(202, brought({ task: task({ kind: 'shelf', progress: 0.4 }) })));
        expect(screen.getByLabelText('Adding the pots').getAttribute('value')).toBe('0.4');
        expect(changed).not.toHaveBeenCalled();
        await wait(510);
        await act(async () => server.open()[0]?.answer(200, task({ kind: 'shelf', state: 'done' })));
        await act(async () => server.open()[0]?.answer(200, brought({})));
        expect(screen.getByText(/added to the shelf/)).toBeTruthy();
        expect(changed).toHaveBeenCalledTimes(1);
        fireEvent.click(screen.getByText('Undo'));
        await act(settled);
        expect(server.open()[0]?.method).toBe('DELETE');
        await act(async () => server.open()[0]?.answer(200, brought({ isUndone: true })));
        expect(screen.getByText('2 pots removed from the shelf.')).toBeTruthy();
        expect(changed).toHaveBeenCalledTimes(2);
    });

    it('with faults names line and column of each, and nothing can be brought in', async () => {
        await choose('pots.csv');
        const faults = [
            { line: 3, column: 3, message: 'not a colour' },
            { line: 9, column: 2, message: 'missing' },
        ];
        await act(async () => server.open()[0]?.answer(200, preview('Bone', { faults })));
        expect(screen.getByText(/2 faults in this file/)).toBeTruthy();
        expect(screen.getByText('not a colour')).toBeTruthy();
        expect(screen.queryByText(/Import .* pots/)).toBeNull();
    });

    it('chosen after another is the one that is shown and brought in', async () => {
        await choose('first.csv');
        await choose('second.csv');
        await act(async () => server.open()[0]?.answer(200, preview('of the first')));
        expect(screen.queryByText('of the first')).toBeNull();
        await act(async () => server.open()[0]?.answer(200, preview('of the second')));
        expect(screen.getByText('of the second')).toBeTruthy();
        fireEvent.click(screen.getByText('Import 2 pots'));
        await act(settled);
        const sent = server.open()[0]?.body;
        expect(sent instanceof FormData && (sent.get('file') as File).name).toBe('second.csv');
    });

    it('that failed in the queue says why', async () => {
        await choose('pots.csv');
        await act(async () => server.open()[0]?.answer(200, preview('Bone')));
        fireEvent.click(screen.getByText('Import 2 pots'));
        await act(settled);
        await act(async () =>
            server
                .open()[0]
                ?.answer(
                    202,
                    brought({ task: task({ state: 'failed', problem: 'A pot of this name came in meanwhile.' }) }),
                ),
        );
        expect(screen.getByText('A pot of this name came in meanwhile.')).toBeTruthy();
    });
});
