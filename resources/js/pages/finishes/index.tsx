import { Link } from '@inertiajs/react';
import clsx from 'clsx';
import { Plus, Layers, Printer, Scale, Undo2 } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Acts, Kept } from '@/features/acts/acts';
import { Advice } from '@/features/suggestions/suggestions';
import { openCup } from '@/features/cup/open-cup';
import { LayerEditor } from '@/features/finish/layer-editor';
import {
    firstZone,
    layerNote,
    wire,
    withLayer,
    withMoved,
    withNewLayer,
    withTechnique,
    withoutLayer,
    type Stack,
} from '@/features/finish/layers';
import { savingWords, useFinish } from '@/features/finish/use-finish';
import { MixFinder } from '@/features/mix-finder/mix-finder';
import { SectionView, aim, type Place } from '@/features/section/section-view';
import { Shell } from '@/features/shell/shell';
import { ZONES, zoneName, zonesOf, labWords, one, many } from '@/shared/lib/format';
import { send } from '@/shared/lib/api';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useKeys } from '@/shared/lib/use-keys';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { ConflictDialog } from '@/shared/ui/conflict';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Spread } from '@/shared/ui/spread';
import { Term } from '@/shared/ui/term';
import { Empty } from '@/shared/ui/empty';
import type {
    AreaFinishProps,
    AreaForm,
    AreaProps,
    CopySourceProps,
    FigureProps,
    Illuminant,
    LayerProps,
    MatchProps,
    SectionProps,
    PotProps,
    Sheen,
    Technique,
    TechniqueProps,
    SectionRowProps,
} from '@/types/generated';

type Props = {
    figure: FigureProps;
    areas: AreaProps[];
    area: AreaFinishProps | null;
    pots: PotProps[];
    techniques: TechniqueProps[];
    /** Undefined while they are looked for. */
    sources?: CopySourceProps[];
};

const KEYS = [
    ['arrows', 'move in the section'],
    ['n', 'add a layer above the selected one'],
    ['+  -', 'a drop more or less of the first pot'],
    ['z', 'undo'],
] as const;

/** ΔE that is the same to the eye. */
const NOTHING_LEFT = 1;

export default function FinishesPage({ figure, areas, area, pots, techniques, sources }: Props) {
    return (
        <Shell title={`Finishes of ${figure.name}`} figure={figure} keys={KEYS} wide>
            {area === null ? (
                <div className="p-6">
                    <Empty act="Propose areas from a picture" to={url('figures.references', { figure: figure.id })}>
                        This figure has no areas yet. Let a picture propose them, or{' '}
                        <Link className="underline" href={url('figures.brief', { figure: figure.id })}>
                            name them in the brief
                        </Link>
                        .
                    </Empty>
                </div>
            ) : (
                <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                    <div className="flex shrink-0 flex-col border-r border-line lg:w-48">
                        <AreaList figure={figure} areas={areas} openId={area.id} />
                        <div className="border-t border-line p-2">
                            <Acts figure={figure} areas={areas} pots={pots} techniques={techniques} sources={sources} />
                        </div>
                    </div>
                    <Finish key={area.id} figure={figure} area={area} pots={pots} techniques={techniques} />
                </div>
            )}
        </Shell>
    );
}

