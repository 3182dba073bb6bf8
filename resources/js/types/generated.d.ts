// Written by `php artisan hyalin:types` from app/Http/Props. Do not edit.

export type Alterable = 'own rule' | 'own step' | 'lies on' | 'hidden' | 'base apart';
export type AreaForm = 'light and shade' | 'true metal' | 'flat sign' | 'eye' | 'gradient';
export type BalanceKind = 'stand apart' | 'sit together' | 'as bright as' | 'focal point';
export type BatchMode = 'step by step' | 'figure by figure';
export type ColourShift = 'lighter' | 'darker' | 'warmer' | 'cooler' | 'more saturated' | 'duller';
export type CupAct = 'add' | 'thin' | 'use';
export type FieldType = 'text' | 'note' | 'choice' | 'whole' | 'number' | 'colour' | 'yes or no' | 'day';
export type HueDrift = 'straight' | 'warmer light, cooler shade' | 'cooler light, warmer shade';
export type Illuminant = 'D65' | 'D50' | 'A' | 'LED' | 'C';
export type Likeness = 'the same to the eye' | 'close' | 'visible' | 'clearly different';
export type Opacity = '1' | '2' | '3' | '5' | 'wash';
export type OpticsQuality = 'measured' | 'partly measured' | 'estimated';
export type PictureKind = 'artwork' | 'photo of another piece' | 'photo of a real thing' | 'photo of my painted piece';
export type PotKind = 'acrylic' | 'airbrush colour' | 'primer' | 'spray can' | 'wash' | 'one-coat' | 'ink' | 'medium' | 'thinner' | 'varnish' | 'metal flake' | 'colour-shift powder' | 'lacquer chrome' | 'oil' | 'enamel liner' | 'pigment powder' | 'metal wax' | 'gel';
export type PrintProcess = 'resin' | 'melted plastic';
export type ProposalKind = 'translucent over zenithal' | 'base, wash, highlights' | 'opaque layering' | 'undercoat and glazes' | 'base, overbrush, dry brush' | 'metal over dark, shaded and lit' | 'flat colours' | 'one coat over white' | 'bands from root to tip';
export type Reach = 'open' | 'brush only' | 'only the prime';
export type RunStepState = 'open' | 'done' | 'skipped';
export type ScaleState = 'steady' | 'filling' | 'jumped' | 'missing';
export type Seam = 'fits' | 'filled';
export type SearchEnding = 'proven' | 'settled' | 'stopped';
export type Shading = 'painted on' | 'real light';
export type Sheen = 'matt' | 'satin' | 'gloss';
export type StepKind = 'prepare' | 'glue' | 'fill' | 'prime' | 'spray' | 'brush' | 'wash' | 'dry brush' | 'decal' | 'powder' | 'varnish' | 'mask' | 'peel' | 'own step';
export type StepVerdict = 'mistake' | 'trial';
export type Swatch = 'black' | 'white' | 'overBlack' | 'overWhite' | 'thick' | 'tint';
export type TaskKind = 'proposal' | 'zones' | 'spray' | 'gradient' | 'glow' | 'measures' | 'sculpt' | 'proof' | 'finishes' | 'light' | 'mesh' | 'sheet' | 'shelf' | 'bench' | 'picture';
export type TaskState = 'waiting' | 'running' | 'asks' | 'done' | 'stopped' | 'failed';
export type Technique = 'base coat' | 'airbrush' | 'spray can' | 'zenithal spray' | 'spray from 45 degrees' | 'spray from below' | 'layer' | 'wash' | 'one-coat' | 'glaze' | 'filter' | 'dry brush' | 'overbrush' | 'stipple' | 'sponge' | 'edge highlight' | 'recess shade' | 'wet blend' | 'chipping' | 'sprayed chipping' | 'spatter' | 'pigment powder' | 'decal' | 'varnish' | 'rubbed wax' | 'gel' | 'glow of a lamp';
export type TintingStrength = 'weak' | 'usual' | 'strong';
export type UploadState = 'sending' | 'reading' | 'known' | 'done' | 'failed';
export type Zone = 'recess' | 'shade' | 'mid' | 'light' | 'edge';

