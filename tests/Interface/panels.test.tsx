import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { LayerEditor } from '@/features/finish/layer-editor';
import { Advice } from '@/features/suggestions/suggestions';
import { Lessons } from '@/pages/compare/lessons';
import { TouchUpAdvice } from '@/pages/compare/touch-up';
import CupPage from '@/pages/cups/show';
import { Areas } from '@/pages/light/areas';
import { Files } from '@/pages/light/files';
import { Sprays } from '@/pages/light/sprays';
import { Tools } from '@/pages/light/tools';
import ProposalsPage from '@/pages/proposals/index';
import type {
    CorrectionProps,
    LightProps,
    LitAreaProps,
    MeshProps,
    ProposalProps,
    SprayProps,
    SuggestionsProps,
    TouchUpProps,
} from '@/types/generated';
import { forget, router } from './inertia';
import { colour, cup, figure, layer, pot, section, technique } from './made-up';
import { answer, fakeServer, press, settled } from './server';

let server: ReturnType<typeof fakeServer>;

beforeEach(() => {
    forget();
    localStorage.clear();
    server = fakeServer();
});

const answered = (status: number, body: unknown = {}) => answer(server, status, body);

describe('proposals for an area', () => {
    const proposal: ProposalProps = {
        kind: 'translucent' as ProposalProps['kind'],
        layers: [layer('a', { technique: 'base coat' }), layer('b', { technique: 'wash' })],
        grown: [false, false],
        section: section(),
        total: 2.1,
        worst: 4.4,
        cups: 2,
        pots: [],
        minutes: 64,
        runningOut: [],
        lacks: ['a lighter blue'],
    };

    const page = (areaId: number | null = 11) =>
        render(
            <ProposalsPage
                search={null}
                figure={figure()}
                areas={[
                    {
                        id: 11,
                        partId: null,
                        partName: null,
                        name: 'Cloak',
                        wish: null,
                        samples: [],
                        layers: 3,
                        liesOnId: null,
                        tolerance: null,
                        sheen: null,
                        form: 'light and shade' as const,
                        squareCm: null,
                        seen: 'abc',
                    },
                ]}
                areaId={areaId}
                version={areaId === null ? null : 6}
                pots={[pot(1)]}
            />,
        );

    it('are waited for, say how near they come and with what work, and are adopted whole', async () => {
        page();
        expect(screen.getByText('Calculating finishes for Cloak')).toBeTruthy();
        expect(server.asked[0]).toMatchObject({ method: 'POST', body: { brushOnly: false, only: null } });
        await answered(200, { proposals: [proposal], beyond: null });
        expect(screen.getByText(/on average, 4.4 at most/)).toBeTruthy();
        expect(screen.getByText(/2 layers, 2 cups, .*about 64 min at the bench \(estimate\)/)).toBeTruthy();
        expect(screen.getByText(/Out of reach: a lighter blue/)).toBeTruthy();
        await press(screen.getByLabelText(/^Adopt: /));
        expect(server.asked[1]).toMatchObject({ method: 'PUT', body: { version: 6 } });
        expect((server.asked[1]?.body as { layers: unknown[] }).layers).toHaveLength(2);
        await answered(200);
        expect(router.visit).toHaveBeenCalledWith('/figures/3/finishes/11');
    });

    it('give one layer to the finish that is there', async () => {
        page();
        await answered(200, { proposals: [proposal], beyond: null });
        await press(screen.getByLabelText('only this layer: wash'));
        expect(server.asked[1]).toMatchObject({ method: 'GET' });
        await answered(200, [layer('old')]);
        const sent = server.asked[2]?.body as { layers: { technique: string }[] };
        expect(sent.layers.map((l) => l.technique)).toEqual(['layer', 'wash']);
        await answered(409, { message: 'Changed.' });
        expect(screen.getByText(/was changed elsewhere/)).toBeTruthy();
    });

    it('are asked for anew with a brush only', async () => {
        page();
        await press(screen.getByText('brush only'));
        expect(server.open()).toHaveLength(1);
        expect(server.open()[0]?.body).toMatchObject({ brushOnly: true });
        await answered(422, { message: 'This area has no colour to aim at.' });
        expect(screen.getByText('This area has no colour to aim at.')).toBeTruthy();
    });

    it('say what one more pot would bring', async () => {
        page();
        await answered(200, { proposals: [], beyond: null });
        await press(screen.getByText('Try one more pot'));
        await answered(200, { colour: colour([60, 10, 10], 'pale red'), zone: 'light', before: 4, after: 1.5 });
        expect(screen.getByText(/An opaque pale red, for the light, would improve the best from ΔE 4.0/)).toBeTruthy();
    });
});