function AreaList({ figure, areas, openId }: { figure: FigureProps; areas: AreaProps[]; openId: number }) {
    return (
        <nav aria-label="Areas" className="min-h-0 flex-1 overflow-y-auto p-2">
            <ul>
                {areas.map((area) => (
                    <li key={area.id}>
                        <Link
                            href={url('figures.finishes', { figure: figure.id, area: area.id })}
                            aria-current={area.id === openId ? 'page' : undefined}
                            className={clsx(
                                'block border-l-4 px-2 py-1.5',
                                area.id === openId
                                    ? 'border-ink bg-raised font-bold'
                                    : 'border-transparent hover:border-strong',
                            )}
                        >
                            <span className="block leading-tight">{area.name}</span>
                            <span className="text-xs font-normal text-quiet">
                                {area.layers === 0 ? 'no layers yet' : many(area.layers, 'layer')}
                            </span>
                            <span className="mt-1 flex h-2.5" aria-hidden>
                                {ZONES.map((zone) => {
                                    const sample = area.samples.find((s) => s.zone === zone);
                                    return (
                                        <span
                                            key={zone}
                                            className="flex-1"
                                            style={{ background: sample?.colour.hex ?? 'transparent' }}
                                        />
                                    );
                                })}
                            </span>
                        </Link>
                    </li>
                ))}
            </ul>
        </nav>
    );
}

type FinishProps = {
    figure: FigureProps;
    area: AreaFinishProps;
    pots: PotProps[];
    techniques: TechniqueProps[];
};

function Finish(props: FinishProps) {
    const desk = useFinishPage(props);
    const { figure, area, pots, finish, stack, section, place, setPlace, row, layer, judged, addLayer } = desk;

    return (
        <>
            <div className="flex min-w-0 flex-1 flex-col gap-3 overflow-y-auto p-4">
                <Work area={area} figure={figure} />
                <Kept figureId={figure.id} areaId={area.id} />
                {pots.length === 0 && (
                    <Empty act="Fill the shelf" to={url('shelf')}>
                        The shelf is empty: a finish is made of the pots that you have.
                    </Empty>
                )}
                {stack.length === 0 && pots.length > 0 && (
                    <Empty act="Propose a finish" to={url('figures.proposals', { figure: figure.id, area: area.id })}>
                        No layers yet: the section shows the bare print. Add a primer from the list below, or let Hyalin
                        propose the whole finish.
                    </Empty>
                )}
                <SectionView
                    rows={section.rows}
                    names={[section.start, ...stack.map((l) => l.technique)]}
                    notes={['', ...stack.map(layerNote)]}
                    form={area.form}
                    selected={{ row, zone: place.zone }}
                    onSelect={setPlace}
                    height={Math.max(30, Math.min(58, 330 / Math.max(1, section.rows.length)))}
                />
                <Matches matches={section.matches} form={area.form} />
                <Spreads section={section} form={area.form} />
                <footer className="flex flex-wrap items-center justify-between gap-3">
                    <Footer desk={desk} addLayer={addLayer} />
                    <p role="status" className="text-xs text-quiet">
                        {savingWords(finish.saving)}.{' '}
                        {stack.length > 0 && `Predicted from ${section.rows.at(-1)?.quality ?? 'estimated'} paints. `}In{' '}
                        <Term name="sheen">{area.sheen}</Term> nothing is darker than <Term name="L*" />{' '}
                        {Math.round(area.darkest)}.
                    </p>
                </footer>
                <TooDark area={area} />
                {finish.problem !== null && finish.theirs === null && <Notice strong>{finish.problem}</Notice>}
            </div>
            <aside
                aria-label="Selected layer"
                className="shrink-0 overflow-y-auto border-l border-line p-4 lg:w-[25rem]"
            >
                {layer && judged ? (
                    <ChosenLayer judged={judged} desk={desk} layer={layer} />
                ) : (
                    <p className="text-sm text-quiet">
                        This is the {section.start}, {judged?.cells[0]?.colour.name}. Select a band of the section to
                        edit that layer, or add one above it.
                    </p>
                )}
            </aside>
            <ConflictDialog
                open={finish.theirs !== null}
                mine={<StackWords stack={stack} />}
                theirs={<StackWords stack={finish.theirs?.layers ?? []} />}
                onKeepMine={finish.keepMine}
                onTakeTheirs={finish.takeTheirs}
            />
        </>
    );
}

type Desk = ReturnType<typeof useFinishPage>;

