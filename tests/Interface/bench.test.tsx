import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import BenchPage from '@/pages/bench/index';
import RunPage from '@/pages/bench/run';
import { RepairForm } from '@/pages/bench/repair';
import { Otherwise, Used } from '@/pages/bench/step-sheets';
import QuantitiesPage from '@/pages/quantities/index';
import type { PotNeedProps, RunChangesProps, StepWaitProps } from '@/types/generated';
import { forget, router } from './inertia';
import { figure, pot, run, runStep } from './made-up';
import { fakeServer, settled } from './server';

function need(id: number, change: Partial<PotNeedProps> = {}): PotNeedProps {
    return {
        paintId: id,
        maker: 'Tallow',
        name: `Pot ${id}`,
        hex: '#334455',
        needMl: 1.5,
        hasMl: 10,
        missingMl: 0,
        toBuy: 0,
        needDrops: 30,
        wasGoodUntil: null,
        cost: 0.4,
        spend: null,
        onShelf: true,
        ...change,
    };
}

describe('the runs of a figure', () => {
    beforeEach(forget);

    const done = run([
        runStep(1, { state: 'done', usedMinutes: 25, note: 'thinner next time' }),
        runStep(2, { state: 'skipped', skipReason: 'no time' }),
        runStep(3),
    ]);

    it('can be gone on with before the next one is planned', () => {
        const next = (steps: number, hindrances: string[] = []) => ({ steps, hindrances, hasNoOrder: true });
        const page = (planned: { plan?: ReturnType<typeof next> }) => (
            <BenchPage figure={figure()} runs={[done]} versions={[]} {...planned} />
        );
        const shown = render(page({}));
        expect(screen.getByText('Go on').getAttribute('href')).toBe('/runs/3');
        expect(screen.getByRole('button', { name: 'Start painting' }).hasAttribute('disabled')).toBe(true);
        shown.rerender(page({ plan: next(14) }));
        fireEvent.click(screen.getByText(/Start painting \(14 steps\)/));
        expect(router.post).toHaveBeenCalledWith('/figures/3/runs');
        shown.rerender(page({ plan: next(0) }));
        expect(screen.getByText(/No area has a layer yet/)).toBeTruthy();
        // What cannot be painted is not begun without a word.
        shown.rerender(page({ plan: next(14, ['Lacquer lifts the acrylic beneath.']) }));
        expect(screen.getByText('Lacquer lifts the acrylic beneath.')).toBeTruthy();
        expect(screen.getByRole('button', { name: /Start painting/ }).hasAttribute('disabled')).toBe(true);
        fireEvent.click(screen.getByText('Start with the layers alone'));
        expect(router.post).toHaveBeenLastCalledWith('/figures/3/runs', { knowingly: true });
    });

    it('say what was told at each step, and can be repeated', () => {
        render(
            <BenchPage
                figure={figure()}
                runs={[done]}
                plan={{ steps: 3, hindrances: [], hasNoOrder: false }}
                versions={[]}
            />,
        );
        expect(screen.getByText(/1 of 3 steps left, 25 min recorded/)).toBeTruthy();
        const told = screen.getAllByRole('listitem').map((item) => item.textContent);
        expect(told.some((words) => words.includes('thinner next time'))).toBe(true);
        expect(told.some((words) => words.includes('skipped: no time.'))).toBe(true);
        fireEvent.click(screen.getByText('Repeat'));
        expect(router.post).toHaveBeenCalledWith('/runs/3/repeat', {});
    });
});

