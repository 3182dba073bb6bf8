import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import { Approaches } from '@/pages/order/approaches';
import { Build } from '@/pages/order/build';
import OrderPage from '@/pages/order/index';
import { forget, router } from './inertia';
import { build, figure, order, orderStep } from './made-up';
import { fakeServer, settled } from './server';

const planned = order([orderStep('prime', { kind: 'prime' }), orderStep('coat'), orderStep('belt')], {
    rules: [
        { before: 'prime', after: 'coat', weight: null, rule: 'stack order', reason: 'it lies beneath', isKept: true },
        { before: 'coat', after: 'belt', weight: 12, rule: 'inside first', reason: 'a slip shows', isKept: true },
    ],
    maskMm: 40,
});

/** The same steps with the belt first: one preference is broken. */
const own = order([orderStep('prime', { kind: 'prime' }), orderStep('belt'), orderStep('coat')], {
    rules: planned.rules.map((rule) => ({ ...rule, isKept: rule.weight === null })),
    unmet: [{ rule: 'inside first', minutes: 12, cases: [{ before: 'coat', after: 'belt', reason: 'a slip shows' }] }],
    maskMm: 65,
    cost: 30,
});

describe('the order of work', () => {
    let server: ReturnType<typeof fakeServer>;

    beforeEach(() => {
        forget();
        server = fakeServer();
    });

    const page = (change: Record<string, unknown> = {}) =>
        render(
            <OrderPage
                figure={figure()}
                planned={planned}
                own={null}
                seen="abc"
                problem={null}
                contradiction={null}
                build={build()}
                approaches={[]}
                {...change}
            />,
        );

    it('says that all rules are met, and how much work it is', () => {
        page();
        expect(screen.getByText('3 steps').parentElement?.textContent).toContain('about 60 min');
        expect(screen.getByText('All rules are met.')).toBeTruthy();
        expect(screen.getByText(/Every visible area is painted/)).toBeTruthy();
        expect(screen.queryByText('Use the planned order')).toBeNull();
    });

    it("of one of the painter's own says what it costs beside the plan, and goes back to it", async () => {
        page({ own });
        expect(
            screen.getByText(/Your own order: masks 25 mm more than the planned order, and takes 30 min more/),
        ).toBeTruthy();
        fireEvent.click(screen.getByText('Use the planned order'));
        await act(settled);
        expect(server.asked[0]).toMatchObject({ method: 'PUT', path: '/figures/3/order', body: { steps: null } });
        await act(async () => server.open()[0]?.answer(200, {}));
        expect(router.reload).toHaveBeenCalledOnce();
        expect(screen.getByText(/Planned order: all hard rules met/)).toBeTruthy();
    });

    it('mends a broken rule in one press, is judged anew, and is kept when the painter says so', async () => {
        page({ own });
        expect(screen.getByText('Inside first').parentElement?.textContent).toContain('1 time, worth about 12 min');
        expect(screen.getByText(/should come before/).textContent).toContain('a slip shows');
        fireEvent.click(screen.getByText('Move it'));
        await act(settled);
        expect(server.asked[0]).toMatchObject({
            method: 'POST',
            path: '/figures/3/order/judge',
            body: { steps: ['prime', 'coat', 'belt'] },
        });
        await act(async () => server.open()[0]?.answer(200, { ...planned, cost: 1 }));
        expect(screen.getByText('All rules are met.')).toBeTruthy();
    });

    it('says what runs in a circle with its areas, and gives up the smallest in one press', async () => {
        const found = {
            links: [
                { words: 'Coat: base coat', rule: 'own rule', reason: 'I like it so' },
                { words: 'Badge: decal', rule: 'what it lies on first', reason: 'Badge lies on it' },
            ],
            waysOut: [{ what: 'lies on', subject: '7', other: null, words: 'say that Badge does not lie on Coat' }],
        };
        page({ planned: null, contradiction: found });
        expect(screen.getAllByText('Coat: base coat')).toHaveLength(2);
        fireEvent.click(screen.getByText('Say that Badge does not lie on Coat'));
        await act(settled);
        expect(server.asked[0]).toMatchObject({
            method: 'POST',
            path: '/figures/3/order/give-up',
            body: { what: 'lies on', subject: '7' },
        });
        await act(async () => server.open()[0]?.answer(200, {}));
        expect(router.reload).toHaveBeenCalledOnce();
    });

    it('that cannot be judged says why and keeps what is there', async () => {
        page();
        const chart = screen.getByRole('listbox');
        fireEvent.keyDown(chart, { key: 'ArrowRight' });
        fireEvent.keyDown(chart, { key: 'ArrowRight', shiftKey: true });
        await act(settled);
        expect(server.asked[0]?.body).toEqual({ steps: ['prime', 'belt', 'coat'] });
        await act(async () => server.open()[0]?.answer(422, { message: 'A step was named twice.' }));
        expect(screen.getByText('A step was named twice.')).toBeTruthy();
        fireEvent.click(screen.getByText('Save order'));
        await act(settled);
        expect(server.asked[1]).toMatchObject({ method: 'PUT', body: { steps: ['prime', 'belt', 'coat'] } });
    });

    it('names what stops it, with the step and the finish it is about', () => {
        const issues = [
            { what: 'Lacquer over enamel.', remedy: 'Seal it first.', stops: true, step: 'coat', areaId: 11 },
            { what: 'The belt has no colour.', remedy: null, stops: false, step: null, areaId: 12 },
        ];
        page({ planned: { ...planned, issues } });
        const told = within(screen.getByRole('region', { name: 'Completeness and compatibility' }));
        expect(told.getByText(/Lacquer over enamel/).textContent).toMatch(/^Stops the plan: .*Seal it first/);
        expect(told.getAllByText('its finish').map((link) => link.getAttribute('href'))).toEqual([
            '/figures/3/finishes/11',
            '/figures/3/finishes/12',
        ]);
        fireEvent.click(told.getByText('show'));
        expect(within(screen.getByRole('region', { name: 'Selected step' })).getByText(/Brush coat/)).toBeTruthy();
    });

    it('without a plan opens at the build, and says why there is none', () => {
        page({ planned: null, problem: 'The rules contradict each other.' });
        expect(screen.getByText('The rules contradict each other.')).toBeTruthy();
        expect(screen.getByText('Joints')).toBeTruthy();
    });
});