function useFinishPage({ figure, area, pots, techniques }: FinishProps) {
    const finish = useFinish(figure.id, area, `${figure.light} ${figure.sheen}`);
    const { stack, section, change } = finish;
    const [place, setPlace] = useState<Place>(() => topPlace(area.layers));
    const [tab, setTab] = useState('mix');
    const row = Math.min(place.row, stack.length);
    const index = row - 1;
    const layer = stack[index];
    const judged = section.rows[row];

    function addLayer(name: Technique) {
        const technique = techniques.find((t) => t.technique === name);
        const pot = pots.find((p) => p.id === technique?.potId) ?? pots.find((p) => p.isMixed) ?? pots[0];
        if (!technique || !pot) return;
        change(withNewLayer(stack, index, technique, pot, newKey()));
        setPlace({ row: row + 1, zone: firstZone(name, technique.usualZones) });
        setTab('mix');
    }
    const changeDrops = useLayerActions({ layer, change, stack, index });

    useKeys({
        n: () => {
            addLayer('layer');
        },
        '+': () => {
            changeDrops(1);
        },
        '-': () => {
            changeDrops(-1);
        },
        z: finish.undo,
    });
    return {
        figure,
        area,
        pots,
        techniques,
        finish,
        stack,
        section,
        change,
        place,
        setPlace,
        tab,
        setTab,
        row,
        index,
        layer,
        judged,
        addLayer,
    };
}

function Tab({ value, children }: { value: string; children: ReactNode }) {
    return (
        <Tabs.Trigger
            value={value}
            className="-mb-px min-h-10 flex-1 border-b-4 border-transparent text-sm data-[state=active]:border-ink data-[state=active]:font-bold"
        >
            {children}
        </Tabs.Trigger>
    );
}

function Matches({ matches, form }: { matches: readonly MatchProps[]; form: AreaForm }) {
    if (matches.length === 0) return null;
    return (
        <section aria-label="Finished zones compared with their targets" className="flex">
            <div className="flex w-40 shrink-0 flex-col pl-3 text-xs text-quiet">
                <span className="flex h-[26px] items-center">wanted</span>
                <span className="flex h-[26px] items-center">predicted</span>
            </div>
            {zonesOf(form).map((zone) => {
                const match = matches.find((m) => m.zone === zone);
                if (!match)
                    return (
                        <div key={zone} className="flex-1 self-center text-center text-xs text-quiet">
                            no sample
                        </div>
                    );
                return (
                    <figure key={zone} className="flex-1">
                        <div
                            style={{ background: match.wanted.hex, height: 26 }}
                            title={`wanted: ${match.wanted.name}, ${labWords(match.wanted)}`}
                        />
                        <div
                            style={{ background: match.predicted.hex, height: 26 }}
                            title={`predicted: ${match.predicted.name}, ${labWords(match.predicted)}`}
                        />
                        <figcaption className="px-1.5 pt-0.5 text-center text-xs leading-tight">
                            <strong className="text-sm">{one(match.difference)}</strong> {match.likeness}
                        </figcaption>
                    </figure>
                );
            })}
        </section>
    );
}

/** Wanted colours that no paint can reach under this sheen: said once, as the cause it is. */
function TooDark({ area }: { area: AreaFinishProps }) {
    const dark = area.samples.filter((sample) => (sample.colour.lab[0] ?? 100) < area.darkest - 0.5);
    if (dark.length === 0) return null;
    return (
        <Notice>
            Wanted darker than {area.sheen} can be (L* {Math.round(area.darkest)}):{' '}
            {dark.map((s) => zoneName(area.form, s.zone)).join(', ')}. A glossier sheen would be darker; no other paint
            would.
        </Notice>
    );
}

