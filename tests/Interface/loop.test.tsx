import { fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { Acts, Kept } from '@/features/acts/acts';
import { SessionBoard } from '@/features/schedule/board';
import { Changes } from '@/pages/bench/changes';
import { RepairForm } from '@/pages/bench/repair';
import { Repeat } from '@/pages/bench/repeat';
import { heldBy } from '@/pages/bench/wet';
import { Tonight } from '@/pages/home/tonight';
import { OwnSteps } from '@/pages/order/own-steps';
import { clockWords, whenWords } from '@/shared/lib/format';
import type { AreaProps, OwnStepProps, TonightStepProps } from '@/types/generated';
import { forget, router } from './inertia';
import { build, figure, order, orderStep, pot, run, runStep, technique } from './made-up';
import { answer, fakeServer, press } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    forget();
    localStorage.clear();
    window.history.replaceState(null, '', '/');
    server = fakeServer();
});

const now = new Date('2026-11-29T20:00:00').getTime();

describe('when something is due', () => {
    it('is in minutes while that is near, then by the clock and the day', () => {
        const at = (iso: string) => whenWords(new Date(iso).getTime(), now);
        expect(at('2026-11-29T20:00:30')).toBe('in 1 min');
        expect(at('2026-11-29T21:15:00')).toBe('in 75 min');
        expect(at('2026-11-29T23:15:00')).toBe('at 11:15 PM');
        expect(at('2026-11-30T20:15:00')).toBe('tomorrow at 8:15 PM');
        expect(at('2026-12-02T09:00:00')).toBe('on Wednesday, December 2 at 9:00 AM');
        // As this browser writes times.
        expect(clockWords('19:30')).toBe('7:30 PM');
    });
});

describe('the bench tonight', () => {
    const step = (id: number, change: Partial<TonightStepProps> = {}): TonightStepProps => ({
        stepId: id,
        figure: 'Heron keeper',
        position: id,
        title: 'wash',
        where: 'Cloak',
        minutes: 12,
        hexes: ['#335577'],
        readyAt: null,
        because: null,
        fits: true,
        cup: null,
        url: `/runs/3?step=${id}`,
        ...change,
    });

    it('says what is ready, what is wet and until when, which cup stands open and what fits', () => {
        const later = new Date(Date.now() + 40 * 60_000).toISOString();
        const session = new Date(Date.now() + 50 * 60_000).toISOString();
        render(
            <Tonight
                tonight={{
                    session,
                    isOn: true,
                    minutesLeft: 50,
                    steps: [
                        step(4, { cup: 'Cloak wash' }),
                        step(9, { readyAt: later, because: 'prime, Hood', fits: false }),
                    ],
                }}
            />,
        );
        const shown = within(screen.getByLabelText('At the bench now'));
        expect(shown.getByText('50 min left of this session')).toBeTruthy();
        const [first, second] = shown.getAllByRole('listitem');
        expect(first?.textContent).toContain('cup "Cloak wash" stands open');
        expect(first?.textContent).toContain('ready');
        expect(second?.textContent).toContain('dry in 40 min (prime, Hood)');
        expect(
            within(first as HTMLElement)
                .getByRole('link')
                .getAttribute('href'),
        ).toBe('/runs/3?step=4');
    });

    it('says when the next session begins, and nothing where nothing is in work', () => {
        const session = new Date(Date.now() + 30 * 60_000).toISOString();
        const shown = render(<Tonight tonight={{ session, isOn: false, minutesLeft: 120, steps: [step(4)] }} />);
        expect(screen.getByText('Your next session begins in 30 min')).toBeTruthy();
        shown.rerender(<Tonight tonight={{ session: null, isOn: false, minutesLeft: 0, steps: [step(4)] }} />);
        expect(screen.getByText('No session is planned.')).toBeTruthy();
        shown.rerender(<Tonight tonight={{ session, isOn: false, minutesLeft: 120, steps: [] }} />);
        expect(screen.queryByLabelText('At the bench now')).toBeNull();
        shown.rerender(<Tonight tonight={undefined} />);
        expect(screen.queryByLabelText('At the bench now')).toBeNull();
    });
});

describe('wet paint', () => {
    it('holds an open step until it is dry, and none that the painter went on with', () => {
        const until = new Date(now + 60_000).toISOString();
        const waits = [{ stepId: 1, until, because: 'prime, Body' }];
        expect(heldBy(waits, runStep(1), now)).toBe(waits[0]);
        expect(heldBy(waits, runStep(1), now + 120_000)).toBeNull();
        expect(heldBy(waits, runStep(1, { wentOnWet: true }), now)).toBeNull();
        expect(heldBy(waits, runStep(1, { state: 'done' }), now)).toBeNull();
        expect(heldBy(waits, runStep(2), now)).toBeNull();
        // What was painted while the server is away holds as well, on the same area only.
        const wet = runStep(3, { state: 'done', doneAt: new Date(now).toISOString(), dryingMinutes: 20, areaIds: [7] });
        expect(heldBy([], runStep(2, { areaIds: [7] }), now, [wet])).toMatchObject({ stepId: 2 });
        expect(heldBy([], runStep(2, { areaIds: [7] }), now + 21 * 60_000, [wet])).toBeNull();
        expect(heldBy([], runStep(2, { areaIds: [8] }), now, [wet])).toBeNull();
        expect(heldBy([], runStep(2, { areaIds: [7], technique: 'wet blend' }), now, [wet])).toBeNull();
    });
});

