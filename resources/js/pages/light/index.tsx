import { Link, router } from '@inertiajs/react';
import { useEffect, useState } from 'react';
import { MeshView } from '@/features/mesh-view/mesh-view';
import type { View } from '@/features/mesh-view/colours';
import { Shell } from '@/features/shell/shell';
import { ApiError, send } from '@/shared/lib/api';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import type { FigureProps, LightProps, LitAreaProps, MeshProps } from '@/types/generated';
import { Files } from './files';

type Props = { figure: FigureProps; meshes: MeshProps[]; parts: { id: number; name: string }[]; light: LightProps };

type Tool = 'look' | 'piece' | 'crease' | 'brush';

const KEYS = [
    ['arrows', 'turn the mesh'],
    ['+  -', 'nearer, farther'],
] as const;

const NONE = 'none';

/** The printed mesh and the light on it: where spray from above falls, what that means for every area. */
export default function LightPage(props: Props) {
    const { figure, meshes, parts } = props;
    const [light, setLight] = useState(props.light);
    // Asked for one area, it is shown among the others.
    const [view, setView] = useState<View>(() => (asked(props.light.areas) === null ? 'finish' : 'areas'));
    const [isLit, setLit] = useState(true);
    const [step, setStep] = useState(99);
    const [tool, setTool] = useState<Tool>('look');
    const [size, setSize] = useState({ crease: 30, brush: 2 });
    const [area, setArea] = useState<number | null>(() => asked(props.light.areas));
    const [said, setSaid] = useState<string | null>(null);
    const [tab, setTab] = useState<'areas' | 'files'>(props.light.dataUrl === null ? 'files' : 'areas');
    const most = Math.max(1, ...light.areas.map((a) => a.rows.length - 1));
    const busy = light.state === 'waiting' || light.state === 'running';

    useEffect(() => {
        if (!busy) return;
        const timer = window.setInterval(() => {
            void send<{ state: string; progress: number; problem: string | null }>(
                'GET',
                url('light.progress', { figure: figure.id }),
            ).then((now) => {
                setLight((before) => ({ ...before, ...now }));
                if (now.state === 'done')
                    router.reload({
                        onSuccess: ({ props: next }) => {
                            setLight(next['light'] as LightProps);
                        },
                    });
            });
        }, 700);
        return () => {
            window.clearInterval(timer);
        };
    }, [busy, figure.id]);

    async function attempt(act: () => Promise<LightProps | { message: string }>) {
        try {
            const answer = await act();
            if ('areas' in answer) setLight(answer);
            else setSaid(answer.message);
            if ('areas' in answer) setSaid(null);
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setSaid(error.message);
        }
    }

    function pick(at: [number, number, number], areaId: number) {
        if (tool === 'look') {
            setArea(areaId === 0 ? null : areaId);
            return;
        }
        void attempt(() =>
            send<LightProps>('POST', url('light.assign', { figure: figure.id }), {
                at,
                tool,
                size: tool === 'brush' ? size.brush : size.crease,
                areaId: area,
            }),
        );
    }

    return (
        <Shell title={`Light on ${figure.name}`} figure={figure} keys={KEYS} wide>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <div className="flex min-h-[60vh] min-w-0 flex-1 flex-col lg:min-h-0">
                    <div className="flex flex-wrap items-center gap-3 border-b border-line p-2 text-sm">
                        <Choice<View>
                            label="Show"
                            value={view}
                            options={[
                                { value: 'finish', label: 'Finish' },
                                { value: 'lightness', label: 'In grey' },
                                { value: 'prime', label: 'Zenithal prime' },
                                { value: 'exposure', label: 'Exposure' },
                                { value: 'zones', label: 'Zones' },
                                { value: 'areas', label: 'Areas' },
                                { value: 'glow', label: 'Glow' },
                            ]}
                            onChoose={setView}
                        />
                        {(view === 'finish' || view === 'lightness') && (
                            <label className="flex items-center gap-2">
                                layer
                                <input
                                    type="range"
                                    min={0}
                                    max={most}
                                    value={Math.min(step, most)}
                                    aria-label="Layers put on so far"
                                    className="h-6 w-28"
                                    onChange={(event) => {
                                        setStep(Number(event.target.value));
                                    }}
                                />
                                {Math.min(step, most)} of {most}
                            </label>
                        )}
                        {view === 'glow' && (
                            <span>
                                {area === null
                                    ? 'Choose the area that shines.'
                                    : `${light.areas.find((a) => a.id === area)?.name ?? ''} shines in a dark room.`}
                            </span>
                        )}
                        <label className="flex items-center gap-2">
                            <input
                                type="checkbox"
                                className="h-6 w-6"
                                checked={isLit}
                                onChange={(event) => {
                                    setLit(event.target.checked);
                                }}
                            />
                            lit
                        </label>
                    </div>
                    <div className="relative min-h-0 flex-1">
                        {light.dataUrl === null ? (
                            <p className="max-w-prose p-4">
                                Bring in the print files of this figure, say which part each of them is, and let the
                                light be computed: where spray from above falls, where recesses and edges are, how large
                                every area is.
                            </p>
                        ) : (
                            <MeshView
                                dataUrl={light.dataUrl}
                                glowUrl={
                                    view === 'glow' && area !== null
                                        ? url('light.glow', { figure: figure.id, area, of: light.dataUrl.slice(-12) })
                                        : null
                                }
                                up={light.up}
                                view={view}
                                areas={light.areas}
                                step={step}
                                passes={light.passes}
                                chosen={area}
                                isLit={isLit}
                                onPick={pick}
                            />
                        )}
                    </div>
                </div>
                <aside className="flex w-full shrink-0 flex-col gap-3 overflow-y-auto border-l border-line p-3 text-sm lg:w-[26rem]">
                    <Choice<'areas' | 'files'>
                        label="Panel"
                        value={tab}
                        options={[
                            { value: 'areas', label: 'Areas and light' },
                            { value: 'files', label: `Files (${meshes.length})` },
                        ]}
                        onChoose={setTab}
                    />
                    {said !== null && <Notice strong>{said}</Notice>}
                    {light.problem !== null && <Notice strong>{light.problem}</Notice>}
                    {light.isStale && !busy && light.dataUrl !== null && (
                        <Notice strong>Files or pose changed since the light was computed.</Notice>
                    )}
                    <div className="flex items-center gap-3">
                        <Button
                            look={light.dataUrl === null || light.isStale ? 'main' : 'plain'}
                            disabled={meshes.length === 0 || busy}
                            onClick={() =>
                                void attempt(() =>
                                    send<LightProps>('POST', url('light.compute', { figure: figure.id })),
                                )
                            }
                        >
                            {light.dataUrl === null ? 'Compute the light' : 'Compute it again'}
                        </Button>
                        {busy && (
                            <>
                                <progress value={light.progress} max={1} className="w-28" aria-label="Light computed" />
                                <Button
                                    onClick={() =>
                                        void attempt(() =>
                                            send<{ message: string }>(
                                                'DELETE',
                                                url('light.stop', { figure: figure.id }),
                                            ),
                                        )
                                    }
                                >
                                    Stop
                                </Button>
                            </>
                        )}
                        {light.state === 'stopped' && <span>Stopped.</span>}
                    </div>
                    {tab === 'files' ? (
                        <Files
                            figure={figure}
                            meshes={meshes}
                            parts={parts}
                            light={light}
                            onSettings={(change) =>
                                void attempt(() =>
                                    send<LightProps>('PUT', url('light.settings', { figure: figure.id }), change),
                                )
                            }
                        />
                    ) : (
                        <>
                            <Spray
                                spread={light.spread}
                                onSet={(spread) =>
                                    void attempt(() =>
                                        send<LightProps>('PUT', url('light.settings', { figure: figure.id }), {
                                            spread,
                                        }),
                                    )
                                }
                            />
                            {light.dataUrl !== null && (
                                <Tools
                                    areas={light.areas}
                                    area={area}
                                    onArea={setArea}
                                    tool={tool}
                                    onTool={(next) => {
                                        setTool(next);
                                        if (next !== 'look') setView('areas');
                                    }}
                                    size={size}
                                    onSize={setSize}
                                />
                            )}
                            <Areas figure={figure} areas={light.areas} chosen={area} onChoose={setArea} />
                            {light.borders.length > 0 && (
                                <p className="text-xs text-quiet">
                                    Borders:{' '}
                                    {light.borders
                                        .map(
                                            (b) =>
                                                `${b.one} and ${b.other} ${Math.round(b.mm)} mm${b.isCurved ? '' : ', straight'}`,
                                        )
                                        .join('; ')}
                                    .
                                </p>
                            )}
                            {light.dataUrl !== null && (
                                <Button
                                    className="self-start"
                                    onClick={() =>
                                        void attempt(() =>
                                            send<{ message: string }>(
                                                'POST',
                                                url('light.measures', { figure: figure.id }),
                                            ),
                                        )
                                    }
                                >
                                    Reckon order and paint with these measures
                                </Button>
                            )}
                        </>
                    )}
                </aside>
            </div>
        </Shell>
    );
}