describe('the build', () => {
    let server: ReturnType<typeof fakeServer>;

    beforeEach(() => {
        forget();
        server = fakeServer();
        render(
            <Build
                figure={figure()}
                build={build({
                    joints: [{ id: 7, partId: 1, otherId: 2, hides: [11], seam: 'filled', isGluedEarly: false }],
                    boundaries: [{ id: 9, areaId: 11, otherId: 12, mm: 40, isCurved: false }],
                })}
            />,
        );
    });

    async function answered() {
        await act(async () => {
            await server.open()[0]?.answer(200, {});
            await settled();
        });
    }

    it('sends each tick as it was made, and asks for the page anew', async () => {
        const boxes: [string, Record<string, unknown>, string][] = [
            ['the base', { isBase: true }, '/figures/3/build/parts/1'],
            ['too small to hold', { isFiddly: true }, '/figures/3/build/parts/1'],
            ['hidden', { isHidden: true }, '/figures/3/build/areas/11'],
        ];
        for (const [label, body, path] of boxes) {
            const box = screen.getAllByLabelText(label)[0];
            if (box) fireEvent.click(box);
            await act(settled);
            expect(server.asked.at(-1)).toMatchObject({ method: 'PATCH', path, body });
            await answered();
        }
        expect(router.reload).toHaveBeenCalledTimes(boxes.length);
    });

    it('sends what was typed once the field is left, and nothing where nothing was changed', async () => {
        fireEvent.blur(screen.getByLabelText('Depth of Cloak'));
        await act(settled);
        expect(server.asked).toEqual([]);
        fireEvent.blur(screen.getByLabelText('Depth of Cloak'), { target: { value: '2' } });
        await act(settled);
        expect(server.asked[0]?.body).toEqual({ depth: 2 });
        await answered();
        fireEvent.blur(screen.getByLabelText('Surface of Belt, cm²'), { target: { value: '3,5' } });
        await act(settled);
        expect(server.asked[1]).toMatchObject({ path: '/figures/3/build/areas/12', body: { squareCm: '3.5' } });
        await answered();
        fireEvent.blur(screen.getByLabelText('Attached to Wing before paint'), { target: { value: 'a pin' } });
        await act(settled);
        expect(server.asked[2]).toMatchObject({ path: '/figures/3/build/parts/2', body: { attachments: 'a pin' } });
    });

    it('names joints and borders in words, adds and removes them', async () => {
        const joint = 'Body and Wing, hides Cloak, seam filled; painted apart, joined later';
        expect(screen.getByText(joint)).toBeTruthy();
        fireEvent.click(screen.getByLabelText(`Remove: ${joint}`));
        await act(settled);
        expect(server.asked[0]).toMatchObject({ method: 'DELETE', path: '/figures/3/joints/7' });
        await answered();
        fireEvent.click(screen.getByText('Add joint'));
        await act(settled);
        expect(server.asked[1]).toMatchObject({
            method: 'POST',
            body: { partId: 1, otherId: 2, hides: [], seam: 'fits', isLast: false },
        });
        await answered();
        fireEvent.change(screen.getByLabelText('mm'), { target: { value: '12,5' } });
        fireEvent.click(screen.getByLabelText('curved'));
        fireEvent.click(screen.getByText('Add'));
        await act(settled);
        expect(server.asked[2]).toMatchObject({ body: { areaId: 11, otherId: 12, mm: 12.5, isCurved: false } });
        await act(async () => server.open()[0]?.answer(422, { message: 'These two meet already.' }));
        expect(screen.getByText('These two meet already.')).toBeTruthy();
        fireEvent.click(screen.getByLabelText('Remove: Cloak and Belt: 40 mm, straight'));
        await act(settled);
        expect(server.asked[3]).toMatchObject({ method: 'DELETE', path: '/figures/3/boundaries/9' });
    });
});