describe('a run and its plan', () => {
    it('says nothing while they agree, and why where it is refused', async () => {
        const none = { added: [], changed: [], gone: [], areas: [] };
        const shown = render(<Changes run={run([])} changes={none} />);
        expect(screen.queryByLabelText('The plan has changed')).toBeNull();
        shown.rerender(<Changes run={run([])} changes={{ ...none, changed: ['Wash: Cloak: 3 coats instead of 1'] }} />);
        expect(screen.getByText('Wash: Cloak: 3 coats instead of 1')).toBeTruthy();
        await press(screen.getByText('Take the changes over'));
        await answer(server, 409, { message: 'The run was changed elsewhere.' });
        expect(screen.getByText('The run was changed elsewhere.')).toBeTruthy();
        expect(router.reload).not.toHaveBeenCalled();
        await press(screen.getByText('Take the changes over'));
        await answer(server, 200, { message: 'Changed: 1.' });
        expect(router.reload).toHaveBeenCalledOnce();
    });
});

describe('a repeat', () => {
    it('asks which lessons to keep, and says what is left out', async () => {
        const lesson = runStep(2, { usedCoats: 3, note: 'needed a third' });
        render(
            <Repeat
                run={run([
                    runStep(1),
                    lesson,
                    runStep(3, { isInserted: true }),
                    runStep(4, { verdict: 'mistake', usedCoats: 9, areaName: 'Rock', areaNames: ['Rock'] }),
                ])}
            />,
        );
        await press(screen.getByText('Repeat'));
        const sheet = within(screen.getByRole('dialog'));
        expect(sheet.getAllByRole('checkbox')).toHaveLength(2);
        expect(sheet.getByText(/3 instead of 1 coats; needed a third/)).toBeTruthy();
        expect(sheet.getByText('Left out: 4. Rock (mistake)')).toBeTruthy();
        fireEvent.click(sheet.getAllByRole('checkbox')[0] as HTMLElement);
        fireEvent.click(sheet.getByText('Repeat'));
        expect(router.post).toHaveBeenCalledWith('/runs/3/repeat', { forget: [2] });
    });

    it('begins at once where there is nothing to ask', async () => {
        render(<Repeat run={run([runStep(1), runStep(2)])} />);
        await press(screen.getByText('Repeat'));
        expect(screen.queryByRole('dialog')).toBeNull();
        expect(router.post).toHaveBeenCalledWith('/runs/3/repeat', {});
    });
});

describe('a repair', () => {
    it('in words needs no paint', () => {
        const repaired = vi.fn();
        render(<RepairForm areas={[]} techniques={['layer']} pots={[pot(1)]} onRepair={repaired} />);
        expect(screen.getByText('Insert step').hasAttribute('disabled')).toBe(true);
        fireEvent.change(screen.getByLabelText('Unplanned repair'), { target: { value: ' glued the hand again ' } });
        fireEvent.submit(screen.getByText('Insert step').closest('form') as HTMLFormElement);
        expect(repaired).toHaveBeenCalledWith({ words: 'glued the hand again' });
    });
});

describe('one act over many areas', () => {
    const area = (id: number, name: string): AreaProps =>
        ({ id, name, layers: 1, form: 'light and shade', samples: [] }) as unknown as AreaProps;
    const page = (sources?: { areaId: number; area: string; figure: string }[]) =>
        render(
            <Acts
                figure={figure()}
                areas={[area(11, 'Cloak'), area(12, 'Boots'), area(13, 'Belt')]}
                pots={[pot(1), pot(2)]}
                techniques={[technique({ technique: 'varnish', potId: 2, usualZones: ['mid'], usualThinner: 0 })]}
                sources={sources}
            />,
        );

    it('puts a layer on all that are ticked, with the pot that is made for it', async () => {
        page();
        await press(screen.getByText('Several areas at once'));
        fireEvent.click(screen.getByLabelText('Boots'));
        await press(screen.getByText('Put it on 2 areas'));
        expect(server.asked[0]).toMatchObject({
            method: 'POST',
            path: '/figures/3/acts',
            body: {
                areaIds: [11, 13],
                isOnTop: true,
                layer: { technique: 'varnish', zones: ['mid'], thinner: 0, coats: 1, mix: [{ paintId: 2, drops: 1 }] },
            },
        });
        await answer(server, 200, { kept: 8 });
        expect(router.visit).toHaveBeenCalledWith('/figures/3/finishes?kept=8');
    });

    it('goes beneath, needs an area, and says why where it is refused', async () => {
        page();
        await press(screen.getByText('Several areas at once'));
        fireEvent.click(screen.getByRole('radio', { name: 'a layer beneath' }));
        fireEvent.click(screen.getByText('none'));
        expect(screen.getByText('Put it on 0 areas').hasAttribute('disabled')).toBe(true);
        fireEvent.click(screen.getByText('all'));
        await press(screen.getByText('Put it on 3 areas'));
        expect(server.asked[0]?.body).toMatchObject({ isOnTop: false });
        await answer(server, 422, { message: 'A can is sprayed as it is: it takes no thinner.' });
        expect(screen.getByText('A can is sprayed as it is: it takes no thinner.')).toBeTruthy();
    });

    it('copies nothing before an area is chosen', async () => {
        page([{ areaId: 5, area: 'Left boot', figure: 'Sentry' }]);
        await press(screen.getByText('Several areas at once'));
        fireEvent.click(screen.getByRole('radio', { name: 'the finish of another area' }));
        expect(screen.getByText('Copy it to 3 areas').hasAttribute('disabled')).toBe(true);
    });

    it('is undone in one press, where there is something to undo', async () => {
        const nothing = render(<Kept figureId={3} areaId={11} />);
        expect(screen.queryByText('Undo it')).toBeNull();
        nothing.unmount();
        window.history.replaceState(null, '', '/figures/3/finishes?kept=8');
        render(<Kept figureId={3} areaId={11} />);
        await press(screen.getByText('Undo it'));
        expect(server.asked[0]).toMatchObject({ method: 'POST', path: '/figures/3/versions/8/restore' });
        await answer(server, 200, { message: 'Version 1 is the recipe again.' });
        expect(router.visit).toHaveBeenCalledWith('/figures/3/finishes/11');
    });
});

