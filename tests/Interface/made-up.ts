import type {
    BuildProps,
    FigureProps,
    OrderProps,
    OrderStepProps,
    AreaFinishProps,
    ColourProps,
    CupProps,
    LayerProps,
    PaintProps,
    PictureProps,
    PotFieldProps,
    PotProps,
    RunProps,
    RunStepProps,
    SectionProps,
    TaskProps,
    TechniqueProps,
} from '@/types/generated';

/** Records as the server gives them, with nothing in them that a test does not name. */
export function colour(lab: [number, number, number] = [50, 0, 0], name = 'grey'): ColourProps {
    return { hex: '#777777', lab, name, outOfGamut: false };
}

export function pot(id: number): PotProps {
    return { id, maker: 'Tallow', name: `Pot ${id}`, hex: '#334455', isMixed: false, onShelf: true, dropMl: 0.05 };
}

export function layer(key: string, change: Partial<LayerProps> = {}): LayerProps {
    return { key, technique: 'layer', zones: ['mid'], thinner: 1, coats: 1, mix: [], note: null, ...change };
}

export function technique(change: Partial<TechniqueProps> = {}): TechniqueProps {
    return {
        technique: 'wash',
        usualZones: ['recess', 'shade'],
        usualThinner: 2,
        dryingMinutes: 30,
        instruction: 'Let it flow.',
        ownHand: false,
        potId: null,
        ...change,
    };
}

export function section(start = 'black'): SectionProps {
    return { start, rows: [], matches: [], spreads: [], help: null };
}

export function areaFinish(version: number, layers: LayerProps[] = []): AreaFinishProps {
    return {
        id: 7,
        name: 'Cloak',
        wish: null,
        version,
        layers,
        section: section(),
        samples: [],
        sheen: 'matt',
        darkest: 11.96,
        form: 'light and shade',
    };
}

export function paint(id: number, { described, ...change }: Partial<PaintProps> = {}): PaintProps {
    const known: Omit<PaintProps, 'described'> = {
        id,
        maker: 'Tallow',
        name: `Paint ${id}`,
        kind: 'acrylic',
        sheen: 'matt',
        levelPercent: 100,
        thickHex: '#777777',
        thick: colour(),
        overBlack: colour(),
        overWhite: colour(),
        opacity: '2',
        strength: 'usual',
        quality: 'estimated',
        coatsToHide: 2,
        note: null,
        isMixed: false,
        isFlake: false,
        flopHex: null,
        version: 1,
        ...change,
    };
    const { maker, name, kind, thickHex, flopHex, opacity, levelPercent, note } = known;
    return {
        ...known,
        described: {
            maker,
            name,
            kind,
            thickHex,
            flopHex,
            tintHex: null,
            opacity,
            levelPercent,
            note,
            ...described,
        },
    };
}

export function runStep(id: number, change: Partial<RunStepProps> = {}): RunStepProps {
    return {
        id,
        position: id,
        stepKey: `step ${id}`,
        kind: 'brush',
        partName: null,
        areaName: 'Cloak',
        areaNames: ['Cloak'],
        partIds: [],
        areaIds: [],
        technique: 'layer',
        title: 'Layer',
        instruction: '',
        zones: ['mid'],
        form: 'light and shade',
        thinner: 1,
        coats: 1,
        plannedMix: [{ paintId: 1, maker: 'Tallow', name: 'Peat', hex: '#443322', drops: 2, dropMl: 0.05 }],
        plannedColours: {},
        minutes: 10,
        usedMinutes: null,
        dryingMinutes: 5,
        mostMinutes: null,
        state: 'open',
        usedMix: null,
        usedCoats: null,
        usedDrops: null,
        need: null,
        note: null,
        skipReason: null,
        doneAt: null,
        lastTime: null,
        cautions: [],
        tool: null,
        pressurePsi: null,
        photos: [],
        isInserted: false,
        verdict: null,
        wentOnWet: false,
        cup: null,
        isFromCan: false,
        cleaner: 'water',
        copy: null,
        version: 1,
        ...change,
    };
}

export function run(steps: RunStepProps[]): RunProps {
    return {
        id: 3,
        number: 1,
        repeatsNumber: null,
        copies: 1,
        batchMode: 'step by step',
        begunAt: '2026-01-01T10:00:00Z',
        steps,
    };
}