export interface ActProps {
    areasUrl: string | null;
    canUndo: boolean;
    canRedo: boolean;
    lastAct: number | null;
    isMeasured: boolean;
}

export interface ApproachPairProps {
    usual: string;
    other: string;
    followsOther: boolean;
}

export interface AreaFinishProps {
    id: number;
    name: string;
    wish: string | null;
    version: number;
    layers: Array<LayerProps>;
    section: SectionProps;
    samples: Array<SampleProps>;
    sheen: Sheen;
    darkest: number;
    form: AreaForm;
}

export interface AreaProposalProps {
    areaId: number;
    name: string;
    version: number;
    layersNow: number;
    proposal: ProposalProps;
}

export interface AreaProps {
    id: number;
    partId: number | null;
    partName: string | null;
    name: string;
    wish: string | null;
    samples: Array<SampleProps>;
    layers: number;
    liesOnId: number | null;
    tolerance: number | null;
    sheen: Sheen | null;
    form: AreaForm;
    squareCm: number | null;
    seen: string;
}

export interface BalanceAreaProps {
    id: number;
    name: string;
    part: string;
    zones: Array<ColourProps>;
    greys: Array<string>;
    contrast: number;
    moved: number;
}

export interface BalancePageProps {
    areas: Array<BalanceAreaProps>;
    preferences: Array<BalancePreferenceProps>;
    mismatches: Array<MetamerismProps>;
    light: Illuminant;
}

export interface BalancePreferenceProps {
    id: number;
    kind: BalanceKind;
    areaId: number;
    otherId: number | null;
    limit: number;
    holds: boolean;
    value: number;
}

export interface BatchProps {
    figures: number;
    stepByStep: number;
    figureByFigure: number;
    setUpSaved: number;
    waitSaved: number;
    quicker: BatchMode;
}

export interface BenchExceptionProps {
    date: string;
    start: string | null;
    minutes: number | null;
}

export interface BenchHourProps {
    day: number;
    start: string;
    minutes: number;
}

export interface BorderProps {
    one: string;
    other: string;
    mm: number;
    isCurved: boolean;
}

export interface BoundaryProps {
    id: number;
    areaId: number;
    otherId: number;
    mm: number;
    isCurved: boolean;
}

export interface BuildProps {
    parts: Array<BuiltPartProps>;
    areas: Array<BuiltAreaProps>;
    joints: Array<JointProps>;
    boundaries: Array<BoundaryProps>;
    ownRules: Array<OwnRuleProps>;
    ownSteps: Array<OwnStepProps>;
}

export interface BuiltAreaProps {
    id: number;
    name: string;
    partId: number | null;
    depth: number;
    squareCm: number | null;
    estimatedCm2: number;
    isHidden: boolean;
    isLeftBare: boolean;
    reach: Reach;
}

export interface BuiltPartProps {
    id: number;
    name: string;
    process: PrintProcess;
    isBase: boolean;
    isFiddly: boolean;
    gritFrom: number | null;
    gritTo: number | null;
    sandingRounds: number | null;
    attachments: string | null;
}

export interface CameraProps {
    from: Array<number>;
    to: Array<number>;
    size: number;
}

export interface CardAreaProps {
    name: string;
    partName: string | null;
    wish: string | null;
    form: AreaForm;
    layers: Array<LayerProps>;
    section: SectionProps;
}

export interface ChipProps {
    id: number;
    pot: PotProps;
    coats: number;
    thinner: number;
    onBlack: boolean;
    colour: ColourProps;
}

export interface ColourAreaProps {
    place: number;
    name: string;
    share: number;
    ramp: Array<ColourProps>;
    spot: Array<number>;
}

export interface ColourProps {
    hex: string;
    lab: Array<number>;
    name: string;
    outOfGamut: boolean;
}

export interface ComparedAreaProps {
    areaId: number;
    name: string;
    tolerance: number;
    zones: Array<ComparedZoneProps>;
    mean: number | null;
    worst: number | null;
    isWithin: boolean | null;
}

export interface ComparedRunAreaProps {
    id: number;
    name: string;
    leftLayers: Array<LayerProps>;
    left: SectionProps;
    rightLayers: Array<LayerProps>;
    right: SectionProps;
    differences: Array<number>;
    changed: Array<string>;
}

