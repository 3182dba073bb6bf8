import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ListSheet } from '@/features/shelf/list-sheet';
import type { ListedPotProps } from '@/types/generated';
import { task } from './made-up';
import { fakeServer, fakeUpload, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    server = fakeServer();
    vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:caps' }));
});

afterEach(cleanup);

const pot = (line: number, name: string, more: Partial<ListedPotProps> = {}): ListedPotProps => ({
    line,
    maker: 'Pell & Rook',
    name,
    kind: 'acrylic',
    hex: '#806040',
    isGuessed: true,
    isKnown: false,
    ...more,
});

async function looked(pots: ListedPotProps[], changed = vi.fn()) {
    render(<ListSheet open onClose={() => undefined} onChanged={changed} kinds={['acrylic', 'wash']} />);
    fireEvent.change(screen.getByLabelText('Names'), { target: { value: 'Wren\nTeal' } });
    fireEvent.click(screen.getByText('Read the list'));
    await act(settled);
    await act(async () => server.open()[0]?.answer(200, { pots, leftOut: 0 }));
}

describe('a list of names', () => {
    it('is added as it was corrected, without what has no colour or is there already, and undone', async () => {
        const changed = vi.fn();
        await looked(
            [
                pot(1, 'Wren'),
                pot(2, 'Gloom', { hex: null, isGuessed: false }),
                pot(3, 'Gull', { isKnown: true }),
                pot(4, 'Peat'),
            ],
            changed,
        );
        expect(screen.getByText(/1 without a colour/)).toBeTruthy();
        fireEvent.change(screen.getByLabelText('Name, line 1'), { target: { value: 'Wren Brown' } });
        fireEvent.change(screen.getByLabelText('Kind of Peat'), { target: { value: 'wash' } });
        fireEvent.change(screen.getByLabelText('Colour of Peat'), { target: { value: '#332211' } });
        fireEvent.click(screen.getByText('Add 2 pots'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({
            pots: [
                { maker: 'Pell & Rook', name: 'Wren Brown', kind: 'acrylic', hex: '#806040' },
                { maker: 'Pell & Rook', name: 'Peat', kind: 'wash', hex: '#332211' },
            ],
        });
        await act(async () =>
            server
                .open()[0]
                ?.answer(202, { id: 7, pots: 2, isUndone: false, task: task({ kind: 'shelf', state: 'done' }) }),
        );
        expect(changed).toHaveBeenCalledOnce();
        fireEvent.click(screen.getByText('Undo'));
        await act(settled);
        expect(server.open()[0]?.path).toContain('/shelf/imports/7');
        await act(async () =>
            server
                .open()[0]
                ?.answer(200, { id: 7, pots: 2, isUndone: true, task: task({ kind: 'shelf', state: 'done' }) }),
        );
        expect(screen.getByText('2 pots removed from the shelf.')).toBeTruthy();
    });

    it('takes colours from a photo of the caps in its order, grey first', async () => {
        await looked([pot(1, 'Wren'), pot(2, 'Gloom', { hex: null })]);
        const file = screen.getByLabelText('Colours from a photo of the caps');
        fakeUpload(task({ id: 9, kind: 'picture', state: 'done' }));
        fireEvent.change(file, { target: { files: [new File(['x'], 'caps.jpg')] } });
        const photo = screen.getByLabelText('Photo of the caps: press one');
        photo.getBoundingClientRect = () => new DOMRect(0, 0, 200, 100);
        fireEvent.click(photo, { clientX: 20, clientY: 50, detail: 1 });
        fireEvent.click(screen.getByText('Skip this one'));
        // A key has no place in the photo.
        fireEvent.click(photo, { detail: 0 });
        expect(server.open()).toHaveLength(0);
        fireEvent.click(photo, { clientX: 100, clientY: 25, detail: 1 });
        await act(settled);
        const form = server.open()[0]?.body as FormData;
        expect(form.getAll('spots[0][]')).toEqual(['0.5', '0.25', '0.008']);
        expect(form.getAll('incoming')).toEqual(['9']);
        expect(form.getAll('grey[]')).toEqual(['0.1', '0.5', '0.008']);
        await act(async () => server.open()[0]?.answer(200, { hexes: ['#123456'] }));
        expect(screen.getByLabelText('Colour of Gloom').getAttribute('value')).toBe('#123456');
        expect(screen.getByText('Add 2 pots')).toBeTruthy();
    });
});