describe('the smallest fix of a painted area', () => {
    const found: TouchUpProps = {
        layer: layer('fix', { technique: 'glaze', coats: 2 }),
        before: 5.2,
        after: 2.4,
        wanted: [colour()],
        colours: [colour()],
        startOver: false,
        isWithin: true,
        version: 6,
        runId: null,
    };

    it('is searched for, shown with what it would make, and added on top', async () => {
        render(<TouchUpAdvice figureId={3} areaId={11} photoId={8} />);
        expect(screen.getByRole('status').textContent).toContain('Searching');
        await answered(200, found);
        expect(screen.getByText('Glaze, 2 coats')).toBeTruthy();
        expect(screen.getByText(/From 5.2 to about/).textContent).toContain('2.4 (estimate), within tolerance.');
        await press(screen.getByText('Add this layer to the finish'));
        await answered(200, [layer('old')]);
        expect(server.asked[2]).toMatchObject({ method: 'PUT', body: { version: 6 } });
        await answered(409, { message: 'x' });
        expect(screen.getByText(/was changed elsewhere/)).toBeTruthy();
    });

    it('is none where nothing has to be done, or nothing helps', async () => {
        const { unmount } = render(<TouchUpAdvice figureId={3} areaId={11} photoId={8} />);
        await answered(200, { ...found, layer: null, before: 1.2 });
        expect(screen.getByText('Nothing to do: ΔE 1.2 is within tolerance.')).toBeTruthy();
        unmount();
        render(<TouchUpAdvice figureId={3} areaId={11} photoId={9} />);
        await answered(200, { ...found, layer: null, isWithin: false });
        expect(screen.getByText(/No single layer from this shelf improves on ΔE 5.2/)).toBeTruthy();
    });
});

describe('what photos taught', () => {
    const one: CorrectionProps = {
        id: 4,
        potName: 'Peat',
        hex: '#443322',
        correctedHex: '#554433',
        technique: 'wash',
        seen: 3,
        difference: 2.2,
        words: ['lighter'],
        isTaken: false,
    };

    it('is used only when it is taken, and can be given back', async () => {
        const { rerender } = render(<Lessons corrections={[one]} lessons={[]} onTogether={null} onLearn={null} />);
        expect(screen.getByText(/came out lighter/).textContent).toContain('2.2 on average, 3 zones');
        await press(screen.getByText('Apply'));
        expect(server.asked[0]).toMatchObject({ method: 'PATCH', body: { taken: true } });
        rerender(<Lessons corrections={[{ ...one, isTaken: true }]} lessons={[]} onTogether={null} onLearn={null} />);
        await press(screen.getByText('Applied'));
        expect(server.asked[1]).toMatchObject({ body: { taken: false } });
    });

    it('of all pots and techniques together is undone in one press', async () => {
        const together = vi.fn();
        const lesson = { id: 31, words: ['Chalk White: 12 % weaker, known 40 % better.'], isUndone: false };
        render(<Lessons corrections={[]} lessons={[lesson]} onTogether={together} onLearn={null} />);
        await press(screen.getByText('Update pots and technique'));
        expect(together).toHaveBeenCalledOnce();
        expect(screen.getByText(/12 % weaker/)).toBeTruthy();
        await press(screen.getByText('Undo'));
        expect(server.asked[0]).toMatchObject({ method: 'DELETE', path: '/lessons/31' });
    });

    it('is learned from a photo only where there is one', async () => {
        const learn = vi.fn();
        const { rerender } = render(<Lessons corrections={[]} lessons={[]} onTogether={null} onLearn={null} />);
        expect(screen.queryByText('Compare prediction and photo')).toBeNull();
        rerender(<Lessons corrections={[]} lessons={[]} onTogether={null} onLearn={learn} />);
        await press(screen.getByText('Compare prediction and photo'));
        expect(learn).toHaveBeenCalledOnce();
    });
});

