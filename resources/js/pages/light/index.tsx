import { router } from '@inertiajs/react';
import { useCallback, useMemo, useRef, useState } from 'react';
import type { BufferGeometry } from 'three';
import { MeshView } from '@/features/mesh-view/mesh-view';
import { PartsView } from '@/features/mesh-view/parts-view';
import type { MeshViewer } from '@/features/mesh-view/viewer';
import type { View } from '@/features/mesh-view/colours';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { one } from '@/shared/lib/format';
import { isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useTask } from '@/shared/lib/use-task';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Slide } from '@/shared/ui/slide';
import { TaskBar } from '@/shared/ui/task-bar';
import { Tick } from '@/shared/ui/tick';
import type { ActProps, FigureProps, LightProps, LitAreaProps, MeshProps, UploadProps } from '@/types/generated';
import { Areas } from './areas';
import { Files } from './files';
import { Glow } from './glow';
import { usePosing, type Posing } from './posing';
import { PosingBar } from './posing-bar';
import { Sprays, type SprayChange } from './sprays';
import { Tools, type Along, type Seed, type Tool } from './tools';
import { lengthWords } from '@/shared/lib/units';
import { proposed, useGlow, useMeasuring, useWork } from './work';
import { LIMITS } from '@/types/limits';

type Props = {
    figure: FigureProps;
    meshes: MeshProps[];
    parts: { id: number; name: string }[];
    light: LightProps;
    uploads: UploadProps[];
    posing: Posing;
};

type Point = [number, number, number];

const KEYS = [
    ['arrows', 'turn the mesh'],
    ['+  -', 'zoom'],
] as const;

/** The printed mesh and the light on it: where directed spray falls, what that means for every area. */
export default function LightPage(props: Props) {
    const study = useLight(props);
    const { figure, meshes, parts, light, message, tab, busy, path, change } = study;
    const posing = usePosing(props, study);
    const [arriving, setArriving] = useState<BufferGeometry | null>(null);

    return (
        <Shell title={`Light on ${figure.name}`} figure={figure} keys={KEYS} wide headsByTitle>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <div className="flex h-[60vh] min-w-0 flex-none flex-col lg:h-auto lg:min-h-0 lg:flex-1">
                    {tab === 'files' && (meshes.length > 0 || arriving !== null) ? (
                        <>
                            <PosingBar posing={posing} />
                            <div className="relative min-h-0 flex-1">
                                <PartsView
                                    meshes={meshes}
                                    light={light}
                                    held={posing.held}
                                    hand={posing.hand}
                                    marks={posing.marks}
                                    arriving={arriving}
                                    framed={posing.fits}
                                    onPick={posing.pick}
                                    onPut={posing.put}
                                />
                            </div>
                        </>
                    ) : (
                        <>
                            <ViewBar study={study} />
                            <LitFigure study={study} />
                        </>
                    )}
                </div>
                <aside className="flex w-full shrink-0 flex-col gap-3 overflow-y-auto border-l border-line p-3 text-sm lg:w-[26rem]">
                    <PanelHead study={study} />
                    {busy && light.lighting !== null && (
                        <TaskBar task={light.lighting} gone={study.lighting.gone} onStop={study.lighting.stop} />
                    )}
                    {light.task !== null && (
                        <TaskBar task={light.task} gone={study.work.gone} onStop={study.work.stop} />
                    )}
                    {message !== null && (
                        <div className="sticky top-0 z-10">
                            <Notice strong>{message}</Notice>
                        </div>
                    )}
                    {light.lighting?.problem != null && <Notice strong>{light.lighting.problem}</Notice>}
                    {light.isStale && !busy && light.dataUrl !== null && (
                        <Notice strong>Files or pose changed since the lighting was calculated.</Notice>
                    )}
                    {light.lighting?.state === 'stopped' && <span>Stopped.</span>}
                    {tab === 'files' ? (
                        <Files
                            figure={figure}
                            meshes={meshes}
                            uploads={props.uploads}
                            parts={parts}
                            light={light}
                            onSettings={(settings) => change('PUT', url('light.settings', path), settings)}
                            posing={posing}
                            onArriving={setArriving}
                        />
                    ) : (
                        <AreasPanel study={study} />
                    )}
                </aside>
            </div>
        </Shell>
    );
}