/** How sure the finished zones are, and what would make them surer. */
function Spreads({ section, form }: { section: SectionProps; form: AreaForm }) {
    const { help } = section;
    const spreads = section.spreads.filter(({ zone }) => zonesOf(form).includes(zone));
    if (spreads.length === 0) return null;
    return (
        <section aria-label="How sure the prediction is" className="flex flex-col gap-1">
            <div className="flex">
                <div className="w-40 shrink-0 pl-3 text-xs leading-tight text-quiet">
                    2 of 3 times between
                    <span className="block">(estimate)</span>
                </div>
                {spreads.map(({ zone, spread }) => (
                    <div key={zone} className="min-w-0 flex-1">
                        <Spread spread={spread} />
                    </div>
                ))}
            </div>
            {help !== null && (
                <p className="pl-3 text-xs">
                    Helps most:{' '}
                    <Link
                        className="underline underline-offset-2"
                        href={help.potId === null ? url('chips') : url('pots.show', { paint: help.potId })}
                    >
                        {help.words}
                    </Link>{' '}
                    (on average from ± {one(help.before)} to about ± {one(help.after)})
                </p>
            )}
        </section>
    );
}

function ViewChoices({ figure }: { figure: FigureProps }) {
    const version = useRef(figure.version);
    const { message, attempt } = useAttempt();
    useEffect(() => {
        version.current = figure.version;
    }, [figure.version]);
    const set = (change: { light?: Illuminant; sheen?: Sheen }) =>
        attempt(async () => {
            const saved = await send<FigureProps>('PATCH', url('figures.update', { figure: figure.id }), {
                name: figure.name,
                version: version.current,
                ...change,
            });
            version.current = saved.version;
            await reloaded();
        });
    return (
        <div className="flex shrink-0 flex-wrap items-end gap-2">
            {message !== null && <p className="text-sm font-semibold">{message}</p>}
            <Choice<Sheen>
                label="Varnish at the end"
                value={figure.sheen}
                options={[
                    { value: 'matt', label: 'matt' },
                    { value: 'satin', label: 'satin' },
                    { value: 'gloss', label: 'gloss' },
                ]}
                onChoose={(sheen) => set({ sheen })}
            />
            <div className="w-40">
                <Pick<Illuminant>
                    label="Viewing light"
                    hideLabel
                    value={figure.light}
                    options={[
                        { value: 'D65', label: 'daylight' },
                        { value: 'D50', label: 'print light (D50)' },
                        { value: 'A', label: 'warm lamp' },
                        { value: 'LED', label: 'LED lamp, 4323 K' },
                    ]}
                    onPick={(light) => set({ light })}
                />
            </div>
        </div>
    );
}

function AddLayer({
    techniques,
    onAdd,
    disabled,
}: {
    techniques: TechniqueProps[];
    onAdd: (name: Technique) => void;
    disabled: boolean;
}) {
    const [technique, setTechnique] = useState<Technique>('base coat');
    return (
        <div className="flex items-end gap-2">
            <div className="w-36">
                <Pick<Technique>
                    label="Technique of the new layer"
                    hideLabel
                    value={technique}
                    options={techniques.map((t) => ({ value: t.technique, label: t.technique }))}
                    onPick={setTechnique}
                />
            </div>
            <Button
                disabled={disabled}
                onClick={() => {
                    onAdd(technique);
                }}
            >
                <Plus size={16} aria-hidden /> Add layer
            </Button>
        </div>
    );
}

function StackWords({ stack }: { stack: Stack }) {
    return (
        <ol className="list-decimal pl-5 text-sm">
            {stack.map((layer) => (
                <li key={layer.key}>
                    {layer.technique}: {layerNote(layer)}
                </li>
            ))}
        </ol>
    );
}

function topPlace(layers: readonly LayerProps[]): Place {
    const top = layers.at(-1);
    return { row: layers.length, zone: top ? firstZone(top.technique, top.zones) : 'mid' };
}

function newKey(): string {
    return Array.from(crypto.getRandomValues(new Uint8Array(13)), (byte) => byte.toString(16).padStart(2, '0'))
        .join('')
        .toUpperCase();
}

function capitalised(words: string): string {
    return words.charAt(0).toUpperCase() + words.slice(1);
}

