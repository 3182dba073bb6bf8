import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it } from 'vitest';
import BalancePage from '@/pages/balance/index';
import BriefPage from '@/pages/brief/index';
import ChipsPage from '@/pages/chips/index';
import HomePage from '@/pages/home';
import RecipesPage from '@/pages/recipes/index';
import SchedulePage from '@/pages/schedule/index';
import SignInPage from '@/pages/sign-in/index';
import type { AreaProps, BalancePageProps, FigureInProgressProps, HandProps, RecipeProps } from '@/types/generated';
import { forget, router, shared } from './inertia';
import { colour, figure, pot, technique } from './made-up';
import { answer, fakeServer, press, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    forget();
    server = fakeServer();
});

const answered = (status: number, body: unknown = {}) => answer(server, status, body);

function area(id: number, name: string, change: Partial<AreaProps> = {}): AreaProps {
    return {
        id,
        partId: null,
        partName: null,
        name,
        wish: null,
        samples: [],
        layers: 0,
        liesOnId: null,
        tolerance: null,
        sheen: null,
        form: 'light and shade' as const,
        squareCm: null,
        seen: 'abc',
        ...change,
    };
}

describe('the brief', () => {
    const page = (version = 4) =>
        render(
            <BriefPage
                figure={figure({ version })}
                parts={[{ id: 1, name: 'Body', bareHex: null, translucency: 0, process: 'resin' }]}
                areas={[area(11, 'Cloak', { partId: 1, layers: 3 }), area(12, 'Badge', { liesOnId: 11 })]}
                boundaries={[]}
            />,
        );

    it('gives a part a print of its own', async () => {
        page();
        const picker = screen.getByLabelText('Print colour of Body');
        fireEvent.change(picker, { target: { value: '#ddeedd' } });
        fireEvent.blur(picker);
        await act(settled);
        expect(router.patch.mock.calls[0]?.slice(0, 2)).toEqual(['/figures/3/parts/1', { bareHex: '#ddeedd' }]);
    });

    it('is saved whole, with the version it was changed from', async () => {
        page();
        fireEvent.change(screen.getByLabelText('Height in mm'), { target: { value: '' } });
        fireEvent.change(screen.getByLabelText('Number of figures'), { target: { value: '6' } });
        fireEvent.change(screen.getByLabelText('Colour of the bare print'), { target: { value: '#112233' } });
        await press(screen.getByText('Save'));
        expect(server.asked[0]).toMatchObject({
            method: 'PATCH',
            path: '/figures/3',
            body: { name: 'Heron keeper', heightMm: null, copies: 6, bareHex: '#112233', version: 4 },
        });
        await answered(200);
        expect(router.reload).toHaveBeenCalledOnce();
    });

    it('says a fault at its field', async () => {
        page();
        await press(screen.getByText('Save'));
        await answered(422, { message: 'No.', errors: { heightMm: ['The height is from 5 to 3000 mm.'] } });
        expect(screen.getByText('The height is from 5 to 3000 mm.')).toBeTruthy();
    });

    it('changed elsewhere shows both, and keeps the one that is chosen', async () => {
        page();
        fireEvent.change(screen.getByLabelText('Sculptor'), { target: { value: 'Wyn' } });
        await press(screen.getByText('Save'));
        await answered(409, { message: 'Changed.', theirs: figure({ name: 'Heron', version: 9 }) });
        const dialog = within(screen.getByRole('dialog'));
        expect(dialog.getByText(/^Heron, 75 mm/)).toBeTruthy();
        await press(dialog.getByText(/mine/i));
        expect(server.asked[1]?.body).toMatchObject({ sculptor: 'Wyn', version: 9 });
    });

    it('asks before a figure or an area is deleted, and says what goes with it', async () => {
        page();
        await press(screen.getByText('Delete figure'));
        const sheet = within(screen.getByRole('dialog'));
        expect(sheet.getByText(/It cannot be undone/)).toBeTruthy();
        await press(sheet.getByText('Delete figure'));
        expect(router.delete).toHaveBeenCalledWith('/figures/3');
        fireEvent.keyDown(screen.getByRole('dialog'), { key: 'Escape' });
        await press(screen.getByLabelText('Remove the area Cloak'));
        expect(screen.getByText(/Its 3 layers and no samples|Its 3 layers and 0 samples/)).toBeTruthy();
        await press(screen.getByText('Remove'));
        expect(router.delete.mock.calls.at(-1)?.[0]).toBe('/figures/3/areas/11');
    });

    it('takes an area onto the last part, and a part by its name', async () => {
        page();
        fireEvent.change(screen.getByLabelText('New area'), { target: { value: 'Face' } });
        await press(screen.getByText('Add area'));
        expect(router.post).toHaveBeenCalledWith('/figures/3/areas', { name: 'Face', wish: '', partId: '1' });
        fireEvent.change(screen.getByLabelText('New part'), { target: { value: 'Wing' } });
        await press(screen.getByText('Add part'));
        expect(router.post).toHaveBeenCalledWith('/figures/3/parts', { name: 'Wing' });
    });

    it('changes an area in its own sheet, with a tolerance as it is written', async () => {
        page();
        await press(screen.getByLabelText('Edit Badge'));
        fireEvent.change(screen.getByLabelText('Tolerance, ΔE'), { target: { value: '2,5' } });
        await press(within(screen.getByRole('dialog')).getByText('Save'));
        expect(router.patch).toHaveBeenCalledWith('/figures/3/areas/12', {
            name: 'Badge',
            wish: '',
            partId: null,
            liesOnId: '11',
            tolerance: '2.5',
            sheen: null,
            form: 'light and shade' as const,
            squareCm: null,
            seen: 'abc',
        });
    });
});