type Study = ReturnType<typeof useLight>;

type LightState = ReturnType<typeof useLightState>;

function useLightState(props: Props) {
    const { figure, meshes, parts } = props;
    const [light, setLight] = useState(props.light);
    // Asked for one area, it is shown among the others.
    const [view, setView] = useState<View>(() => (asked(props.light.areas) === null ? 'finish' : 'areas'));
    const [isLit, setLit] = useState(true);
    const [step, setStep] = useState(99);
    const [spray, setSpray] = useState(0);
    const [tool, setTool] = useState<Tool>('look');
    const [size, setSize] = useState({ crease: 8, brush: 2 });
    const [seeds, setSeeds] = useState<Seed[]>([]);
    const [line, setLine] = useState<Point[]>([]);
    const [area, setArea] = useState<number | null>(() => asked(props.light.areas));
    const { message, setMessage, attempt } = useAttempt();
    const [refusals, setRefusals] = useState(0);
    const [tab, setTab] = useState<'areas' | 'files'>(props.light.dataUrl === null ? 'files' : 'areas');
    const viewer = useRef<MeshViewer | null>(null);
    const [isDrawn, setDrawn] = useState(false);
    const onViewer = useCallback((made: MeshViewer | null) => {
        viewer.current = made;
        setDrawn(made !== null);
    }, []);
    const most = Math.max(1, ...light.areas.map((a) => a.rows.length - 1));
    const busy = light.lighting !== null && isOpen(light.lighting);
    const path = { figure: figure.id };
    const marks = useMemo(() => [...seeds.map((seed) => seed.at), ...line], [seeds, line]);
    const isFirst = light.dataUrl === null;
    const lighting = useTask(light.lighting, (task) => {
        setLight((before) => ({ ...before, lighting: task }));
        if (task.state !== 'done') return;
        router.reload({
            onSuccess: ({ props: next }) => {
                setLight(next['light'] as LightProps);
                // There was no light before: what it makes possible is shown.
                if (isFirst) setTab('areas');
            },
        });
    });
    const work = useWork(light, path.figure, setLight, setMessage);
    useMeasuring(light, path.figure, setLight, setMessage, work.ended);
    const glow = useGlow(light, view === 'glow' ? area : null, path.figure, setLight, setMessage, work.ended);
    return {
        figure,
        meshes,
        parts,
        light,
        setLight,
        view,
        setView,
        isLit,
        setLit,
        step,
        setStep,
        spray,
        setSpray,
        tool,
        setTool,
        size,
        setSize,
        seeds,
        setSeeds,
        line,
        setLine,
        area,
        setArea,
        message,
        setMessage,
        attempt,
        refusals,
        setRefusals,
        tab,
        setTab,
        viewer,
        onViewer,
        isDrawn,
        most,
        busy,
        path,
        marks,
        lighting,
        work,
        glow,
    };
}

function useLight(props: Props) {
    const state = useLightState(props);
    const actions = useLightActions(state);

    return { ...state, ...actions };
}

/** The area that the address asks for. */
function asked(areas: readonly LitAreaProps[]): number | null {
    const id = Number(new URLSearchParams(window.location.search).get('area'));
    return areas.some((area) => area.id === id) ? id : null;
}

function BorderWords({ light }: { light: LightProps }) {
    return (
        <p className="text-xs text-quiet">
            Borders:{' '}
            {light.borders
                .map((b) => `${b.one} and ${b.other} ${lengthWords(Math.round(b.mm))}${b.isCurved ? '' : ', straight'}`)
                .join('; ')}
            .
        </p>
    );
}