export function cup(change: Partial<CupProps> = {}): CupProps {
    return {
        id: 5,
        name: 'Skin',
        place: null,
        stepUrl: null,
        millilitres: 0,
        parts: [],
        recipeDrops: 0,
        recipeError: 0,
        wet: null,
        dry: null,
        overBlack: null,
        overWhite: null,
        quality: null,
        target: null,
        difference: null,
        likeness: null,
        openedAt: '2026-01-01T10:00:00Z',
        potLifeMinutes: 120,
        emptied: false,
        entries: [],
        ...change,
    };
}

function potField(
    key: string,
    label: string,
    type: PotFieldProps['type'],
    change: Partial<PotFieldProps> = {},
): PotFieldProps {
    return { key, label, type, choices: [], least: null, most: null, isRequired: false, default: null, ...change };
}

export const POT_FIELDS: PotFieldProps[] = [
    potField('maker', 'Maker', 'text', { most: 80, isRequired: true }),
    potField('name', 'Name', 'text', { most: 80, isRequired: true }),
    potField('kind', 'Kind', 'choice', { choices: ['acrylic', 'metal flake', 'varnish'], default: 'acrylic' }),
    potField('thickHex', 'Colour when thick', 'colour', { isRequired: true }),
    potField('flopHex', 'Colour from the side', 'colour'),
    potField('tintHex', 'Tint of one clear coat on white', 'colour'),
    potField('opacity', 'Coats to opaque', 'choice', { choices: ['1', '2', '3', '5', 'wash'], default: '2' }),
    potField('levelPercent', 'Level', 'whole', { least: 0, most: 100, default: '100' }),
    potField('note', 'Note', 'note', { most: 2000 }),
];

export function figure(change: Partial<FigureProps> = {}): FigureProps {
    return {
        id: 3,
        name: 'Heron keeper',
        sculptor: null,
        heightMm: 75,
        copies: 1,
        about: null,
        bareHex: '#8a8a8a',
        light: 'D65',
        sheen: 'matt',
        uses: [],
        version: 4,
        stages: [
            { name: 'Brief', url: '/figures/3/brief', state: '2 areas', current: false },
            { name: 'Order', url: null, state: 'no finish yet', current: false },
        ],
        isBegun: false,
        isGuided: false,
        guide: null,
        ...change,
    };
}

export function orderStep(id: string, change: Partial<OrderStepProps> = {}): OrderStepProps {
    return {
        id,
        kind: 'brush',
        words: `brush ${id}`,
        partIds: ['1'],
        areaNames: ['Cloak'],
        minutes: 20,
        dryMinutes: 15,
        hexes: [],
        cautions: [],
        cleaner: 'water',
        tool: 'brush',
        ...change,
    };
}

export function order(steps: OrderStepProps[], change: Partial<OrderProps> = {}): OrderProps {
    return {
        steps,
        rules: [],
        unmet: [],
        masks: [],
        issues: [],
        handsOnMinutes: 20 * steps.length,
        maskMinutes: 0,
        maskMm: 0,
        estimatedMm: 0,
        cost: 0,
        canBePainted: true,
        workSteps: steps.length,
        ...change,
    };
}

export function build(change: Partial<BuildProps> = {}): BuildProps {
    const area = (id: number, name: string) => ({
        id,
        name,
        partId: 1,
        depth: 0,
        squareCm: null,
        estimatedCm2: 6.5,
        isHidden: false,
        isLeftBare: false,
        reach: 'open' as const,
    });
    return {
        parts: [1, 2].map((id) => ({
            id,
            name: id === 1 ? 'Body' : 'Wing',
            process: 'resin',
            isBase: false,
            isFiddly: false,
            gritFrom: null,
            gritTo: null,
            sandingRounds: null,
            attachments: null,
        })),
        areas: [area(11, 'Cloak'), area(12, 'Belt')],
        joints: [],
        boundaries: [],
        ownRules: [],
        ownSteps: [],
        ...change,
    };
}

export function picture(change: Partial<PictureProps> = {}): PictureProps {
    return {
        id: 8,
        title: 'Harbour at dusk',
        url: '/pictures/8.png',
        neutralUrl: null,
        width: 400,
        height: 300,
        kind: 'artwork',
        shading: null,
        crop: null,
        neutral: null,
        remarks: [],
        camera: null,
        ...change,
    };
}

/** Half-way through, unless it says otherwise. */
export const task = (part: Partial<TaskProps> = {}): TaskProps => ({
    id: 7,
    kind: 'proposal',
    state: 'running',
    progress: 0.5,
    isStopping: false,
    problem: null,
    result: null,
    ...part,
});