describe('a run at the bench', () => {
    let server: ReturnType<typeof fakeServer>;

    beforeEach(() => {
        forget();
        localStorage.clear();
        server = fakeServer();
    });

    const page = (waits: StepWaitProps[] = [], changes?: RunChangesProps) =>
        render(
            <RunPage
                figure={figure()}
                run={run([runStep(1), runStep(2, { title: 'Wash' }), runStep(3, { title: 'Edge' })])}
                pots={[pot(1), pot(2)]}
                short={['Marl Black']}
                onMesh={false}
                waits={waits}
                changes={changes}
                techniques={['layer', 'wash']}
            />,
        );

    it('is held by wet paint until it is dry or the painter goes on all the same, and that is remembered', async () => {
        const until = new Date(Date.now() + 45 * 60_000).toISOString();
        page([{ stepId: 1, until, because: 'prime, Body' }]);
        expect(screen.getByLabelText('Wet paint').textContent).toContain('dry in 45 min');
        const done = screen.getByRole('button', { name: /Done/ });
        expect(done.hasAttribute('disabled')).toBe(true);
        fireEvent.keyDown(window, { key: ' ' });
        expect(server.asked).toHaveLength(0);
        fireEvent.click(screen.getByText('Go on anyway'));
        await act(settled);
        expect(server.asked[0]).toMatchObject({ method: 'PATCH', body: { wentOnWet: true } });
        expect(done.hasAttribute('disabled')).toBe(false);
    });

    it('offers what has changed in the plan, and takes it over in one press', async () => {
        page([], { added: ['Wash: Cloak'], changed: [], gone: ['Layer: Hood'], areas: [] });
        expect(screen.getByLabelText('The plan has changed').textContent).toContain('1 new step, 1 no longer planned');
        fireEvent.click(screen.getByText('Take the changes over'));
        await act(settled);
        expect(server.asked[0]).toMatchObject({ method: 'POST', path: '/runs/3/changes' });
    });

    it('finds a step by a word', () => {
        page();
        fireEvent.change(screen.getByLabelText('Search the steps'), { target: { value: 'edge' } });
        const list = within(screen.getByRole('navigation', { name: 'Steps' }));
        expect(list.getAllByRole('listitem')).toHaveLength(1);
    });

    it('goes on to the next open step when one is done, by hand and by key', async () => {
        page();
        expect(screen.getByText(/Marl Black/)).toBeTruthy();
        fireEvent.click(screen.getByText(/Done/));
        expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Wash');
        await act(async () => Promise.resolve());
        await act(settled);
        expect(server.asked[0]).toMatchObject({ method: 'PATCH', path: '/runs/3/steps/1' });
        await act(settled);
        expect(server.asked[0]?.body).toMatchObject({ state: 'done', version: 1 });
        fireEvent.keyDown(document.body, { key: 'ArrowRight' });
        expect(screen.getByRole('heading', { level: 1 }).textContent).toContain('Edge');
        fireEvent.keyDown(document.body, { key: 'ArrowLeft' });
        fireEvent.keyDown(document.body, { key: 'ArrowLeft' });
        fireEvent.click(screen.getByText('Undo'));
        expect(screen.getByText(/Done/)).toBeTruthy();
    });

    it('opens what was used and what went otherwise by key', async () => {
        page();
        fireEvent.keyDown(document.body, { key: 'u' });
        expect(within(screen.getByRole('dialog')).getByText(/what was used/)).toBeTruthy();
        fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' });
        fireEvent.keyDown(document.body, { key: 'o' });
        const sheet = within(screen.getByRole('dialog'));
        fireEvent.change(sheet.getByLabelText('Unplanned repair'), { target: { value: 'overspray' } });
        fireEvent.click(sheet.getByText('Insert step'));
        await act(settled);
        expect(server.asked[0]).toMatchObject({ method: 'POST', body: { after: 1, words: 'overspray' } });
    });
});

