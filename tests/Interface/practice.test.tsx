import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import PracticePage from '@/pages/practice/index';
import type { ExerciseProps, RoundProps } from '@/types/generated';
import { forget, router } from './inertia';
import { fakeServer, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    server = fakeServer();
    forget();
});

afterEach(cleanup);

const exercise = (key: string, title: string, more: Partial<ExerciseProps> = {}): ExerciseProps => ({
    key,
    title,
    about: `About ${key}`,
    rounds: 0,
    recent: null,
    level: null,
    weak: null,
    ...more,
});

const grey = (l: number) => ({ hex: '#808080', lab: [l, 0, 0], name: 'grey', outOfGamut: false });

const round = (more: Partial<RoundProps>): RoundProps => ({
    id: 7,
    exercise: 'mix',
    subject: '',
    level: 4,
    pots: [
        { id: 11, name: 'Ochre', colour: grey(60) },
        { id: 12, name: 'White', colour: grey(95) },
    ],
    target: grey(80),
    heights: [],
    strips: [],
    score: null,
    right: null,
    trail: [],
    drops: [],
    ...more,
});

async function asked(title: string, more: Partial<RoundProps>) {
    render(
        <PracticePage
            exercises={[
                exercise('lighter', 'Which is lighter?', { rounds: 4, recent: 0.75, level: 8.2, weak: 'dark red' }),
                exercise('mix', 'Guess the mix'),
                exercise('order', 'Five by lightness', { rounds: 1, recent: 0.9 }),
                exercise('light', 'Light'),
                exercise('wash', 'Wash', { rounds: 1, recent: 1 }),
            ]}
        />,
    );
    fireEvent.click(screen.getAllByText(title)[0] as HTMLElement);
    await act(settled);
    await act(async () => server.open()[0]?.answer(201, round(more)));
}

describe('the practice room', () => {
    it('says how one does, and begins with what goes worst', async () => {
        await asked('Begin: Guess the mix', {});
        expect(screen.getByText('4 rounds, 75 of 100 lately, at L* 8.2 apart, weak at dark red')).toBeTruthy();
        expect(screen.getByText('the cup is empty')).toBeTruthy();
    });

    it('mixes drop by drop, takes one back, and tells what each drop did', async () => {
        await asked('Guess the mix', {});
        for (const at of [0, 1, 1]) {
            fireEvent.click(screen.getAllByText('Add a drop')[at] as HTMLElement);
            await act(settled);
            await act(async () => server.open()[0]?.answer(200, grey(70)));
        }
        fireEvent.click(screen.getByText('Take the last drop back'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({ added: [11, 12] });
        await act(async () => server.open()[0]?.answer(200, grey(70)));
        fireEvent.click(screen.getByText('That is it'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({ answer: [11, 12] });
        await act(async () =>
            server.open()[0]?.answer(200, round({ score: 0.7, right: [], trail: [9.1, 2.2], drops: [2, 3] })),
        );
        expect(screen.getByText('70 of 100')).toBeTruthy();
        expect(screen.getByText('2. White: ΔE 2.2')).toBeTruthy();
        expect(screen.getByText('it was 3')).toBeTruthy();
        expect(router.reload).toHaveBeenCalled();
    });

    it('takes an order, marks of light and a strip', async () => {
        await asked('Five by lightness', { exercise: 'order', target: null });
        fireEvent.click(screen.getByLabelText('Colour 2'));
        fireEvent.click(screen.getByLabelText('Colour 1'));
        fireEvent.click(screen.getByText('That is the order'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({ answer: [1, 0] });
        cleanup();
        server = fakeServer();
        await asked('Light', {
            exercise: 'light',
            target: null,
            heights: Array.from({ length: 145 }, (_, i) => Math.sin(i)),
        });
        fireEvent.click(screen.getByLabelText('Piece 3'));
        fireEvent.keyDown(screen.getByLabelText('Piece 4'), { key: ' ' });
        fireEvent.click(screen.getByLabelText('Piece 3'));
        fireEvent.click(screen.getByText('The light lands there'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({ answer: [3] });
        cleanup();
        server = fakeServer();
        await asked('Wash', { exercise: 'wash', target: null, strips: [[grey(50)], [grey(40)], [grey(30)]] });
        fireEvent.click(screen.getByLabelText('Strip 2'));
        await act(settled);
        expect(server.open()[0]?.body).toEqual({ answer: [1] });
        await act(async () =>
            server
                .open()[0]
                ?.answer(
                    200,
                    round({ exercise: 'wash', strips: [[grey(50)], [grey(40)], [grey(30)]], score: 0, right: [0] }),
                ),
        );
        expect(screen.getByText('Not this one.')).toBeTruthy();
        expect(screen.getByText('This is what the wash does (estimate).')).toBeTruthy();
    });
});