describe('suggestions for a layer', () => {
    const advice: SuggestionsProps = {
        drift: 'straight',
        setting: { coats: 2, thinner: 1, colour: colour(), difference: 0.8, likeness: 'close' },
        undercoats: [{ name: 'Chalk primer', hex: '#eeeeee', colour: colour(), coats: 3, difference: 1.4 }],
        ramp: [
            { step: -1, added: [], mix: [{ ...pot(1), paintId: 1, drops: 2 }], colour: colour() },
            { step: 2, added: [], mix: [{ ...pot(2), paintId: 2, drops: 1 }], colour: colour() },
        ],
    };

    it('are applied as they were shown', async () => {
        vi.useFakeTimers();
        const setting = vi.fn();
        const added = vi.fn();
        render(
            <Advice figureId={3} areaId={11} layers={[]} index={0} zone="mid" onSetting={setting} onLayer={added} />,
        );
        await act(() => vi.advanceTimersByTimeAsync(160));
        vi.useRealTimers();
        await answered(200, advice);
        expect(screen.getByText('Chalk primer').closest('li')?.textContent).toContain('3 coats, ΔE 1.4');
        await press(screen.getByText('Apply'));
        expect(setting).toHaveBeenCalledWith(2, 1);
        const [shade, light] = screen.getAllByText('Add as a layer');
        await press(shade);
        expect(added).toHaveBeenLastCalledWith(advice.ramp[0]?.mix, ['recess', 'shade']);
        await press(light);
        expect(added).toHaveBeenLastCalledWith(advice.ramp[1]?.mix, ['edge']);
    });
});

describe('a layer in the hand', () => {
    it('changes by drops, coats, thinner and note, and never loses its last drop', async () => {
        const changed = vi.fn();
        const drops = { ...pot(1), paintId: 1, drops: 1 };
        render(
            <LayerEditor
                form="gradient"
                layer={layer('a', { technique: 'wash', thinner: 2, mix: [drops] })}
                pots={[pot(2)]}
                techniques={[technique({ ownHand: true })]}
                isFirst
                isLast={false}
                dryMinutes={30}
                onChange={changed}
                onTechnique={vi.fn()}
                onMove={vi.fn()}
                onRemove={vi.fn()}
            />,
        );
        expect(screen.getByText(/comes from your test chips/)).toBeTruthy();
        expect(screen.getByText(/no longer on the shelf/)).toBeTruthy();
        expect(screen.getByLabelText('Take a drop of Pot 1').hasAttribute('disabled')).toBe(true);
        expect(screen.getByLabelText('Move this layer down').hasAttribute('disabled')).toBe(true);
        await press(screen.getByLabelText('Add a drop of Pot 1'));
        expect(changed).toHaveBeenLastCalledWith({ mix: [{ ...drops, drops: 2 }] });
        fireEvent.change(screen.getByLabelText('Note'), { target: { value: 'wet palette' } });
        expect(changed).toHaveBeenLastCalledWith({ note: 'wet palette' });
        await press(screen.getByText('tip'));
        expect(changed).toHaveBeenLastCalledWith({ zones: ['mid', 'edge'] });
    });
});

describe('a cup', () => {
    const filled = cup({
        parts: [{ pot: pot(1), millilitres: 0.15, share: 1, drops: 3 }],
        recipeDrops: 3,
        recipeError: 0.04,
        entries: [
            { key: 'k1', act: 'add', pot: 'Pot 1', millilitres: 0.05, undone: false, at: '2026-01-01T10:00:00Z' },
            { key: 'k2', act: 'add', pot: 'Pot 1', millilitres: 0.1, undone: true, at: '2026-01-01T09:00:00Z' },
        ],
    });

    it('says its recipe with its error, and takes drops and undoes them by key', async () => {
        render(<CupPage cup={filled} pots={[pot(1)]} />);
        expect(screen.getByText(/off by 4 % of the cup at most/)).toBeTruthy();
        fireEvent.keyDown(document.body, { key: '+' });
        await act(settled);
        expect(server.asked[0]).toMatchObject({ method: 'POST', body: { act: 'add', paintId: 1, drops: 1 } });
        fireEvent.keyDown(document.body, { key: 'z' });
        await act(settled);
        expect(server.asked[1]).toMatchObject({ method: 'PATCH', body: { undone: true } });
        await press(within(screen.getByRole('region', { name: 'History' })).getByText('restored'));
        expect(server.asked[2]).toMatchObject({ method: 'PATCH', body: { undone: false } });
    });

    it('is mixed again in another amount, and emptied', async () => {
        render(<CupPage cup={filled} pots={[pot(1)]} />);
        await press(screen.getByText('In a new cup'));
        expect(server.asked[0]).toMatchObject({ method: 'POST', body: { millilitres: 1 } });
        await answered(201, cup({ id: 9 }));
        expect(router.visit).toHaveBeenCalledWith('/cups/9');
        await press(screen.getByText('Emptied'));
        expect(server.asked[1]).toMatchObject({ method: 'DELETE', path: '/cups/5' });
    });
});