export interface ComparedZoneProps {
    zone: Zone;
    wanted: ColourProps;
    painted: ColourProps | null;
    predicted: ColourProps | null;
    difference: number | null;
    likeness: Likeness | null;
    words: Array<string>;
    fromPredicted: number | null;
    spread: SpreadProps | null;
    doubt: string | null;
    method: string | null;
    outline: Array<Array<number>>;
}

export interface ConsistencyProps {
    areaId: number;
    area: string;
    readings: Array<PieceReadingProps>;
    planned: ColourProps | null;
    spread: number | null;
    words: string | null;
    outlier: number | null;
    remedy: string | null;
}

export interface ContradictionProps {
    links: Array<{ words: string; rule: string; reason: string }>;
    waysOut: Array<{ what: Alterable; subject: string; other: string | null; words: string }>;
}

export interface CopySourceProps {
    areaId: number;
    area: string;
    figure: string;
}

export interface CorrectionProps {
    id: number;
    potName: string;
    hex: string;
    correctedHex: string;
    technique: Technique;
    seen: number;
    difference: number;
    words: Array<string>;
    isTaken: boolean;
}

export interface CriticalStepProps {
    what: string;
    figure: string;
    hold: string;
}

export interface CupEntryProps {
    key: string;
    act: CupAct;
    pot: string | null;
    millilitres: number;
    undone: boolean;
    at: string;
}

export interface CupPartProps {
    pot: PotProps | null;
    millilitres: number;
    share: number;
    drops: number;
}

export interface CupProps {
    id: number;
    name: string;
    place: string | null;
    stepUrl: string | null;
    millilitres: number;
    parts: Array<CupPartProps>;
    recipeDrops: number;
    recipeError: number;
    wet: ColourProps | null;
    dry: ColourProps | null;
    overBlack: ColourProps | null;
    overWhite: ColourProps | null;
    quality: OpticsQuality | null;
    target: ColourProps | null;
    difference: number | null;
    likeness: Likeness | null;
    openedAt: string;
    potLifeMinutes: number;
    emptied: boolean;
    entries: Array<CupEntryProps>;
}

export interface CurvesProps {
    thick: Array<number>;
    overBlack: Array<number>;
    overWhite: Array<number>;
}

export interface DropsProps {
    paintId: number;
    maker: string;
    name: string;
    hex: string;
    drops: number;
    dropMl: number;
}

export interface ExerciseProps {
    key: string;
    title: string;
    about: string;
    rounds: number;
    recent: number | null;
    level: number | null;
    weak: string | null;
}

export interface FactProps {
    key: string;
    label: string;
    type: FieldType;
    choices: Array<string>;
    value: string;
    isDefault: boolean;
}

export interface FaultProps {
    line: number;
    column: number;
    message: string;
}

export interface FigureChoiceProps {
    id: number;
    name: string;
    steps: number;
}

export interface FigureInProgressProps {
    id: number;
    name: string;
    heightMm: number | null;
    copies: number;
    areas: number;
    planned: number;
    next: string;
    nextUrl: string;
    ramps: Array<Array<ColourProps>>;
    pictureUrl: string | null;
}

export interface FigureProposalProps {
    areas: Array<AreaProposalProps>;
    pots: Array<string>;
}

export interface FigureProps {
    id: number;
    name: string;
    sculptor: string | null;
    heightMm: number | null;
    copies: number;
    about: string | null;
    bareHex: string;
    light: Illuminant;
    sheen: Sheen;
    uses: Array<string>;
    version: number;
    stages: Array<StageProps>;
    isBegun: boolean;
    isGuided: boolean;
    guide: GuideProps | null;
}

export interface FindingProps {
    kind: string;
    words: string;
    act: string | null;
    isMended: boolean;
}

export interface FoundMixProps {
    drops: Array<DropsProps>;
    colour: ColourProps;
    difference: number;
    likeness: Likeness;
    score: number;
    spread: SpreadProps;
    runningOut: Array<string>;
}