describe('the balance', () => {
    const page: BalancePageProps = {
        light: 'A',
        areas: [11, 12].map((id) => ({
            id,
            name: id === 11 ? 'Cloak' : 'Belt',
            zones: Array.from({ length: 5 }, () => colour([50, 10, 10])),
            greys: Array.from({ length: 5 }, () => '#777777'),
            part: 'Body',
            contrast: 30,
            moved: 1.5,
        })),
        preferences: [
            { id: 1, kind: 'stand apart', areaId: 11, otherId: 12, value: 4, limit: 15, holds: false },
            { id: 2, kind: 'focal point', areaId: 12, otherId: null, value: 12, limit: 10, holds: true },
        ],
        mismatches: [{ one: 'Cloak', other: 'Belt', zone: 'mid', daylight: 0.8, light: 4.2 }],
    };

    it('says which preferences hold, and what a lamp pulls apart', () => {
        render(<BalancePage figure={figure()} page={page} />);
        expect(screen.getByLabelText('not met').closest('li')?.textContent).toContain('Cloak stands apart from Belt');
        expect(screen.getByLabelText('holds').closest('li')?.textContent).toContain('Belt is the focal point');
        expect(screen.getByText('Cloak and Belt').closest('li')?.textContent).toContain('0.8 in daylight, 4.2 here');
        expect(screen.getByText('changes by')).toBeTruthy();
    });

    it('takes a preference, says why one is refused, and removes one', async () => {
        render(<BalancePage figure={figure()} page={page} />);
        await press(screen.getByText('Add preference'));
        expect(server.asked[0]?.body).toEqual({ kind: 'stand apart', areaId: 11, otherId: 12 });
        await answered(422, { message: 'This preference is there already.' });
        expect(screen.getByText('This preference is there already.')).toBeTruthy();
        const [remove] = screen.getAllByLabelText('Remove preference');
        if (remove) await press(remove);
        expect(server.asked[1]).toMatchObject({ method: 'DELETE', path: '/figures/3/balances/1' });
        await answered(200);
        expect(router.reload).toHaveBeenCalledOnce();
    });

    it('is looked at in plain lightness, and under another light', async () => {
        const { container } = render(<BalancePage figure={figure()} page={page} />);
        await press(screen.getByText('lightness only'));
        expect((container.querySelector('td') as HTMLElement).style.background).toContain('777777');
        await press(screen.getByText('LED'));
        expect(router.get).toHaveBeenCalledWith('/figures/3/balance', { light: 'LED' });
    });
});