describe('the light on a mesh', () => {
    const area: LitAreaProps = {
        id: 11,
        name: 'Cloak',
        part: null,
        cm2: 12.34,
        exposure: 0.42,
        shares: [0.1, 0.2, 0.4, 0.2, 0.1],
        isGradient: false,
        gradient: null,
        advice: ['Little spray: it stays dark.'],
        rows: [['#111111', '#222222', '#333333', '#444444', '#555555']],
    };
    const spray: SprayProps = {
        technique: 'zenithal spray',
        elevation: 60,
        side: 0,
        spread: 30,
        passes: 1,
        luminance: 0.8,
        distance: null,
        aim: null,
    };
    const light: LightProps = {
        up: '+z',
        front: '-y',
        heightMm: null,
        sprays: [spray, { ...spray, technique: 'spray from below', elevation: -90, passes: 0 }],
        hitsPerPass: 1.2,
        beneath: 0.02,
        lighting: null,
        isStale: false,
        dataUrl: '/light/1.bin',
        areasUrl: '/light/1.areas',
        triangles: 1000,
        sizeMm: 75,
        noAreaCm2: 0,
        insideCm2: 0,
        areas: [area],
        borders: [],
        apart: [],
        camera: null,
        stillUrl: null,
        edges: 1,
        grooves: 1,
        canUndo: false,
        lastAct: null,
        canRedo: false,
        isMeasured: true,
        task: null,
    };
    const mesh: MeshProps = {
        id: 2,
        partId: null,
        title: 'body.stl',
        triangles: 1000,
        sizeMm: [20, 20, 75],
        unitMm: 1,
        areaCm2: 40,
        volumeCm3: 20,
        shells: 2,
        openEdges: 0,
        remarks: ['It is hollow.'],
        findings: [
            { kind: 'supports', words: '8 pieces look like supports.', act: 'Leave out', isMended: false },
            { kind: 'inner walls', words: 'Inner walls are left out.', act: 'Put back', isMended: true },
        ],
        move: [0, 0, 0],
        rotation: [0, 0, 0, 1],
        mirror: false,
        isJoined: true,
        ontoId: null,
        bareUrl: '/bare',
    };

    it('is read area by area', async () => {
        const chosen = vi.fn();
        const empty = { ...area, id: 12, name: 'Belt', cm2: null, exposure: null, shares: [], advice: [] };
        render(
            <Areas
                figure={figure()}
                light={{ areas: [area, empty], isMeasured: true }}
                chosen={null}
                onChoose={chosen}
            />,
        );
        expect(screen.getByText('12.3').closest('tr')?.textContent).toContain('42');
        expect(screen.getByRole('img').getAttribute('aria-label')).toBe('10, 20, 40, 20, 10');
        expect(screen.getByText('not on the mesh')).toBeTruthy();
        await press(screen.getByText('Belt'));
        expect(chosen).toHaveBeenCalledWith(12);
    });

    it('is set by spray: how often, how wide, from where', async () => {
        const set = vi.fn();
        const props = { light, onShow: vi.fn(), onSet: set, onAim: vi.fn() };
        const { rerender } = render(<Sprays {...props} shown={0} />);
        await press(screen.getByText('3'));
        expect(set).toHaveBeenLastCalledWith('zenithal spray', { passes: 3 });
        expect(screen.getByText(/side 0°/)).toBeTruthy();
        await press(screen.getByLabelText('from a place near by'));
        expect(set).toHaveBeenLastCalledWith('zenithal spray', { distance: 150 });
        await press(screen.getByText('Point it'));
        expect(props.onAim).toHaveBeenCalledWith('zenithal spray');
        await press(screen.getByLabelText('from a place near by'));
        expect(set).toHaveBeenLastCalledWith('zenithal spray', { distance: null, aim: null });
        rerender(<Sprays {...props} shown={1} />);
        // Straight from below there is no side to come from.
        expect(screen.queryByText(/side 0°/)).toBeNull();
        await press(screen.getByText(/^From above x 1/));
        expect(props.onShow).toHaveBeenCalledWith(0);
    });

    const acts = {
        hand: 'look' as const,
        take: vi.fn(),
        held: null,
        choose: vi.fn(),
        marks: [],
        pick: vi.fn(),
        put: vi.fn(),
        mend: vi.fn(),
        fits: 0,
        fit: null,
        undo: null,
        redo: null,
    };

    it('follows how a file stands and mirrors, and turns it at its joint', async () => {
        const posing = { ...acts, change: vi.fn(), turnAtJoint: vi.fn(), mend: vi.fn() };
        render(
            <Files
                figure={figure()}
                meshes={[mesh]}
                parts={[]}
                light={light}
                uploads={[]}
                onSettings={vi.fn()}
                posing={posing}
                onArriving={vi.fn()}
            />,
        );
        expect(screen.getByText(/20.0 x 20.0 x 75.0 mm, 40.0 cm², 2 pieces/)).toBeTruthy();
        expect(screen.getByText('It is hollow.')).toBeTruthy();
        await press(screen.getByText('Leave out'));
        expect(posing.mend).toHaveBeenLastCalledWith(mesh.id, 'supports', true);
        await press(screen.getByText('Put back'));
        expect(posing.mend).toHaveBeenLastCalledWith(mesh.id, 'inner walls', false);
        await press(screen.getByLabelText('mirrored'));
        expect(posing.change).toHaveBeenLastCalledWith(mesh.id, { mirror: true });
        fireEvent.blur(screen.getByLabelText('y, mm'), { target: { value: '2,5' } });
        expect(posing.change).toHaveBeenLastCalledWith(mesh.id, { move: [0, 2.5, 0] });
        fireEvent.blur(screen.getByLabelText('turn by, °'), { target: { value: '30' } });
        await press(screen.getByLabelText('Turn body.stl about x'));
        expect(posing.change).toHaveBeenLastCalledWith(mesh.id, { turnBy: { axis: 'x', degrees: 30 } });
        await press(screen.getByText('+15°'));
        expect(posing.turnAtJoint).toHaveBeenCalledWith(mesh.id, 15);
        await press(screen.getByText('Detach'));
        expect(posing.change).toHaveBeenLastCalledWith(mesh.id, { detach: true });
        await press(screen.getByLabelText('Remove body.stl'));
        expect(server.asked[0]).toMatchObject({ method: 'DELETE' });
        await answered(422, { message: 'It is being computed.' });
        expect(screen.getByText('It is being computed.')).toBeTruthy();
    });

    it('is divided by tools that say what they need', async () => {
        const props = {
            areas: [area],
            area: 11,
            onArea: vi.fn(),
            onTool: vi.fn(),
            size: { crease: 8, brush: 2 },
            onSize: vi.fn(),
            onDivide: vi.fn(),
            line: 0,
            onClose: vi.fn(),
            onGrow: vi.fn(),
            onMirror: vi.fn(),
            onGradient: vi.fn(),
            onForget: vi.fn(),
            insideCm2: 4.25,
            isBusy: false,
            onPropose: vi.fn(),
            onUndo: vi.fn(),
            onRedo: null,
        };
        const { rerender } = render(<Tools {...props} tool="look" seeds={[]} noAreaCm2={3.2} />);
        expect(screen.getByText(/4.3 cm² lie inside the figure/)).toBeTruthy();
        await press(screen.getByText('Propose areas'));
        expect(props.onPropose).toHaveBeenCalledOnce();
        await press(screen.getByText('Undo'));
        expect(props.onUndo).toHaveBeenCalledOnce();
        expect(screen.getByText('Redo').hasAttribute('disabled')).toBe(true);
        await press(screen.getByText('brush'));
        expect(props.onTool).toHaveBeenCalledWith('brush');
        await press(screen.getByText('Shrink'));
        expect(props.onGrow).toHaveBeenLastCalledWith(-1);
        await press(screen.getByText('Other side too'));
        expect(props.onMirror).toHaveBeenCalledOnce();
        rerender(<Tools {...props} tool="lasso" line={3} seeds={[]} noAreaCm2={0} />);
        await press(screen.getByText('Close the line'));
        expect(props.onClose).toHaveBeenCalledOnce();
        const seeds = [
            { at: [0, 0, 0] as [number, number, number], areaId: 11 },
            { at: [1, 0, 0] as [number, number, number], areaId: 12 },
        ];
        rerender(<Tools {...props} tool="seeds" seeds={seeds.slice(0, 1)} noAreaCm2={0} />);
        expect(screen.getByText('Split between 1 area').hasAttribute('disabled')).toBe(true);
        expect(screen.queryByText('Propose areas')).toBeNull();
        rerender(<Tools {...props} tool="seeds" seeds={seeds} noAreaCm2={0} />);
        await press(screen.getByText('Split between 2 areas'));
        await press(screen.getByText('Clear 2'));
        expect([props.onDivide.mock.calls.length, props.onForget.mock.calls.length]).toEqual([1, 1]);
    });
});