export interface GamutGapProps {
    place: string;
    colour: ColourProps;
    nearest: ColourProps;
    difference: number;
    wanted: string;
    served: number;
}

export interface GamutPageProps {
    pots: number;
    overWhite: Array<ColourProps | null>;
    overBlack: Array<ColourProps | null>;
    lacks: Array<GamutGapProps>;
    doubles: Array<NearDuplicateProps>;
}

export interface GlowProps {
    areas: Array<{ name: string; shares: Array<number | null> }>;
    fullMm: number;
    halfMm: number;
    tenthMm: number;
}

export interface GuideActProps {
    label: string;
    url: string;
    isPost: boolean;
}

export interface GuideProps {
    step: number;
    steps: number;
    title: string;
    words: string;
    acts: Array<GuideActProps>;
}

export interface HandProps {
    technique: Technique;
    covers: boolean;
    coverage: number;
    coverageDeviation: number;
    thickness: number;
    thicknessDeviation: number;
    chips: Array<ChipProps>;
}

export interface HealthProps {
    name: string;
    isWell: boolean;
    words: string;
}

export interface HelpProps {
    words: string;
    potId: number | null;
    before: number;
    after: number;
}

export interface HomePageProps {
    figures: Array<FigureInProgressProps>;
    potCount: number;
    runningOut: Array<PotProps>;
}

export interface IssueProps {
    what: string;
    remedy: string | null;
    stops: boolean;
    step: string | null;
    areaId: number | null;
}

export interface JointProps {
    id: number;
    partId: number;
    otherId: number;
    hides: Array<number>;
    seam: Seam;
    isGluedEarly: boolean;
}

export interface LayerProps {
    key: string;
    technique: Technique;
    zones: Array<Zone>;
    thinner: number;
    coats: number;
    mix: Array<DropsProps>;
    note: string | null;
}

export interface LessonProps {
    id: number;
    words: Array<string>;
    isUndone: boolean;
}

export interface LightProps {
    up: string;
    front: string;
    heightMm: number | null;
    sprays: Array<SprayProps>;
    edges: number;
    grooves: number;
    hitsPerPass: number;
    beneath: number;
    lighting: TaskProps | null;
    isStale: boolean;
    dataUrl: string | null;
    areasUrl: string | null;
    triangles: number;
    sizeMm: number;
    noAreaCm2: number;
    insideCm2: number;
    areas: Array<LitAreaProps>;
    borders: Array<BorderProps>;
    apart: Array<string>;
    camera: CameraProps | null;
    stillUrl: string | null;
    canUndo: boolean;
    canRedo: boolean;
    lastAct: number | null;
    isMeasured: boolean;
    task: TaskProps | null;
}

export interface ListedPotProps {
    line: number;
    maker: string;
    name: string;
    kind: PotKind;
    hex: string | null;
    isGuessed: boolean;
    isKnown: boolean;
}

export interface LitAreaProps {
    id: number;
    name: string;
    part: string | null;
    cm2: number | null;
    exposure: number | null;
    shares: Array<number>;
    isGradient: boolean;
    gradient: { from: Array<number>; to: Array<number> } | null;
    advice: Array<string>;
    rows: Array<Array<string>>;
}

export interface MaskProps {
    step: string;
    after: string | null;
    protects: Array<string>;
    partId: string;
    material: string;
    mm: number;
    squareCm: number;
    minutes: number;
    dryMinutes: number;
    until: string | null;
    estimatedMm: number;
    mostMinutes: number;
    peelMinutes: number | null;
    peel: string;
    warning: string | null;
}

export interface MatchProps {
    zone: Zone;
    wanted: ColourProps;
    predicted: ColourProps;
    difference: number;
    likeness: Likeness;
}

export interface MeasurementProps {
    quality: OpticsQuality;
    residuals: Record<string, number>;
    coats: Record<string, number>;
    known: number;
    needsTint: boolean;
    contrastRatio: number;
    coatsToHide: number | null;
    moved: number;
    curves: CurvesProps;
}