describe('test chips', () => {
    const hand: HandProps = {
        technique: 'wash',
        covers: true,
        coverage: 1,
        coverageDeviation: 0,
        thickness: 1.24,
        thicknessDeviation: 0.001,
        chips: [{ id: 8, pot: pot(1), coats: 2, thinner: 0, onBlack: true, colour: colour() }],
    };

    it('are read as they were painted, and deleted one by one', async () => {
        render(<ChipsPage hands={[hand]} techniques={[technique()]} pots={[pot(2), { ...pot(1), isMixed: true }]} />);
        // An uncertainty is never said to be nought.
        expect(screen.getByText(/Film 1.24 ± 0.01 times the usual, full coverage. From 1 chip/)).toBeTruthy();
        await press(screen.getByText('white'));
        await press(screen.getByText('Read the dry chip'));
        expect(server.asked[0]?.body).toEqual({
            technique: 'base coat',
            paintId: 1,
            card: 'white',
            coats: 1,
            thinner: 0,
        });
        await answered(422, { message: 'One chip alone tells nothing yet.' });
        expect(screen.getByText('One chip alone tells nothing yet.')).toBeTruthy();
        await press(screen.getByLabelText('Delete the chip of Pot 1'));
        expect(server.asked[1]).toMatchObject({ method: 'DELETE', path: '/chips/8' });
    });

    it('need a pot to be read from', () => {
        render(<ChipsPage hands={[]} techniques={[technique()]} pots={[pot(2)]} />);
        expect(screen.getByText('Read the dry chip').hasAttribute('disabled')).toBe(true);
    });
});

describe('the first page', () => {
    const one: FigureInProgressProps = {
        id: 3,
        name: 'Heron keeper',
        heightMm: 75,
        copies: 6,
        areas: 4,
        planned: 2,
        pictureUrl: null,
        ramps: [],
        next: 'Plan Belt',
        nextUrl: '/figures/3/finishes/12',
    };

    it('says of each figure how far it is and what comes next', () => {
        render(<HomePage page={{ figures: [one], potCount: 40, runningOut: [pot(1)] }} />);
        expect(screen.getByText('75 mm, 6 alike, 2 of 4 areas planned')).toBeTruthy();
        expect(screen.getByText('Plan Belt').closest('a')?.getAttribute('href')).toBe('/figures/3/finishes/12');
        expect(screen.getByText('Running low:').parentElement?.textContent).toContain('Pot 1');
    });

    it('begins a figure by key, from its name', async () => {
        render(<HomePage page={{ figures: [], potCount: 0, runningOut: [] }} />);
        expect(screen.getByText(/Nothing is in progress/)).toBeTruthy();
        fireEvent.keyDown(document.body, { key: 'n' });
        const sheet = within(screen.getByRole('dialog'));
        fireEvent.change(sheet.getByLabelText('Name'), { target: { value: 'Otter' } });
        await press(sheet.getByText('Create'));
        expect(router.post).toHaveBeenCalledWith('/figures', { name: 'Otter', heightMm: '', isGuided: true });
    });
});