function AreaTools({ study }: { study: Study }) {
    const { light, area, setArea, tool, setTool, setView, size, seeds, change, path, setSeeds, line, setLine } = study;
    return (
        <Tools
            areas={light.areas}
            area={area}
            onArea={setArea}
            tool={tool}
            onTool={(next) => {
                setTool(next);
                setLine([]);
                if (next !== 'look') setView('areas');
            }}
            size={size}
            onSize={study.slide}
            seeds={seeds}
            onDivide={() => {
                void change('POST', url('light.divide', path), { seeds }).then((done) => {
                    // Seeds that were added during the request belong to the next one.
                    if (done) setSeeds((now) => now.filter((seed) => !seeds.includes(seed)));
                });
            }}
            onForget={() => {
                setSeeds([]);
                setLine([]);
            }}
            line={line.length}
            onClose={() => {
                void change('POST', url('light.lasso', path), { points: line, areaId: area }).then((done) => {
                    if (done) setLine((now) => now.filter((point) => !line.includes(point)));
                });
            }}
            onGrow={(mm) => void change('POST', url('light.grow', path), { areaId: area, mm })}
            onGradient={study.setGradient}
            onMirror={() => void change('POST', url('light.mirror', path), { areaId: area })}
            noAreaCm2={light.noAreaCm2}
            insideCm2={light.insideCm2}
            isBusy={light.task !== null}
            onPropose={() =>
                void change('POST', url('light.propose', path), undefined, (next) => {
                    if ('task' in next && next.task === null) proposed(study.setMessage);
                })
            }
            onUndo={light.canUndo ? () => void change('POST', url('light.undo', path)) : null}
            onRedo={light.canRedo ? () => void change('POST', url('light.redo', path)) : null}
        />
    );
}

function AreasPanel({ study }: { study: Study }) {
    const { light, spray, setSpray, view, setView, change, path, area, setArea, figure, attempt } = study;
    return (
        <>
            {light.dataUrl !== null && (
                <Sprays
                    key={`${study.work.ended?.task.id ?? 0} ${study.refusals}`}
                    light={light}
                    shown={spray}
                    onShow={(index) => {
                        setSpray(index);
                        if (view !== 'prime') setView('exposure');
                    }}
                    onAim={study.aim}
                    onSet={(technique: string, settings: SprayChange) =>
                        void change('PUT', url('light.settings', path), {
                            spray: technique,
                            ...settings,
                        })
                    }
                />
            )}
            {view === 'zones' && light.dataUrl !== null && (
                <Strength
                    key={`${light.edges} ${light.grooves} ${study.work.ended?.task.id ?? 0} ${study.refusals}`}
                    light={light}
                    onSet={(settings) => void change('PUT', url('light.settings', path), settings)}
                />
            )}
            {view === 'glow' && light.areasUrl !== null && (
                <Glow
                    key={area}
                    lamp={light.areas.find((a) => a.id === area)}
                    sharesUrl={
                        area === null || !study.glow.isHere
                            ? null
                            : url('light.glowShares', { ...path, area, of: light.areasUrl.slice(-12) })
                    }
                    onAgain={study.glow.again}
                    onAdd={async () => {
                        await attempt(() =>
                            send<{ message: string }>('POST', url('light.addGlow', { ...path, area: area ?? 0 })),
                        );
                        study.setLight(await send<LightProps>('GET', url('light.shown', path)));
                    }}
                />
            )}
            {light.dataUrl !== null && <AreaTools study={study} />}
            {light.apart.map((words) => (
                <Notice key={words}>{words}</Notice>
            ))}
            <Areas figure={figure} light={light} chosen={area} onChoose={setArea} />
            {light.borders.length > 0 && <BorderWords light={light} />}
            {light.dataUrl !== null && (
                <Button
                    className="self-start"
                    disabled={!light.isMeasured}
                    title={light.isMeasured ? undefined : 'The areas are not measured yet.'}
                    onClick={() => void attempt(() => send<{ message: string }>('POST', url('light.measures', path)))}
                >
                    Use these measurements
                </Button>
            )}
        </>
    );
}

/** How easily a ridge counts as an edge, and a dip as a recess. */
function Strength({
    light,
    onSet,
}: {
    light: LightProps;
    onSet: (settings: { edges?: number; grooves?: number }) => void;
}) {
    const [strength, setStrength] = useState({ edges: light.edges, grooves: light.grooves });
    return (
        <>
            {(['edges', 'grooves'] as const).map((what) => (
                <Slide
                    key={what}
                    label={`Strength of ${what}`}
                    said={`${what} ${one(strength[what])}`}
                    {...LIMITS.edgeStrength}
                    step={0.05}
                    value={strength[what]}
                    onSlide={(value) => {
                        setStrength({ ...strength, [what]: value });
                    }}
                    onSet={(value) => {
                        onSet({ [what]: value });
                    }}
                />
            ))}
        </>
    );
}