function LayerTabs({ desk, layer }: { desk: Desk; layer: LayerProps }) {
    const { tab, setTab, figure, area, stack, index, place, change, pots, techniques, setPlace, row, judged } = desk;
    // A zone that this layer leaves alone has no mix: it is found for the nearest that it paints.
    const zone = judged ? aim(judged, place.zone) : place.zone;
    return (
        <Tabs.Root value={tab} onValueChange={setTab}>
            <Tabs.List aria-label="Selected layer" className="mb-3 flex border-b border-strong">
                <Tab value="mix">Mix</Tab>
                <Tab value="layer">Layer</Tab>
                <Tab value="advice">Suggestions</Tab>
            </Tabs.List>
            <Tabs.Content value="mix">
                <MixFinder
                    figureId={figure.id}
                    areaId={area.id}
                    layers={wire(stack)}
                    index={index}
                    zone={zone}
                    zoneName={zoneName(area.form, zone)}
                    hasTarget={area.section.matches.some((match) => match.zone === zone)}
                    onUse={(mix) => {
                        change(withLayer(stack, index, { mix }));
                    }}
                    onCup={(mix) => {
                        void openCup({ name: `${area.name}, ${zoneName(area.form, zone)}`, areaId: area.id, mix });
                    }}
                />
            </Tabs.Content>
            <Tabs.Content value="layer">
                <LayerEditor
                    key={layer.key}
                    form={area.form}
                    layer={layer}
                    pots={pots}
                    techniques={techniques}
                    isFirst={index === 0}
                    isLast={index === stack.length - 1}
                    dryMinutes={area.section.rows[index + 1]?.dryMinutes ?? null}
                    onChange={(part) => {
                        change(withLayer(stack, index, part));
                    }}
                    onTechnique={(technique) => {
                        change(withTechnique(stack, index, technique));
                    }}
                    onMove={(by) => {
                        change(withMoved(stack, index, by));
                        setPlace({ ...place, row: row + by });
                    }}
                    onRemove={() => {
                        change(withoutLayer(stack, index));
                        setPlace({ ...place, row: Math.max(0, row - 1) });
                    }}
                />
            </Tabs.Content>
            <Tabs.Content value="advice">
                <SuggestionsTab desk={desk} />
            </Tabs.Content>
        </Tabs.Root>
    );
}

function Footer({ desk, addLayer }: { desk: Desk; addLayer: (name: Technique) => void }) {
    const { techniques, pots, figure, area, finish } = desk;
    return (
        <div className="flex flex-wrap items-end gap-2">
            <Button
                aria-label="Undo"
                title="Undo (z)"
                className="w-10 !px-0"
                disabled={!finish.canUndo}
                onClick={finish.undo}
            >
                <Undo2 size={16} aria-hidden />
            </Button>
            <AddLayer techniques={techniques} onAdd={addLayer} disabled={pots.length === 0} />
            <Link
                href={url('figures.proposals', { figure: figure.id, area: area.id })}
                className="inline-flex min-h-10 items-center gap-2 rounded-sm border border-strong bg-raised px-3 text-sm font-medium"
            >
                <Layers size={16} aria-hidden /> Proposals
            </Link>
            <Link
                href={url('figures.card', { figure: figure.id })}
                className="inline-flex min-h-10 items-center gap-2 rounded-sm border border-strong bg-raised px-3 text-sm font-medium"
            >
                <Printer size={16} aria-hidden /> Card
            </Link>
            <Link
                href={url('figures.balance', { figure: figure.id })}
                className="inline-flex min-h-10 items-center gap-2 rounded-sm border border-strong bg-raised px-3 text-sm font-medium"
            >
                <Scale size={16} aria-hidden /> Balance
            </Link>
        </div>
    );
}