export interface MeshProps {
    id: number;
    partId: number | null;
    title: string;
    triangles: number;
    sizeMm: Array<number>;
    unitMm: number;
    areaCm2: number;
    volumeCm3: number;
    shells: number;
    openEdges: number;
    remarks: Array<string>;
    findings: Array<FindingProps>;
    move: Array<number>;
    rotation: Array<number>;
    mirror: boolean;
    isJoined: boolean;
    ontoId: number | null;
    bareUrl: string;
}

export interface MetamerismProps {
    one: string;
    other: string;
    zone: string;
    daylight: number;
    light: number;
}

export interface MixAnswerProps {
    target: ColourProps;
    mixes: Array<FoundMixProps>;
    ending: SearchEnding;
    quality: OpticsQuality;
    evaluations: number;
    provable: number;
    why: string;
    missing: string | null;
    preDilution: PreDilutionProps | null;
    potCount: number;
}

export interface ModelPartProps {
    title: string;
    words: string;
    rows: Array<ModelRowProps>;
    source: string;
}

export interface ModelRowProps {
    words: string;
    hexes: Array<string>;
    labels: Array<string>;
}

export interface NearDuplicateProps {
    one: PotProps;
    other: PotProps;
    difference: number;
}

export interface NearestRampProps {
    worst: number;
    wanted: Array<ColourProps>;
    ramp: Array<ColourProps>;
    contrast: number;
    chroma: number;
}

export interface NeutralProps {
    method: string;
    points: Array<Array<number>>;
    others: Array<Array<Array<number>>>;
    reflectance: number | null;
    words: string;
    typical: number | null;
    residuals: Array<ResidualProps>;
}

export interface NextRunProps {
    steps: number;
    hindrances: Array<string>;
    hasNoOrder: boolean;
}

export interface OneMorePotProps {
    colour: ColourProps;
    zone: Zone;
    before: number;
    after: number;
}

export interface OpenCupProps {
    id: number;
    name: string;
    hex: string | null;
    millilitres: number;
    goodUntil: string;
    url: string;
}

export interface OrderProps {
    steps: Array<OrderStepProps>;
    rules: Array<OrderRuleProps>;
    unmet: Array<UnmetProps>;
    masks: Array<MaskProps>;
    issues: Array<IssueProps>;
    workSteps: number;
    handsOnMinutes: number;
    maskMinutes: number;
    maskMm: number;
    estimatedMm: number;
    cost: number;
    canBePainted: boolean;
}

export interface OrderRuleProps {
    before: string;
    after: string;
    weight: number | null;
    rule: string;
    reason: string;
    isKept: boolean;
}

export interface OrderStepProps {
    id: string;
    kind: StepKind;
    words: string;
    partIds: Array<string>;
    areaNames: Array<string>;
    minutes: number;
    dryMinutes: number;
    hexes: Array<string>;
    cautions: Array<string>;
    cleaner: string | null;
    tool: string;
}

export interface OwnRuleProps {
    id: number;
    before: string;
    after: string;
    weight: number | null;
    reason: string;
}

export interface OwnStepProps {
    id: number;
    words: string;
    partId: number | null;
    tool: string | null;
    minutes: number;
    dryMinutes: number;
    caution: string | null;
    after: string | null;
    before: string | null;
    seen: string;
}

export interface PaintProps {
    id: number;
    maker: string;
    name: string;
    kind: PotKind;
    sheen: Sheen;
    levelPercent: number;
    thickHex: string;
    thick: ColourProps;
    overBlack: ColourProps;
    overWhite: ColourProps;
    opacity: Opacity;
    strength: TintingStrength;
    quality: OpticsQuality;
    coatsToHide: number | null;
    note: string | null;
    isMixed: boolean;
    isFlake: boolean;
    flopHex: string | null;
    described: Record<string, string | number | null>;
    version: number;
}

export interface PaletteProps {
    colour: ColourProps;
    share: number;
    spot: Array<Array<number>>;
}

export interface PartProps {
    id: number;
    name: string;
    bareHex: string | null;
    translucency: number;
    process: PrintProcess;
}

export interface PictureProps {
    id: number;
    title: string;
    url: string;
    neutralUrl: string | null;
    width: number;
    height: number;
    kind: PictureKind;
    shading: Shading | null;
    crop: Array<number> | null;
    neutral: NeutralProps | null;
    remarks: Array<string>;
    camera: CameraProps | null;
}