function PanelHead({ study }: { study: Study }) {
    const { tab, meshes, setTab, light, busy, compute } = study;
    return (
        <div className="flex items-center gap-3">
            <Choice<'areas' | 'files'>
                label="Panel"
                value={tab}
                options={[
                    { value: 'areas', label: 'Areas and light' },
                    { value: 'files', label: `Files (${meshes.length})` },
                ]}
                onChoose={setTab}
            />
            <Button
                look={light.dataUrl === null || light.isStale ? 'main' : 'plain'}
                disabled={meshes.length === 0 || busy}
                onClick={() => void compute()}
            >
                {light.dataUrl === null ? 'Calculate lighting' : 'Calculate again'}
            </Button>
        </div>
    );
}

function LitFigure({ study }: { study: Study }) {
    const { light, view, area, path, step, spray, isLit, marks, pick, onViewer } = study;
    return (
        <div className="relative min-h-0 flex-1">
            {light.dataUrl === null || light.areasUrl === null ? (
                <p className="max-w-prose p-4">
                    Import the print files of this figure, set which part each one is, and calculate the lighting: where
                    spray from above lands, where recesses and edges are, how large every area is. STL, OBJ or 3MF, each
                    up to 120 MB and 2 million triangles.
                </p>
            ) : (
                <MeshView
                    dataUrl={light.dataUrl}
                    areasUrl={light.areasUrl}
                    glowUrl={
                        area !== null && study.glow.isHere
                            ? url('light.glow', { ...path, area, of: light.areasUrl.slice(-12) })
                            : null
                    }
                    light={light}
                    view={view}
                    areas={light.areas}
                    step={step}
                    shown={spray}
                    chosen={area}
                    isLit={isLit}
                    camera={light.camera}
                    marks={marks}
                    onPick={pick}
                    onViewer={onViewer}
                />
            )}
        </div>
    );
}

function LayerSlider({ study }: { study: Study }) {
    const { most, step, setStep } = study;
    return (
        <label className="flex items-center gap-2">
            layer
            <input
                type="range"
                min={0}
                max={most}
                value={Math.min(step, most)}
                aria-label="Layers applied so far"
                className="h-6 w-20"
                onChange={(event) => {
                    setStep(Number(event.target.value));
                }}
            />
            {Math.min(step, most)} of {most}
        </label>
    );
}

function ViewBar({ study }: { study: Study }) {
    const { view, setView, area, light, isLit, setLit, keepLook } = study;
    return (
        <div className="flex flex-wrap items-center gap-2 border-b border-line p-2 text-sm">
            <Choice<View>
                label="Show"
                value={view}
                options={[
                    { value: 'finish', label: 'Finish' },
                    { value: 'lightness', label: 'Grey' },
                    { value: 'bare', label: 'Bare' },
                    { value: 'prime', label: 'Primer' },
                    { value: 'exposure', label: 'Exposure' },
                    { value: 'zones', label: 'Zones' },
                    { value: 'areas', label: 'Areas' },
                    { value: 'glow', label: 'Glow' },
                ]}
                onChoose={setView}
            />
            {(view === 'finish' || view === 'lightness') && <LayerSlider study={study} />}
            {view === 'glow' && (
                <span>
                    {area === null
                        ? 'Choose the area that shines.'
                        : `${light.areas.find((a) => a.id === area)?.name ?? ''} shines in a dark room.`}
                </span>
            )}
            <Tick
                checked={isLit}
                onTick={(isOn) => {
                    setLit(isOn);
                }}
            >
                lit
            </Tick>
            {light.dataUrl !== null && (
                <Button
                    className="ml-auto"
                    size="small"
                    disabled={!study.isDrawn}
                    title={study.isDrawn ? undefined : 'The mesh is not drawn: there is no view to save.'}
                    onClick={() => void keepLook()}
                >
                    Save view
                </Button>
            )}
        </div>
    );
}