function Spray({ spread, onSet }: { spread: number; onSet: (spread: number) => void }) {
    const [value, setValue] = useState(spread);
    return (
        <label className="flex items-center gap-2">
            Spray cone
            <input
                type="range"
                min={5}
                max={60}
                step={5}
                value={value}
                aria-label="Half angle of the spray cone, degrees"
                className="h-6 flex-1"
                onChange={(event) => {
                    setValue(Number(event.target.value));
                }}
                onPointerUp={() => {
                    onSet(value);
                }}
                onKeyUp={() => {
                    onSet(value);
                }}
            />
            {value}° around up
        </label>
    );
}

function Tools({
    areas,
    area,
    onArea,
    tool,
    onTool,
    size,
    onSize,
}: {
    areas: readonly LitAreaProps[];
    area: number | null;
    onArea: (id: number | null) => void;
    tool: Tool;
    onTool: (tool: Tool) => void;
    size: { crease: number; brush: number };
    onSize: (size: { crease: number; brush: number }) => void;
}) {
    return (
        <div className="flex flex-col gap-2 bg-sunk p-2">
            <Choice<Tool>
                label="A press on the mesh"
                value={tool}
                options={[
                    { value: 'look', label: 'chooses' },
                    { value: 'piece', label: 'whole piece' },
                    { value: 'crease', label: 'up to creases' },
                    { value: 'brush', label: 'brush' },
                ]}
                onChoose={onTool}
            />
            {tool !== 'look' && (
                <div className="grid grid-cols-2 items-end gap-2">
                    <Pick
                        label="becomes"
                        value={area === null ? NONE : String(area)}
                        options={[
                            { value: NONE, label: 'no area' },
                            ...areas.map((a) => ({ value: String(a.id), label: a.name })),
                        ]}
                        onPick={(value) => {
                            onArea(value === NONE ? null : Number(value));
                        }}
                    />
                    {tool === 'crease' && (
                        <label>
                            creases from {size.crease}°
                            <input
                                type="range"
                                min={5}
                                max={90}
                                value={size.crease}
                                className="h-6 w-full"
                                onChange={(event) => {
                                    onSize({ ...size, crease: Number(event.target.value) });
                                }}
                            />
                        </label>
                    )}
                    {tool === 'brush' && (
                        <label>
                            brush of {one(size.brush)} mm
                            <input
                                type="range"
                                min={0.5}
                                max={15}
                                step={0.5}
                                value={size.brush}
                                className="h-6 w-full"
                                onChange={(event) => {
                                    onSize({ ...size, brush: Number(event.target.value) });
                                }}
                            />
                        </label>
                    )}
                </div>
            )}
        </div>
    );
}