describe('what was used at a step', () => {
    it('is sent as numbers, and as nothing where nothing was typed', () => {
        const kept = vi.fn();
        render(<Used step={runStep(1)} pots={[pot(1)]} onSave={kept} />);
        fireEvent.change(screen.getByLabelText('Coats (planned 1)'), { target: { value: '2' } });
        fireEvent.change(screen.getByLabelText(/^Drops in total/), { target: { value: '' } });
        fireEvent.change(screen.getByLabelText(/^Minutes/), { target: { value: '35' } });
        fireEvent.change(screen.getByLabelText('Note for next time'), { target: { value: '  ' } });
        fireEvent.click(screen.getByText('Save'));
        expect(kept).toHaveBeenCalledWith({
            usedMix: null,
            usedCoats: 2,
            usedDrops: null,
            usedMinutes: 35,
            note: null,
        });
    });

    it('asks for no drops where nothing is painted', () => {
        const kept = vi.fn();
        render(<Used step={runStep(1, { kind: 'glue', plannedMix: [] })} pots={[]} onSave={kept} />);
        expect(screen.queryByLabelText(/^Drops in total/)).toBeNull();
        fireEvent.click(screen.getByText('Save'));
        expect(kept).toHaveBeenCalledWith({ usedMinutes: null, note: null });
    });

    it('can be called a mistake once it is done, and a repair says where and with what', () => {
        const verdict = vi.fn();
        render(
            <Otherwise
                step={runStep(2, { state: 'done' })}
                onSkip={vi.fn()}
                onAgain={vi.fn()}
                onVerdict={verdict}
                repair={null}
            />,
        );
        fireEvent.click(screen.getByText('a mistake'));
        expect(verdict).toHaveBeenCalledWith('mistake');
        const repaired = vi.fn();
        render(
            <RepairForm areas={[{ id: 4, name: 'Rock' }]} techniques={['layer']} pots={[pot(1)]} onRepair={repaired} />,
        );
        fireEvent.change(screen.getByLabelText('Unplanned repair'), { target: { value: 'overspray on the rock' } });
        fireEvent.click(screen.getByText('Insert step'));
        expect(repaired).toHaveBeenCalledWith({ words: 'overspray on the rock' });
    });

    it('or why it was left out is asked for a reason', () => {
        const skipped = vi.fn();
        const again = vi.fn();
        render(<Otherwise step={runStep(2)} onSkip={skipped} onAgain={again} onVerdict={vi.fn()} repair={null} />);
        expect(screen.getByText('Skip this step').hasAttribute('disabled')).toBe(true);
        fireEvent.change(screen.getByLabelText('Reason for skipping'), { target: { value: ' no time ' } });
        fireEvent.click(screen.getByText('Skip this step'));
        expect(skipped).toHaveBeenCalledWith('no time');
        fireEvent.click(screen.getByText('Do step 2 again, as a new step'));
        expect(again).toHaveBeenCalledOnce();
    });
});

describe('the paint needed', () => {
    beforeEach(forget);

    const batch = {
        figures: 6,
        stepByStep: 300,
        figureByFigure: 700,
        setUpSaved: 50,
        waitSaved: 240,
        quicker: 'step by step' as const,
    };

    it('is being calculated until it is there, then says what runs out', () => {
        const props = { figure: figure({ copies: 6 }), copies: 6, inRun: null };
        const shown = render(<QuantitiesPage {...props} />);
        expect(screen.getByText('Calculating the paint needed.')).toBeTruthy();
        expect(screen.queryByRole('table')).toBeNull();
        const planned = { pots: [need(1), need(2, { missingMl: 2, toBuy: 1, spend: 4 })], batch };
        shown.rerender(<QuantitiesPage {...props} planned={planned} />);
        expect(screen.getByText(/1 pot will run out before it is finished: Pot 2/)).toBeTruthy();
        expect(screen.getByText('Step by step is quicker for 6').parentElement?.textContent).toContain('5 h');
        expect(screen.getAllByRole('row')).toHaveLength(3);
    });

    it('starts a batch the way the painter chooses', () => {
        const planned = { pots: [need(1)], batch };
        render(<QuantitiesPage figure={figure()} copies={6} planned={planned} inRun={null} />);
        expect(screen.getByText('You have enough of every pot.')).toBeTruthy();
        fireEvent.click(screen.getByRole('button', { name: /figure by figure/i }));
        expect(router.post).toHaveBeenCalledWith('/figures/3/runs', { copies: 6, mode: 'figure by figure' });
    });

    it('can be that of what is left of the run', () => {
        const planned = { pots: [need(1), need(2)], batch: null };
        render(
            <QuantitiesPage figure={figure()} copies={1} planned={planned} inRun={{ number: 2, left: [need(2)] }} />,
        );
        expect(screen.getAllByRole('row')).toHaveLength(3);
        fireEvent.click(screen.getByRole('checkbox'));
        expect(screen.getAllByRole('row')).toHaveLength(2);
    });
});