function useLightActions(state: LightState) {
    const { attempt, light, setLight, path, setMessage, tool, setTool, setView, setArea, area, setSeeds, seeds } =
        state;
    const { size, setSize, line, setLine, spray, setRefusals } = state;
    const keepLook = useKeepLook(state);

    const { fill, forget, refill } = useFill(state);

    /** Something that gives the light anew. */
    function change(
        method: 'PUT' | 'POST',
        route: string,
        body?: unknown,
        onDone?: (next: LightProps | ActProps) => void,
    ) {
        forget();
        return attempt(async () => {
            const next = await send<LightProps | ActProps>(method, route, body);
            setLight((before) => ({ ...before, ...next }));
            onDone?.(next);
        }).then((done) => {
            // A refused setting is not shown as if it were set.
            if (!done) setRefusals((before) => before + 1);
            return done;
        });
    }

    const compute = async () => {
        // The stages above say that it is calculated anew.
        if (await change('POST', url('light.compute', path))) router.reload({ only: ['figure'] });
    };

    function pick(at: Point, areaId: number) {
        if (tool === 'look') {
            setArea(areaId === 0 ? null : areaId);
        } else if (tool === 'lasso') {
            setLine([...line, at]);
        } else if (tool === 'aim') {
            setTool('look');
            setMessage(null);
            void change('PUT', url('light.settings', path), { spray: light.sprays[spray]?.technique, aim: at });
        } else if (tool === 'gradient') {
            const from = line[0];
            if (!from) {
                setLine([at]);
                setMessage('Now click the tip.');
                return;
            }
            setLine([]);
            setTool('look');
            setMessage(null);
            void change('PUT', url('light.gradient', { ...path, area: area ?? 0 }), { isGradient: true, from, to: at });
        } else if (tool === 'seeds') {
            if (area !== null) setSeeds([...seeds, { at, areaId: area }]);
            else setMessage('First choose the area of this seed.');
        } else if (tool === 'crease') {
            void fill({ at, areaId: area, size: size.crease });
        } else {
            void change('POST', url('light.assign', path), { at, tool, size: size.brush, areaId: area });
        }
    }

    function slide(next: typeof size) {
        setSize(next);
        if (next.crease !== size.crease) void refill(next.crease);
    }

    function setGradient(along: Along) {
        if (area === null || along === 'now') return;
        setView('zones');
        if (along === 'points') {
            setTool('gradient');
            setLine([]);
            setMessage('Click where it begins, its root.');
            return;
        }
        return change('PUT', url('light.gradient', { ...path, area }), {
            isGradient: along !== 'none',
            ...(along === 'side' || along === 'front' ? { along } : {}),
        });
    }

    function aim() {
        setTool('aim');
        setMessage('Click where the spray points.');
    }

    return { change, compute, pick, slide, keepLook, setGradient, aim };
}

type Fill = { at: Point; areaId: number | null; size: number };

/** A fill follows its threshold as long as it is the last act: moved, it takes the place of what it was. */
function useFill({ attempt, setLight, path }: LightState) {
    const filled = useRef<(Fill & { act: number }) | null>(null);
    const threshold = useRef(0);
    const isFollowing = useRef(false);

    const once = (what: Fill, instead: number | null) =>
        attempt(async () => {
            filled.current = null;
            const next = await send<ActProps>('POST', url('light.assign', path), { ...what, tool: 'crease', instead });
            setLight((before) => ({ ...before, ...next }));
            filled.current = next.lastAct === null ? null : { ...what, act: next.lastAct };
        });

    /** What it was moved to meanwhile is filled next; what lies between is not. */
    async function follow() {
        if (isFollowing.current) return;
        isFollowing.current = true;
        try {
            for (let last = filled.current; last && last.size !== threshold.current; last = filled.current) {
                await once({ at: last.at, areaId: last.areaId, size: threshold.current }, last.act);
            }
        } finally {
            isFollowing.current = false;
        }
    }

    async function fill(what: Fill) {
        threshold.current = what.size;
        await once(what, null);
        await follow();
    }

    async function refill(size: number) {
        threshold.current = size;
        await follow();
    }

    const forget = () => {
        filled.current = null;
    };

    return { fill, forget, refill };
}

function useKeepLook({ viewer, attempt, light, path }: LightState) {
    return async () => {
        const made = viewer.current;
        if (!made) return;
        await attempt(async () => {
            const still = await made.still();
            const camera = made.seenFrom(light.sizeMm);
            const form = new FormData();
            camera.from.forEach((v) => {
                form.append('camera[from][]', String(v));
            });
            camera.to.forEach((v) => {
                form.append('camera[to][]', String(v));
            });
            form.append('camera[size]', String(camera.size));
            if (still) form.append('still', still, 'still.png');
            return send('POST', url('light.look', path), form);
        });
    };
}