function Areas({
    figure,
    areas,
    chosen,
    onChoose,
}: {
    figure: FigureProps;
    areas: readonly LitAreaProps[];
    chosen: number | null;
    onChoose: (id: number) => void;
}) {
    return (
        <table className="w-full text-left">
            <thead className="text-xs text-quiet">
                <tr>
                    <th className="font-normal">area</th>
                    <th className="text-right font-normal">cm²</th>
                    <th className="pl-3 text-right font-normal">spray, of 100</th>
                    <th className="pl-3 font-normal">recess to edge</th>
                </tr>
            </thead>
            <tbody>
                {areas.map((area) => (
                    <tr key={area.id} className={`border-t border-line ${area.id === chosen ? 'bg-raised' : ''}`}>
                        <th scope="row" className="py-1 font-normal">
                            <button
                                type="button"
                                className={`text-left underline-offset-4 hover:underline ${area.id === chosen ? 'font-bold' : ''}`}
                                onClick={() => {
                                    onChoose(area.id);
                                }}
                            >
                                {area.name}
                            </button>{' '}
                            <Link
                                className="text-xs underline"
                                href={url('figures.finishes', { figure: figure.id, area: area.id })}
                            >
                                finish
                            </Link>
                            {area.advice !== null && <span className="block text-xs leading-tight">{area.advice}</span>}
                        </th>
                        <td className="text-right align-top">{area.cm2 === null ? '' : one(area.cm2)}</td>
                        <td className="text-right align-top">
                            {area.exposure === null ? '' : `${Math.round(100 * area.exposure)}`}
                        </td>
                        <td className="w-28 pl-3 align-top">
                            <Shares shares={area.shares} row={area.rows[area.rows.length - 1] ?? []} />
                        </td>
                    </tr>
                ))}
                {areas.length === 0 && (
                    <tr>
                        <td colSpan={4}>{many(0, 'area')}: name them in the brief.</td>
                    </tr>
                )}
            </tbody>
        </table>
    );
}

/** The five zones, each as wide as its share and in its own colour. */
function Shares({ shares, row }: { shares: readonly number[]; row: readonly string[] }) {
    if (shares.length === 0) return <span className="text-xs text-quiet">not on the mesh</span>;
    return (
        <span
            role="img"
            aria-label={shares.map((share) => `${Math.round(100 * share)}`).join(', ')}
            className="mt-1 flex h-4 w-full"
        >
            {shares.map((share, i) => (
                <span key={i} style={{ width: `${100 * share}%`, background: row[i] }} />
            ))}
        </span>
    );
}

/** The area that the address asks for. */
function asked(areas: readonly LitAreaProps[]): number | null {
    const id = Number(new URLSearchParams(window.location.search).get('area'));
    return areas.some((area) => area.id === id) ? id : null;
}