describe('signing in', () => {
    it('sends what was typed, and says what was wrong', async () => {
        shared.props['errors'] = { email: 'These do not belong together.' };
        render(<SignInPage demo={null} canSignUp={false} />);
        expect(screen.queryByText('Create an account')).toBeNull();
        expect(screen.getByText('These do not belong together.')).toBeTruthy();
        expect(screen.queryByText('Demo')).toBeNull();
        fireEvent.change(screen.getByLabelText('E-mail'), { target: { value: 'me@example.test' } });
        fireEvent.change(screen.getByLabelText('Password'), { target: { value: 'open' } });
        await press(screen.getByText('Sign in'));
        expect(router.post).toHaveBeenCalledWith('/sign-in', { email: 'me@example.test', password: 'open' });
    });

    it('offers the demo only where there is one', async () => {
        render(<SignInPage demo={{ email: 'ines@example.test', password: 'lamp' }} canSignUp />);
        expect(screen.getByText('Create an account').getAttribute('href')).toBe('/sign-up');
        await press(screen.getByText(/Open the demo/));
        expect(router.post).toHaveBeenCalledWith('/sign-in/demo');
    });
});

describe('the schedule', () => {
    const props = {
        hours: [{ day: 1, start: '19:30', minutes: 120 }],
        exceptions: [{ date: '2026-12-24', start: null, minutes: null }],
        aid: 'still air' as const,
        aids: ['still air', 'moving air'] as never[],
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        seen: 'abc',
        figures: [
            { id: 3, name: 'Heron keeper', steps: 12, isLaid: true },
            { id: 4, name: 'Otter', steps: 4, isLaid: false },
        ],
        schedule: null,
    };

    it('is planned for the figures that are chosen', async () => {
        render(<SchedulePage {...props} />);
        // All that has work left is ticked until the painter says otherwise.
        await press(screen.getByLabelText(/Otter/));
        await press(screen.getByText('Plan my sessions'));
        expect(server.asked[0]).toMatchObject({ path: '/schedule', body: { figureIds: [3] } });
        await answered(422, { message: 'No hour of the week is free.' });
        expect(screen.getByText('No hour of the week is free.')).toBeTruthy();
        await press(screen.getByLabelText(/Heron keeper/));
        expect(screen.getByText('Plan my sessions').hasAttribute('disabled')).toBe(true);
    });

    it('takes a day without a session, or one of two hours, and gives it back', async () => {
        render(<SchedulePage {...props} />);
        const exceptions = within(screen.getByRole('region', { name: 'Exceptions' }));
        fireEvent.change(exceptions.getByLabelText('Add a day'), { target: { value: '2026-12-28' } });
        fireEvent.change(exceptions.getByLabelText(/^Start;/), { target: { value: '14:00' } });
        await press(exceptions.getByText('Two hours'));
        expect(server.asked[0]?.body).toMatchObject({
            exceptions: [
                { date: '2026-12-24', start: null, minutes: null },
                { date: '2026-12-28', start: '14:00', minutes: 120 },
            ],
        });
        await answered(200);
        await press(exceptions.getByLabelText('As usual on 2026-12-24'));
        expect(server.asked[1]?.body).toMatchObject({ exceptions: [] });
    });

    it('tells the time zone of the painter once it differs', async () => {
        render(<SchedulePage {...props} timeZone="Antarctica/Troll" />);
        await act(settled);
        expect(server.asked[0]?.body).toMatchObject({ timeZone: props.timeZone, seen: 'abc' });
    });
});

describe('the recipes', () => {
    const recipe = { areaId: 11, figureId: 3, area: 'Cloak', figure: 'Heron keeper' } as RecipeProps;

    it('are searched by what is typed, and say when nothing fits', async () => {
        const props = { recipes: [] as RecipeProps[], hex: null, word: '', paintId: null, figureId: 3, pots: [pot(1)] };
        render(<RecipesPage {...props} figures={[{ id: 3, name: recipe.figure }]} />);
        expect(screen.getByText(/No match/)).toBeTruthy();
        fireEvent.change(screen.getByLabelText(/^Word:/), { target: { value: 'glaze' } });
        await press(screen.getByText('Find'));
        expect(router.visit.mock.calls.at(-1)?.[0]).toBe('/recipes?word=glaze&figureId=3');
    });
});
