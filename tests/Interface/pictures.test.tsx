import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import BesidePage from '@/pages/bench/compare';
import PiecesPage from '@/pages/bench/pieces';
import ComparePage from '@/pages/compare/index';
import FinishesPage from '@/pages/finishes/index';
import ReferencesPage from '@/pages/references/index';
import type {
    AreaProps,
    ComparedAreaProps,
    ComparedRunAreaProps,
    ConsistencyProps,
    PictureProps,
    SampleProps,
} from '@/types/generated';
import { forget, router } from './inertia';
import { areaFinish, colour, figure, layer, picture, pot, section, technique } from './made-up';
import { answer, fakeServer, press } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    forget();
    server = fakeServer();
});

const answered = (status: number, body: unknown = {}) => answer(server, status, body);

function sample(zone: SampleProps['zone'], change: Partial<SampleProps> = {}): SampleProps {
    return {
        areaId: 11,
        zone,
        pictureId: 8,
        source: null,
        method: 'spot',
        outline: [[0.5, 0.5]],
        colour: colour([40, 0, 0], `${zone} grey`),
        spread: 2.1,
        pixels: 1234,
        doubt: null,
        ...change,
    };
}

function area(id: number, name: string, samples: SampleProps[] = []): AreaProps {
    return {
        id,
        partId: null,
        partName: null,
        name,
        wish: null,
        samples,
        layers: 0,
        liesOnId: null,
        tolerance: null,
        sheen: null,
        form: 'light and shade' as const,
        squareCm: null,
        seen: 'abc',
    };
}

describe('references', () => {
    const page = (pictures: PictureProps[], areas: AreaProps[]) =>
        render(<ReferencesPage figure={figure()} pictures={pictures} areas={areas} pots={[]} shifts={[]} />);

    it('set a colour without any picture, and say where it is from', async () => {
        const areas = [
            area(11, 'Cloak'),
            area(12, 'Belt', [sample('mid', { source: 'lighter by 10 than Cloak, mid', pictureId: null })]),
        ];
        page([], areas);
        fireEvent.change(screen.getByLabelText('Target colour'), { target: { value: '#6b1c2a' } });
        await press(screen.getByText('Set the mid'));
        expect(server.open()[0]?.path).toContain('/areas/11/samples/named');
        expect(server.open()[0]?.body).toMatchObject({
            zone: 'mid',
            from: 'hex',
            hex: '#6b1c2a',
            areaId: null,
            shift: null,
        });
        await answered(201, []);
        await press(screen.getByText('Belt').closest('button'));
        await press(screen.getByRole('radio', { name: /^mid/ }));
        expect(screen.getByText(/Set without a picture: lighter by 10 than Cloak, mid\./)).toBeTruthy();
    });

    it('of an eye are those of white, iris and pupil', () => {
        page([], [{ ...area(11, 'Eye'), form: 'eye' }]);
        expect(screen.getAllByRole('radio', { name: /no colour yet/ }).map((zone) => zone.textContent)).toEqual([
            'pupil',
            'iris',
            'white',
        ]);
    });

    it('ask for a picture and for areas where there are none', () => {
        page([], []);
        expect(screen.getByText(/No reference yet/)).toBeTruthy();
        expect(screen.getByText('Name them in the brief').getAttribute('href')).toBe('/figures/3/brief');
    });

    it('show what was taken of a zone, with what is odd about it, and take it back', async () => {
        page([picture()], [area(11, 'Cloak', [sample('mid', { doubt: 'This looks like a highlight.' })])]);
        expect(screen.getByText('mid grey')).toBeTruthy();
        expect(screen.getByText('This looks like a highlight.')).toBeTruthy();
        expect(document.body.textContent).toMatch(/From 1.234 pixels, spread 2.1/);
        await press(screen.getByText('Remove'));
        expect(server.asked[0]).toMatchObject({ method: 'DELETE', path: '/figures/3/areas/11/samples/mid' });
        await answered(200);
        expect(router.reload).toHaveBeenCalledWith({ only: ['areas', 'figure'] });
    });

    it('go to the first zone without a colour when another area is chosen', async () => {
        page([picture()], [area(11, 'Cloak'), area(12, 'Belt', [sample('recess'), sample('shade')])]);
        fireEvent.keyDown(document.body, { key: '5' });
        expect(screen.getByRole('radio', { name: /^edge/ }).getAttribute('aria-checked')).toBe('true');
        await press(screen.getByRole('button', { name: 'Belt' }));
        expect(screen.getByRole('radio', { name: /^mid/ }).getAttribute('aria-checked')).toBe('true');
        fireEvent.keyDown(document.body, { key: 'l' });
        expect(screen.queryByText('Spot size')).toBeNull();
        fireEvent.keyDown(document.body, { key: 'k' });
        expect(screen.getByText('Stroke width')).toBeTruthy();
    });

    it('are removed only when that is said twice', async () => {
        page([picture(), picture({ id: 9, title: 'Rope' })], [area(11, 'Cloak')]);
        await press(screen.getByAltText('Rope'));
        await press(screen.getByLabelText('Remove Rope'));
        expect(server.asked).toHaveLength(0);
        await press(screen.getByText('Remove with its samples'));
        expect(server.asked[0]).toMatchObject({ method: 'DELETE', path: '/figures/3/pictures/9' });
    });
});

