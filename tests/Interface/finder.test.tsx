import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { MixFinder } from '@/features/mix-finder/mix-finder';
import type { FoundMixProps, MixAnswerProps } from '@/types/generated';
import { colour, pot, task } from './made-up';
import { fakeServer, settled } from './server';

function mix(id: number, drops: number, difference: number): FoundMixProps {
    return {
        drops: [{ ...pot(id), paintId: id, drops }],
        colour: colour([50, 0, 0], `colour ${id}`),
        difference,
        likeness: 'close',
        score: difference,
        runningOut: [],
        spread: { radius: 3.14, from: colour([44, 0, 0], 'darker grey'), to: colour([56, 0, 0], 'lighter grey') },
    };
}

function answer(change: Partial<MixAnswerProps> = {}): MixAnswerProps {
    return {
        target: colour([51, 0, 0], 'wanted grey'),
        mixes: [mix(1, 2, 0.4), mix(2, 5, 0.9)],
        ending: 'settled',
        quality: 'estimated',
        evaluations: 5403,
        provable: 23206395,
        why: 'Nearest of all.',
        missing: null,
        preDilution: null,
        potCount: 90,
        ...change,
    };
}

describe('the mix finder', () => {
    let server: ReturnType<typeof fakeServer>;
    const used = vi.fn();

    beforeEach(() => {
        vi.useFakeTimers();
        used.mockReset();
        server = fakeServer();
    });

    afterEach(() => {
        cleanup();
        vi.useRealTimers();
    });

    const finder = (layers: unknown) => (
        <MixFinder
            figureId={1}
            areaId={2}
            layers={layers}
            index={0}
            zone="mid"
            hasTarget
            onUse={used}
            onCup={() => undefined}
        />
    );

    it('asks for nothing while there is no colour to look for', async () => {
        const { getByText } = render(
            <MixFinder
                figureId={1}
                areaId={2}
                layers={[]}
                index={0}
                zone="mid"
                hasTarget={false}
                onUse={used}
                onCup={() => undefined}
            />,
        );
        await act(() => vi.advanceTimersByTimeAsync(500));
        expect(server.asked).toEqual([]);
        getByText(/No target colour for the mid yet/);
    });

    async function wait(milliseconds: number) {
        await act(() => vi.advanceTimersByTimeAsync(milliseconds));
    }

    async function shown(what: MixAnswerProps) {
        const page = render(finder([]));
        await wait(130);
        await act(async () => server.open()[0]?.answer(200, what));
        return page;
    }

    it('asks once the hand rests, and only for the finish as it stands now', async () => {
        const page = render(finder([{ key: 'a' }]));
        await wait(60);
        page.rerender(finder([{ key: 'b' }]));
        await wait(130);
        expect(server.asked).toHaveLength(1);
        expect(server.asked[0]?.body).toMatchObject({ layers: [{ key: 'b' }], zone: 'mid', allKinds: false });
        page.rerender(finder([{ key: 'c' }]));
        await wait(130);
        // The one before was given up.
        expect(server.open()).toHaveLength(1);
        expect(server.open()[0]?.body).toMatchObject({ layers: [{ key: 'c' }] });
    });

    it('shows wanted beside predicted, edge to edge, and uses the mix that is looked at', async () => {
        await shown(answer());
        expect(screen.getByText('wanted grey')).toBeTruthy();
        expect(screen.getByText('colour 1')).toBeTruthy();
        expect(screen.getByText('Use 2 Pot 1')).toBeTruthy();
        fireEvent.click(screen.getByText('Pot 2'));
        expect(screen.getByText('colour 2')).toBeTruthy();
        fireEvent.click(screen.getByText('Use 5 Pot 2'));
        expect(used).toHaveBeenCalledWith([expect.objectContaining({ paintId: 2, drops: 5 })]);
    });

    it.each([
        ['proven' as const, /^Proven: all .* mixes of 90 pots were tried/, false],
        ['settled' as const, /^Not proven: .*computed exactly/, true],
        ['stopped' as const, /^Stopped after .* the best so far/, true],
    ])('says how sure it is when the search is %s', async (ending, words, canProve) => {
        await shown(answer({ ending }));
        expect(screen.getByText(words)).toBeTruthy();
        expect(screen.queryByText('Run a full search') !== null).toBe(canProve);
        expect(screen.getByText(/Estimated paints: the prediction is as good/)).toBeTruthy();
    });

    it('says what is missing, and why it could not look at all', async () => {
        const page = await shown(answer({ missing: 'A lighter yellow is missing.' }));
        expect(screen.getByText('A lighter yellow is missing.')).toBeTruthy();
        page.rerender(finder([{ key: 'a' }]));
        await wait(130);
        await act(async () => server.open()[0]?.answer(422, { errors: { layers: ['This layer has no paint.'] } }));
        expect(screen.getByText('This layer has no paint.')).toBeTruthy();
        expect(screen.queryByText('wanted grey')).toBeNull();
    });

    it('asks anew for another colour and for other kinds of pots', async () => {
        await shown(answer());
        fireEvent.change(screen.getByLabelText('Match another colour'), { target: { value: '#336699' } });
        fireEvent.click(screen.getByLabelText(/inks, washes and one-coats/));
        await wait(130);
        expect(server.open()[0]?.body).toMatchObject({ targetHex: '#336699', allKinds: true });
        fireEvent.click(screen.getByText('back to the sample'));
        await wait(130);
        expect(server.open().at(-1)?.body).not.toHaveProperty('targetHex');
    });

    it('follows a search to the end, with its true progress, and shows what it proved', async () => {
        await shown(answer());
        fireEvent.click(screen.getByText('Run a full search'));
        await act(settled);
        await act(async () => server.open()[0]?.answer(202, task({ kind: 'proof', state: 'waiting', progress: 0 })));
        await wait(510);
        await act(async () => server.open()[0]?.answer(200, task({ kind: 'proof', progress: 0.42 })));
        expect(screen.getByText('42 %')).toBeTruthy();
        await wait(510);
        const proven = answer({ ending: 'proven', mixes: [mix(7, 1, 0.2)] });
        await act(async () =>
            server.open()[0]?.answer(200, task({ kind: 'proof', state: 'done', progress: 1, result: { ...proven } })),
        );
        expect(screen.getByText('Use 1 Pot 7')).toBeTruthy();
        expect(screen.getByText(/^Proven/)).toBeTruthy();
    });

    it('stops asking when the painter goes elsewhere', async () => {
        const page = await shown(answer());
        fireEvent.click(screen.getByText('Run a full search'));
        await act(settled);
        await act(async () => server.open()[0]?.answer(202, task({ kind: 'proof', progress: 0 })));
        page.unmount();
        await wait(600);
        await act(async () => server.open()[0]?.answer(200, task({ kind: 'proof', progress: 0.1 })));
        await wait(5000);
        expect(server.open()).toEqual([]);
    });
});