export interface PieceReadingProps {
    copy: number;
    colour: ColourProps;
    method: string;
    difference: number | null;
}

export interface PotFieldProps {
    key: string;
    label: string;
    type: FieldType;
    choices: Array<string>;
    least: number | null;
    most: number | null;
    isRequired: boolean;
    default: string | null;
}

export interface PotLifeProps {
    since: string | null;
    usedMl: number;
    leftMl: number;
    uses: Array<PotUseProps>;
}

export interface PotNeedProps {
    paintId: number;
    maker: string;
    name: string;
    hex: string;
    needMl: number;
    hasMl: number;
    missingMl: number;
    toBuy: number;
    needDrops: number | null;
    cost: number | null;
    spend: number | null;
    onShelf: boolean;
    wasGoodUntil: string | null;
}

export interface PotProps {
    id: number;
    maker: string;
    name: string;
    hex: string;
    isMixed: boolean;
    onShelf: boolean;
    dropMl: number;
}

export interface PotUseProps {
    at: string | null;
    millilitres: number;
    figure: string | null;
    runId: number | null;
    run: number | null;
    technique: string | null;
    what: string;
    cupId: number | null;
}

export interface PracticePotProps {
    id: number;
    name: string;
    colour: ColourProps;
}

export interface PreDilutionProps {
    advice: string;
    drops: Array<DropsProps>;
    colour: ColourProps;
    difference: number;
}

export interface PreviewPotProps {
    maker: string;
    name: string;
    kind: PotKind;
    hex: string;
}

export interface ProposalAnswerProps {
    proposals: Array<ProposalProps>;
    beyond: NearestRampProps | null;
}

export interface ProposalProps {
    kind: ProposalKind;
    layers: Array<LayerProps>;
    grown: Array<boolean>;
    section: SectionProps;
    total: number;
    worst: number;
    cups: number;
    pots: Array<DropsProps>;
    minutes: number;
    lacks: Array<string>;
    runningOut: Array<string>;
}

export interface RampStepProps {
    step: number;
    added: Array<DropsProps>;
    mix: Array<DropsProps>;
    colour: ColourProps;
}

export interface ReadingProps {
    swatch: Swatch;
    values: Array<number>;
    colour: ColourProps;
}

export interface RecipeProps {
    areaId: number;
    area: string;
    figureId: number;
    figure: string;
    ramp: Array<ColourProps>;
    layers: Array<string>;
    difference: number | null;
    nearest: Zone | null;
    url: string;
}

export interface RecipeVersionProps {
    id: number;
    number: number;
    why: string;
    keptAt: string;
}

export interface RemedyProps {
    words: string;
    coats: number;
    thinner: number;
    zones: Array<Zone>;
}

export interface ResidualProps {
    name: string;
    hex: string;
    difference: number;
}

export interface RoundProps {
    id: number;
    exercise: string;
    subject: string;
    level: number;
    pots: Array<PracticePotProps>;
    target: ColourProps | null;
    heights: Array<number>;
    strips: Array<Array<ColourProps>>;
    score: number | null;
    right: Array<number> | null;
    trail: Array<number>;
    drops: Array<number>;
}

export interface RunChangesProps {
    added: Array<string>;
    changed: Array<string>;
    gone: Array<string>;
    areas: Array<{ id: number; name: string }>;
}

export interface RunProps {
    id: number;
    number: number;
    repeatsNumber: number | null;
    copies: number;
    batchMode: BatchMode;
    begunAt: string;
    steps: Array<RunStepProps>;
}