describe('a photo of the painted piece', () => {
    function compared(id: number, name: string, change: Partial<ComparedAreaProps> = {}): ComparedAreaProps {
        return { areaId: id, name, tolerance: 3, zones: [], mean: null, worst: null, isWithin: null, ...change };
    }

    const page = (photos: PictureProps[], areas: ComparedAreaProps[]) =>
        render(
            <ComparePage
                figure={figure()}
                photos={photos}
                photoId={photos[0]?.id ?? null}
                references={[picture()]}
                areas={areas}
                corrections={[]}
                lessons={[]}
                onMesh={false}
            />,
        );
    const neutral = {
        method: 'grey',
        points: [],
        others: [],
        reflectance: null,
        words: 'grey card',
        typical: 1.5,
        residuals: [],
    };
    const photo = picture({ id: 20, title: 'Evening photo', neutral });

    it('is asked for where there is none', () => {
        page([], [compared(11, 'Cloak')]);
        expect(screen.getByText(/No photo of the painted piece yet/)).toBeTruthy();
    });

    it('not white-balanced yet opens at that question', () => {
        page([{ ...photo, neutral: null }], [compared(11, 'Cloak')]);
        expect(screen.getByText('Photo: white-balance')).toBeTruthy();
        expect(screen.getByRole('heading', { name: 'Evening photo' })).toBeTruthy();
    });

    it('is read where the reference was, in one press', async () => {
        page([photo], [compared(11, 'Cloak')]);
        await press(screen.getByText('As on Harbour at dusk'));
        expect(server.asked[0]).toMatchObject({ method: 'POST', body: { referenceId: 8 } });
        await answered(422, { message: 'The areas have no samples on it.' });
        expect(screen.getByText('The areas have no samples on it.')).toBeTruthy();
    });

    it('gives a verdict over all areas, and opens at the one that is farthest off', () => {
        page(
            [photo],
            [
                compared(11, 'Cloak', { mean: 2, worst: 2.5, isWithin: true }),
                compared(12, 'Belt', { mean: 6, worst: 9, isWithin: false }),
            ],
        );
        expect(screen.getByText(/\(CIEDE2000\) over 2 areas/).textContent).toBe(
            '4.0 average ΔE (CIEDE2000) over 2 areas; 1 area out of tolerance. Worst: Belt, 9.0 in one zone.',
        );
        expect(screen.getByRole('region', { name: 'Belt' })).toBeTruthy();
        expect(server.asked[0]?.path).toContain('/12/');
    });
});