describe("steps of one's own", () => {
    const own: OwnStepProps = {
        id: 6,
        words: 'Grout the base',
        partId: 1,
        tool: 'spatula',
        minutes: 25,
        dryMinutes: 720,
        seen: 'x',
        caution: null,
        after: null,
        before: null,
    };
    const page = (steps: OwnStepProps[] = []) =>
        render(
            <OwnSteps
                figure={figure()}
                build={build({ ownSteps: steps })}
                planned={order([orderStep('prime'), orderStep('own x', { kind: 'own step' })])}
            />,
        );

    it('are added with what they need', async () => {
        page();
        const form = within(screen.getByLabelText('Own step'));
        expect(form.getByText('Add this step').hasAttribute('disabled')).toBe(true);
        fireEvent.change(form.getByLabelText('What is to be done'), { target: { value: 'Bend the wire' } });
        fireEvent.change(form.getByLabelText('Minutes'), { target: { value: '5' } });
        fireEvent.change(form.getByLabelText('Caution'), { target: { value: 'It springs back' } });
        await press(form.getByText('Add this step'));
        expect(server.asked[0]).toMatchObject({
            method: 'POST',
            path: '/figures/3/own-steps',
            body: {
                words: 'Bend the wire',
                partId: null,
                minutes: 5,
                dryMinutes: 0,
                caution: 'It springs back',
                after: null,
                before: null,
            },
        });
        await answer(server, 422, { message: 'These rules contradict each other.' });
        expect(screen.getByText('These rules contradict each other.')).toBeTruthy();
        expect(form.getByLabelText<HTMLInputElement>('What is to be done').value).toBe('Bend the wire');
    });

    it('are shown with their part and waits, edited and removed', async () => {
        page([own]);
        expect(screen.getByText(/Body, 25 min, then 12 h to wait/)).toBeTruthy();
        await press(screen.getByLabelText('Edit the step: Grout the base'));
        const form = within(screen.getByLabelText('Own step'));
        fireEvent.change(form.getByLabelText('Minutes'), { target: { value: '40' } });
        await press(form.getByText('Save'));
        expect(server.asked[0]).toMatchObject({
            method: 'PUT',
            path: '/figures/3/own-steps/6',
            body: { words: 'Grout the base', partId: 1, minutes: 40, dryMinutes: 720 },
        });
        await answer(server, 200, { id: 6 });
        expect(router.reload).toHaveBeenCalledOnce();
        await press(screen.getByLabelText('Remove the step: Grout the base'));
        expect(server.asked[1]).toMatchObject({ method: 'DELETE', path: '/figures/3/own-steps/6' });
    });
});

describe('a session', () => {
    it('shows each block by its area and the colour of its paint', () => {
        const at = (minute: number) => new Date(now + minute * 60_000).toISOString();
        const block = (id: string, where: string, hex: string | null) => ({
            id,
            figureId: 3,
            figure: 'Heron keeper',
            what: 'wash',
            where,
            start: at(0),
            end: at(30),
            hex,
            url: null,
        });
        render(
            <SessionBoard
                sessions={[
                    { start: at(0), end: at(120), steps: [block('a', 'Cloak', '#335577'), block('b', '', null)] },
                ]}
                chosen={null}
                onChoose={vi.fn()}
            />,
        );
        const [painted, bare] = screen.getAllByRole('button');
        expect(painted?.textContent).toBe('Cloak: wash');
        expect(painted?.querySelector('span')?.style.background).toBe('#335577');
        expect(bare?.textContent).toBe('Wash');
        expect(bare?.querySelector('span')).toBeNull();
    });
});