export interface RunStepProps {
    id: number;
    position: number;
    stepKey: string | null;
    kind: StepKind;
    partName: string | null;
    areaName: string;
    areaNames: Array<string>;
    partIds: Array<number>;
    areaIds: Array<number>;
    technique: Technique | null;
    title: string;
    instruction: string;
    zones: Array<Zone>;
    form: AreaForm;
    thinner: number;
    coats: number;
    plannedMix: Array<DropsProps>;
    plannedColours: Record<string, string>;
    minutes: number;
    usedMinutes: number | null;
    dryingMinutes: number;
    mostMinutes: number | null;
    state: RunStepState;
    usedMix: Array<DropsProps> | null;
    usedCoats: number | null;
    usedDrops: number | null;
    need: StepNeedProps | null;
    note: string | null;
    skipReason: string | null;
    doneAt: string | null;
    lastTime: string | null;
    cautions: Array<string>;
    tool: string | null;
    pressurePsi: number | null;
    isFromCan: boolean;
    cleaner: string | null;
    photos: Array<StepPhotoProps>;
    isInserted: boolean;
    verdict: StepVerdict | null;
    wentOnWet: boolean;
    cup: StepCupProps | null;
    copy: number | null;
    version: number;
}

export interface SampleProps {
    areaId: number;
    zone: Zone;
    pictureId: number | null;
    source: string | null;
    method: string;
    outline: Array<Array<number>>;
    colour: ColourProps;
    spread: number;
    pixels: number;
    doubt: string | null;
}

export interface SampleTaskProps {
    title: string;
    words: string;
    url: string;
}

export interface ScaleProps {
    grams: number;
    state: ScaleState;
    readings: number;
    missing: number;
    jumps: number;
    drift: number;
    everyMs: number;
}

export interface ScheduleProps {
    sessions: Array<SessionProps>;
    chain: Array<CriticalStepProps>;
    finish: string;
    bound: string;
    figureIds: Array<number>;
    missed: number;
    moved: Array<{ what: string; figure: string; from: string; to: string; why: string }>;
}

export interface SectionCellProps {
    zone: Zone;
    colour: ColourProps;
    touched: boolean;
    change: number;
    likeness: Likeness;
    side: ColourProps | null;
}

export interface SectionProps {
    start: string;
    rows: Array<SectionRowProps>;
    matches: Array<MatchProps>;
    spreads: Array<ZoneSpreadProps>;
    help: HelpProps | null;
}

export interface SectionRowProps {
    cells: Array<SectionCellProps>;
    quality: OpticsQuality;
    shows: boolean;
    largestChange: number;
    left: number;
    mostIn: Zone | null;
    remedy: string | null;
    remedies: Array<RemedyProps>;
    dryMinutes: number;
}

export interface SessionProps {
    start: string;
    end: string;
    steps: Array<SessionStepProps>;
}

export interface SessionStepProps {
    id: string;
    figureId: number;
    figure: string;
    what: string;
    where: string;
    start: string;
    end: string;
    hex: string | null;
    url: string | null;
}

export interface SetAsideProps {
    id: number;
    of: string;
    at: string;
    lines: Array<string>;
}

export interface SettingProps {
    coats: number;
    thinner: number;
    colour: ColourProps;
    difference: number;
    likeness: Likeness;
}

export interface SettingsProps {
    clockHours: number | null;
    firstWeekday: number;
    length: string;
    volume: string;
}

export interface SheetFieldProps {
    position: number;
    code: string;
    pot: PotProps;
    strip: string | null;
}

export interface SheetFieldReadingProps {
    position: number;
    places: Array<SheetPlaceProps>;
    problem: string | null;
    remarks: Array<string>;
    quality: OpticsQuality | null;
    moved: number | null;
    sure: number | null;
    before: number | null;
    changed: number | null;
}

export interface SheetPhotoProps {
    id: number;
    isRead: boolean;
    task: TaskProps | null;
    addedAt: string;
    keptAt: string | null;
}

export interface SheetPlaceProps {
    place: string;
    box: Array<number>;
    colour: ColourProps;
    radius: number;
    taken: number;
    missed: number | null;
}

export interface SheetPotProps {
    id: number;
    maker: string;
    name: string;
    hex: string;
    quality: OpticsQuality;
    sure: number;
    uses: number;
    isWhite: boolean;
}

export interface SheetReviewProps {
    photoId: number;
    isChart: boolean;
    half: number;
    most: number;
    marks: number;
    together: number;
    paper: ColourProps;
    black: ColourProps;
    fields: Array<SheetFieldReadingProps>;
}

export interface SheetRowProps {
    id: number;
    createdAt: string;
    fields: number;
    photos: number;
    keptAt: string | null;
}