describe('approaches and own rules', () => {
    it('keep what was chosen before, and send a rule with its reason', async () => {
        forget();
        const server = fakeServer();
        const pairs = [
            { usual: 'inside first', other: 'big areas first', followsOther: true },
            { usual: 'metal last', other: 'metal first', followsOther: false },
        ];
        const rules = [{ id: 4, before: 'belt', after: 'gone', weight: null, reason: 'my own wish' }];
        render(
            <Approaches figure={figure()} approaches={pairs} build={build({ ownRules: rules })} planned={planned} />,
        );
        fireEvent.click(screen.getByRole('radio', { name: 'Metal first' }));
        await act(settled);
        expect(server.asked[0]?.body).toEqual({ approaches: ['big areas first', 'metal first'] });
        expect(screen.getByText(/a step that no longer exists/).textContent).toContain('hard rule');
        const add = screen.getByText('Add this rule');
        expect(add.hasAttribute('disabled')).toBe(true);
        fireEvent.change(screen.getByLabelText('Because'), { target: { value: 'it drips' } });
        fireEvent.change(screen.getByLabelText('Worth, minutes'), { target: { value: '15' } });
        fireEvent.click(add);
        await act(settled);
        expect(server.asked[1]?.body).toEqual({ before: 'prime', after: 'coat', weight: 15, reason: 'it drips' });
        await act(async () => server.open()[1]?.answer(422, { message: 'These steps cannot be in this order.' }));
        expect(screen.getByText('These steps cannot be in this order.')).toBeTruthy();
        fireEvent.click(screen.getByLabelText('Remove the rule: my own wish'));
        await act(settled);
        expect(server.asked[2]).toMatchObject({ method: 'DELETE', path: '/figures/3/own-rules/4' });
    });
});