describe('the figures of a batch', () => {
    const cloak: ConsistencyProps = {
        areaId: 11,
        area: 'Cloak',
        readings: [
            { copy: 1, method: 'reader', colour: colour(), difference: 0.6 },
            { copy: 2, method: 'reader', colour: colour(), difference: 5.1 },
        ],
        planned: colour(),
        spread: 2.8,
        words: 'visible',
        outlier: 2,
        remedy: 'one thin glaze more.',
    };

    it('are read one after the other, and the one that stands out is named', async () => {
        render(<PiecesPage figure={figure()} runId={5} runNumber={1} copies={2} areas={[cloak]} />);
        expect(screen.getByText(/Figure 2, Cloak: one thin glaze more/)).toBeTruthy();
        await press(screen.getByText('Read all 2'));
        expect(server.asked[0]?.body).toMatchObject({ areaId: 11, copy: 1 });
        expect(screen.getByText('Reading Cloak, figure 1.')).toBeTruthy();
        await answered(200);
        expect(server.asked[1]?.body).toMatchObject({ copy: 2 });
        await answered(422, { message: 'The reader is busy.' });
        expect(screen.getByText('The reader is busy.')).toBeTruthy();
        expect(router.reload).toHaveBeenCalledOnce();
        expect(screen.getByText('Read all 2').hasAttribute('disabled')).toBe(false);
    });
});

describe('a run beside its recipe', () => {
    const layers = [layer('a', { technique: 'wash' })];
    const one: ComparedRunAreaProps = {
        id: 11,
        name: 'Cloak',
        left: section(),
        right: section(),
        leftLayers: layers,
        rightLayers: layers,
        changed: ['a'],
        differences: [0.2, 3.4, 0, 0, 0],
    };

    it('shows the areas that differ, and becomes the recipe when the painter says so', async () => {
        const props = { figure: figure(), runId: 5, runNumber: 2, otherNumber: null, others: [{ id: 4, number: 1 }] };
        render(<BesidePage {...props} areas={[one, { ...one, id: 12, name: 'Belt', changed: [] }]} />);
        const shown = within(screen.getByRole('region', { name: 'Cloak' }));
        expect(shown.getByText('1 layer differs')).toBeTruthy();
        expect(shown.getByText('3.4').tagName).toBe('STRONG');
        expect(screen.getByText(/Same as the recipe: Belt/)).toBeTruthy();
        await press(screen.getByText('Make this run the recipe'));
        expect(server.asked[0]).toMatchObject({ method: 'POST', path: '/runs/5/adopt' });
        await answered(200);
        expect(router.reload).toHaveBeenCalledOnce();
    });

    it('that is another run is no recipe to go back to', () => {
        const props = { figure: figure(), runId: 5, runNumber: 2, otherNumber: 1, others: [{ id: 4, number: 1 }] };
        render(<BesidePage {...props} areas={[{ ...one, changed: [] }]} />);
        expect(screen.getByText('No differences.')).toBeTruthy();
        expect(screen.getByText('Make this run the recipe').hasAttribute('disabled')).toBe(true);
    });
});

describe('the finish of an area', () => {
    const page = (layers = [layer('a')], pots = [{ ...pot(1), isMixed: true }]) =>
        render(
            <FinishesPage
                figure={figure()}
                areas={[area(7, 'Cloak')]}
                area={areaFinish(1, layers)}
                pots={pots}
                techniques={[technique({ technique: 'layer', usualZones: ['mid'] }), technique()]}
            />,
        );

    it('without layers, or with an empty shelf, says what to do next', () => {
        page([], []);
        expect(screen.getByText('Fill the shelf')).toBeTruthy();
    });

    it('takes another layer by key, on top, and saves it a moment later', async () => {
        vi.useFakeTimers();
        page([]);
        expect(screen.getByText(/No layers yet/)).toBeTruthy();
        fireEvent.keyDown(document.body, { key: 'n' });
        await act(() => vi.advanceTimersByTimeAsync(3000));
        vi.useRealTimers();
        const saved = server.asked.find((question) => question.method === 'PUT');
        expect(saved?.body).toMatchObject({ version: 1, layers: [{ technique: 'layer', zones: ['mid'] }] });
    });

    it('of a figure without areas leads to the brief', () => {
        render(<FinishesPage figure={figure()} areas={[]} area={null} pots={[]} techniques={[]} />);
        expect(screen.getByText('name them in the brief').getAttribute('href')).toBe('/figures/3/brief');
        expect(screen.getByText('Propose areas from a picture').getAttribute('href')).toBe('/figures/3/references');
    });
});