export interface ShelfFormatProps {
    ending: string;
    holds: string;
    about: string;
}

export interface ShelfImportProps {
    id: number;
    pots: number;
    isUndone: boolean;
    task: TaskProps | null;
}

export interface ShelfPageProps {
    paints: Array<PaintProps>;
    fields: Array<PotFieldProps>;
    flakes: Array<string>;
    clear: Array<string>;
    formats: Array<ShelfFormatProps>;
    borrowed: number | null;
}

export interface ShelfPreviewProps {
    format: string;
    new: number;
    known: number;
    shown: Array<PreviewPotProps>;
    faults: Array<FaultProps>;
}

export interface ShiftProps {
    shift: ColourShift;
    usual: number;
}

export interface SprayProps {
    technique: Technique;
    elevation: number;
    side: number;
    spread: number;
    passes: number;
    luminance: number;
    distance: number | null;
    aim: Array<number> | null;
}

export interface SpreadProps {
    radius: number;
    from: ColourProps;
    to: ColourProps;
}

export interface StageProps {
    name: string;
    url: string | null;
    state: string;
    current: boolean;
}

export interface SteeringProps {
    drops: Array<DropsProps>;
    removeMl: number;
    colour: ColourProps;
    difference: number;
    likeness: Likeness;
}

export interface StepCupProps {
    url: string;
    name: string;
    millilitres: number;
    mix: Array<DropsProps>;
    thinner: number;
    isAsPlanned: boolean;
    colours: Record<string, string> | null;
}

export interface StepNeedProps {
    cup: Array<DropsProps>;
    millilitres: number;
    keptMillilitres: number;
    figures: number;
    learned: number;
    next: number;
    together: Array<DropsProps>;
    mixedFor: string | null;
}

export interface StepPhotoProps {
    id: number;
    url: string;
    title: string;
}

export interface StepWaitProps {
    stepId: number;
    until: string;
    because: string;
}

export interface SuggestionsProps {
    setting: SettingProps | null;
    undercoats: Array<UndercoatProps>;
    ramp: Array<RampStepProps>;
    drift: HueDrift;
}

export interface TaskProps {
    id: number;
    kind: TaskKind;
    state: TaskState;
    progress: number;
    isStopping: boolean;
    problem: string | null;
    result: Record<string, unknown> | null;
}

export interface TechniqueProps {
    technique: Technique;
    usualZones: Array<Zone>;
    usualThinner: number;
    dryingMinutes: number;
    instruction: string;
    ownHand: boolean;
    potId: number | null;
}

export interface TonightProps {
    session: string | null;
    isOn: boolean;
    minutesLeft: number;
    steps: Array<TonightStepProps>;
}

export interface TonightStepProps {
    stepId: number;
    figure: string;
    position: number;
    title: string;
    where: string;
    minutes: number;
    hexes: Array<string>;
    readyAt: string | null;
    because: string | null;
    fits: boolean;
    cup: string | null;
    url: string;
}

export interface TouchUpProps {
    layer: LayerProps | null;
    before: number;
    after: number;
    wanted: Array<ColourProps>;
    colours: Array<ColourProps>;
    startOver: boolean;
    isWithin: boolean;
    version: number;
    runId: number | null;
}

export interface TrayItemProps {
    key: string;
    kind: string;
    what: string;
    figure: string;
    at: string;
    url: string;
    timerId: number | null;
}

export interface UndercoatProps {
    name: string;
    hex: string;
    coats: number;
    colour: ColourProps;
    difference: number;
}

export interface UnmetProps {
    rule: string;
    minutes: number;
    cases: Array<{ before: string; after: string; reason: string }>;
}

export interface UploadProps {
    id: number;
    name: string;
    fingerprint: string;
    bytes: number;
    received: number;
    pieceBytes: number;
    state: UploadState;
    task: TaskProps | null;
    problem: string | null;
    knownAs: string | null;
}

export interface WorkCardProps {
    steps: Array<string>;
    masks: Array<string>;
    cautions: Array<string>;
    takes: Array<string>;
}

export interface ZoneSpreadProps {
    zone: Zone;
    spread: SpreadProps;
}