function Work({ area, figure }: { area: AreaFinishProps; figure: FigureProps }) {
    return (
        <header className="flex flex-wrap items-end justify-between gap-3 sm:flex-nowrap">
            <div className="min-w-0">
                <h1 className="text-xl">{area.name}</h1>
                {area.wish !== null && <p className="line-clamp-2 text-xs text-quiet">{area.wish}</p>}
            </div>
            <ViewChoices figure={figure} />
        </header>
    );
}

function useLayerActions({
    layer,
    change,
    stack,
    index,
}: {
    layer: LayerProps | undefined;
    change: (stack: Stack) => void;
    stack: readonly LayerProps[];
    index: number;
}) {
    function changeDrops(by: 1 | -1) {
        const first = layer?.mix[0];
        if (!layer || !first || first.drops + by < 1) return;
        change(
            withLayer(stack, index, {
                mix: layer.mix.map((entry, i) => (i === 0 ? { ...entry, drops: entry.drops + by } : entry)),
            }),
        );
    }

    return changeDrops;
}

function WontShow({ desk, judged }: { desk: Desk; judged: SectionRowProps }) {
    const { change, stack, index } = desk;
    return (
        <Notice strong>
            This layer won&apos;t show at arm&apos;s length: it changes the{' '}
            {judged.mostIn === null ? 'zones' : zoneName(desk.area.form, judged.mostIn)} by {one(judged.largestChange)}.{' '}
            {judged.remedy === null || judged.remedies.length > 0 ? '' : `${capitalised(judged.remedy)}.`}
            {judged.remedies.length > 0 && (
                <span className="mt-2 flex flex-wrap gap-2">
                    {judged.remedies.map((remedy) => (
                        <Button
                            key={remedy.words}
                            size="small"
                            onClick={() => {
                                change(
                                    withLayer(stack, index, {
                                        coats: remedy.coats,
                                        thinner: remedy.thinner,
                                        zones: remedy.zones,
                                    }),
                                );
                            }}
                        >
                            {capitalised(remedy.words)}
                        </Button>
                    ))}
                </span>
            )}
        </Notice>
    );
}

/** What a layer changes when it is painted, and what of it is left when the rest is on. */
function Changes({ judged, form }: { judged: SectionRowProps; form: AreaForm }) {
    if (judged.mostIn === null) return null;
    return (
        <p className="text-sm">
            Changes the {zoneName(form, judged.mostIn)} by <strong>{one(judged.largestChange)}</strong> when painted;{' '}
            {judged.left < NOTHING_LEFT ? (
                <strong>nothing of it is seen at the end: what follows covers it.</strong>
            ) : (
                <>
                    <strong>{one(judged.left)}</strong> of it is left at the end.
                </>
            )}
        </p>
    );
}

function ChosenLayer({ desk, judged, layer }: { desk: Desk; judged: SectionRowProps; layer: LayerProps }) {
    return (
        <div className="flex flex-col gap-4">
            {judged.shows ? (
                <Changes judged={judged} form={desk.area.form} />
            ) : (
                <WontShow judged={judged} desk={desk} />
            )}
            <LayerTabs desk={desk} layer={layer} />
        </div>
    );
}

function SuggestionsTab({ desk }: { desk: Desk }) {
    const { figure, area, stack, index, place, change, techniques, pots, setPlace, judged } = desk;
    return (
        <Advice
            figureId={figure.id}
            areaId={area.id}
            layers={wire(stack)}
            index={index}
            zone={judged ? aim(judged, place.zone) : place.zone}
            onSetting={(coats, thinner) => {
                change(withLayer(stack, index, { coats, thinner }));
            }}
            onLayer={(mix, zones) => {
                const technique = techniques.find((t) => t.technique === 'layer');
                const first = pots.find((p) => p.isMixed) ?? pots[0];
                if (!technique || !first) return;
                const added = withNewLayer(stack, stack.length - 1, technique, first, newKey());
                change(withLayer(added, added.length - 1, { mix, zones }));
                setPlace({ row: added.length, zone: zones[0] ?? place.zone });
            }}
        />
    );
}
