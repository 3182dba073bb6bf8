import { useState } from 'react';
import { Boundaries } from '@/features/boundaries/boundaries';
import { send } from '@/shared/lib/api';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Removable } from '@/shared/ui/removable';
import { Tick } from '@/shared/ui/tick';
import { areaUnit, fromCm2, toCm2 } from '@/shared/lib/units';
import type {
    BuildProps,
    BuiltAreaProps,
    FigureProps,
    PrintProcess,
    Reach,
    Seam,
    BuiltPartProps,
} from '@/types/generated';
import { LIMITS } from '@/types/limits';

const TEMPLATES = ['figure on a base', 'bust', 'prop', 'set of equal figures'];

/** The figure as it is built: quick to enter, each thing with a default. */
export function Build({ figure, build }: { figure: FigureProps; build: BuildProps }) {
    const { message: problem, attempt: doing } = useAttempt();

    const attempt = (act: () => Promise<unknown>) =>
        doing(async () => {
            await act();
            await reloaded();
        });

    const partName = (id: number) => build.parts.find((p) => p.id === id)?.name ?? '';
    const areaName = (id: number) => build.areas.find((a) => a.id === id)?.name ?? '';
    const parts = build.parts.map((p) => ({ value: String(p.id), label: p.name }));
    const areas = build.areas.map((a) => ({ value: String(a.id), label: a.name }));
    return (
        <div className="flex flex-col gap-6">
            {problem !== null && <Notice strong>{problem}</Notice>}
            {build.parts.length === 0 ? (
                <Templates attempt={attempt} figure={figure} />
            ) : (
                <details className="text-sm">
                    <summary className="cursor-pointer underline underline-offset-4">
                        Add a template to what is there
                    </summary>
                    <Templates attempt={attempt} figure={figure} />
                </details>
            )}
            <div className="grid gap-8 lg:grid-cols-2">
                <PartsAndAreas build={build} attempt={attempt} figure={figure} />
                <div className="flex flex-col gap-6">
                    <Joints
                        build={build}
                        partName={partName}
                        areaName={areaName}
                        attempt={attempt}
                        figure={figure}
                        parts={parts}
                        areas={areas}
                    />
                    <Boundaries figure={figure} boundaries={build.boundaries} areas={areas} attempt={attempt} />
                </div>
            </div>
        </div>
    );
}

type Attempt = (act: () => Promise<unknown>) => Promise<boolean>;

function AreaRow({ figure, area, attempt }: { figure: FigureProps; area: BuiltAreaProps; attempt: Attempt }) {
    const save = (change: Record<string, unknown>) =>
        attempt(() => send('PATCH', url('build.area', { figure: figure.id, area: area.id }), change));
    return (
        <tr className="border-t border-line">
            <th scope="row" className="py-1 pl-4 font-normal">
                {area.name}
            </th>
            <td>
                <span className="mr-1 text-xs text-quiet sm:hidden">depth</span>
                <input
                    type="number"
                    {...LIMITS.depth}
                    aria-label={`Depth of ${area.name}`}
                    className="w-16 border border-strong bg-raised px-2 py-1"
                    defaultValue={area.depth}
                    onBlur={(event) => {
                        const depth = Number(event.target.value);
                        if (depth !== area.depth) void save({ depth });
                    }}
                />
            </td>
            <td>
                <span className="mr-1 text-xs text-quiet sm:hidden">{areaUnit()}</span>
                <input
                    inputMode="decimal"
                    aria-label={`Surface of ${area.name}, ${areaUnit()}`}
                    placeholder={`about ${fromCm2(area.estimatedCm2)}`}
                    className="w-20 border border-strong bg-raised px-2 py-1"
                    defaultValue={fromCm2(area.squareCm ?? '')}
                    onBlur={(event) => {
                        const text = toCm2(event.target.value);
                        if (event.target.value !== fromCm2(area.squareCm ?? ''))
                            void save({ squareCm: text === '' ? null : text });
                    }}
                />
            </td>
            <td className="pl-3">
                <Tick checked={area.isHidden} onTick={(isOn) => save({ isHidden: isOn })}>
                    hidden
                </Tick>
                <Tick
                    className="mt-1 whitespace-nowrap"
                    checked={area.isLeftBare}
                    onTick={(isOn) => save({ isLeftBare: isOn })}
                >
                    left bare
                </Tick>
            </td>
            <ReachPick area={area} save={save} />
        </tr>
    );
}

type Option = { value: string; label: string };

const NOTHING = 'nothing';

function AddJoint({
    parts,
    areas,
    onAdd,
}: {
    parts: readonly Option[];
    areas: readonly Option[];
    onAdd: (body: Record<string, unknown>) => void;
}) {
    const [a, setA] = useState(parts[0]?.value ?? '');
    const [b, setB] = useState(parts[1]?.value ?? '');
    const [hides, setHides] = useState(NOTHING);
    const [seam, setSeam] = useState<Seam>('fits');
    const [isLast, setLast] = useState(false);
    return (
        <div className="mt-2 grid grid-cols-2 items-end gap-2 bg-sunk p-3 sm:grid-cols-[1fr_1fr_1fr_1fr_auto]">
            <Pick label="Part" value={a} options={parts} onPick={setA} />
            <Pick label="and" value={b} options={parts} onPick={setB} />
            <Pick
                label="hides"
                value={hides}
                options={[{ value: NOTHING, label: 'nothing' }, ...areas]}
                onPick={setHides}
            />
            <Pick<Seam>
                label="seam"
                value={seam}
                options={[
                    { value: 'fits', label: 'fits' },
                    { value: 'filled', label: 'is filled' },
                ]}
                onPick={setSeam}
            />
            <Tick
                className="col-span-2 min-h-8 text-sm sm:col-span-4 sm:row-start-2"
                checked={isLast}
                onTick={(isOn) => {
                    setLast(isOn);
                }}
            >
                painted apart, glued when both are finished
            </Tick>
            <Button
                onClick={() => {
                    onAdd({
                        partId: Number(a),
                        otherId: Number(b),
                        hides: hides === NOTHING ? [] : [Number(hides)],
                        seam,
                        isLast,
                    });
                }}
            >
                Add joint
            </Button>
        </div>
    );
}

function ReachPick({ area, save }: { area: BuiltAreaProps; save: (change: Record<string, unknown>) => unknown }) {
    return (
        <td className="w-36 py-0.5 pl-3">
            <Pick<Reach>
                label={`What reaches ${area.name}`}
                hideLabel
                value={area.reach}
                options={[
                    { value: 'open', label: 'easy to reach' },
                    { value: 'brush only', label: 'brush only' },
                    { value: 'only the prime', label: 'primer only' },
                ]}
                onPick={(reach) => save({ reach })}
            />
        </td>
    );
}

function Joints({
    build,
    partName,
    areaName,
    attempt,
    figure,
    parts,
    areas,
}: {
    build: BuildProps;
    partName: (id: number) => string;
    areaName: (id: number) => string;
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    figure: FigureProps;
    parts: { value: string; label: string }[];
    areas: { value: string; label: string }[];
}) {
    return (
        <section>
            <h2 className="mb-2 text-lg font-semibold">Joints</h2>
            <ul className="text-sm">
                {build.joints.map((joint) => (
                    <Removable
                        key={joint.id}
                        words={`${partName(joint.partId)} and ${partName(joint.otherId)}${
                            joint.hides.length > 0 ? `, hides ${joint.hides.map(areaName).join(', ')}` : ''
                        }${joint.seam === 'filled' ? ', seam filled' : ''}; ${
                            joint.isGluedEarly ? 'glued before the primer' : 'painted apart, joined later'
                        }`}
                        onRemove={() =>
                            void attempt(() =>
                                send('DELETE', url('joints.destroy', { figure: figure.id, joint: joint.id })),
                            )
                        }
                    />
                ))}
            </ul>
            {parts.length > 1 && (
                <AddJoint
                    parts={parts}
                    areas={areas}
                    onAdd={(body) => void attempt(() => send('POST', url('joints.store', { figure: figure.id }), body))}
                />
            )}
        </section>
    );
}

type PartOfFigure = {
    part: BuiltPartProps;
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    figure: FigureProps;
};

function Attachments({ part, attempt, figure }: PartOfFigure) {
    return (
        <tr>
            <td colSpan={5} className="pb-1 pl-4">
                <input
                    aria-label={`Attached to ${part.name} before paint`}
                    placeholder="attachments before paint: magnets, pins, straps"
                    maxLength={120}
                    className="w-full border border-strong bg-raised px-2 py-1"
                    defaultValue={part.attachments ?? ''}
                    onBlur={(event) => {
                        const attachments = event.target.value;
                        if (attachments !== (part.attachments ?? ''))
                            void attempt(() =>
                                send('PATCH', url('build.part', { figure: figure.id, part: part.id }), { attachments }),
                            );
                    }}
                />
            </td>
        </tr>
    );
}

const USUAL = 'usual';
const GRITS = [60, 80, 120, 180, 220, 320, 400, 800];

/** Where its sanding begins and ends, how many rounds one expects, and what it becomes part of. */
function Sanding({ part, parts, attempt, figure }: PartOfFigure & { parts: readonly BuiltPartProps[] }) {
    const save = (change: Record<string, unknown>) =>
        attempt(() => send('PATCH', url('build.part', { figure: figure.id, part: part.id }), change));
    const grit = (label: string, value: number | null, sent: string) => (
        <label className="flex items-center gap-1">
            {label}
            <select
                aria-label={`Sanding of ${part.name} ${label}`}
                className="min-h-8 border border-strong bg-raised px-1"
                value={value ?? USUAL}
                onChange={(event) => {
                    void save({ [sent]: event.target.value === USUAL ? null : Number(event.target.value) });
                }}
            >
                <option value={USUAL}>as usual</option>
                {GRITS.map((g) => (
                    <option key={g} value={g}>
                        P{g}
                    </option>
                ))}
            </select>
        </label>
    );
    return (
        <tr>
            <td colSpan={5} className="pb-1 pl-4">
                <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-xs">
                    <span className="text-quiet">Sanding</span>
                    {grit('from', part.gritFrom, 'gritFrom')}
                    {grit('to', part.gritTo, 'gritTo')}
                    <label className="flex items-center gap-1">
                        rounds
                        <input
                            type="number"
                            {...LIMITS.sandingRounds}
                            placeholder="usual"
                            aria-label={`Sanding rounds of ${part.name}`}
                            className="w-16 border border-strong bg-raised px-1 py-1"
                            defaultValue={part.sandingRounds ?? ''}
                            onBlur={(event) => {
                                const rounds = event.target.value === '' ? null : Number(event.target.value);
                                if (rounds !== part.sandingRounds) void save({ sandingRounds: rounds });
                            }}
                        />
                    </label>
                    {parts.length > 1 && (
                        <label className="ml-auto flex items-center gap-1">
                            merge into
                            <select
                                aria-label={`Merge ${part.name} into`}
                                className="min-h-8 border border-strong bg-raised px-1"
                                value=""
                                onChange={(event) => {
                                    // Read at once: by the time it is sent the list shows nothing chosen again.
                                    const intoId = Number(event.target.value);
                                    void attempt(() =>
                                        send('POST', url('build.merge', { figure: figure.id, part: part.id }), {
                                            intoId,
                                        }),
                                    );
                                }}
                            >
                                <option value="">...</option>
                                {parts
                                    .filter((p) => p.id !== part.id)
                                    .map((p) => (
                                        <option key={p.id} value={p.id}>
                                            {p.name}
                                        </option>
                                    ))}
                            </select>
                        </label>
                    )}
                </div>
            </td>
        </tr>
    );
}

function PartRow({ part, attempt, figure }: PartOfFigure) {
    const save = (change: Record<string, unknown>) =>
        attempt(() => send('PATCH', url('build.part', { figure: figure.id, part: part.id }), change));
    return (
        <tr className="border-t border-strong">
            <th scope="row" className="py-1 font-semibold">
                <input
                    aria-label={`Name of ${part.name}`}
                    maxLength={120}
                    className="w-full min-w-24 border border-transparent bg-transparent px-1 py-1 font-semibold hover:border-strong focus:border-strong focus:bg-raised"
                    defaultValue={part.name}
                    onBlur={(event) => {
                        const name = event.target.value.trim();
                        if (name !== '' && name !== part.name) void save({ name });
                    }}
                />
            </th>
            <td colSpan={2} className="py-1">
                <ProcessPick part={part} attempt={attempt} figure={figure} />
            </td>
            <td className="pl-3" colSpan={2}>
                <Tick className="whitespace-nowrap" checked={part.isBase} onTick={(isOn) => save({ isBase: isOn })}>
                    the base
                </Tick>
                <Tick
                    className="mt-1 whitespace-nowrap"
                    checked={part.isFiddly}
                    onTick={(isOn) => save({ isFiddly: isOn })}
                >
                    too small to hold
                </Tick>
            </td>
        </tr>
    );
}

/** On a phone a row of the table is read line under line. */
const STACKED =
    'max-sm:block max-sm:[&_tbody]:block max-sm:[&_thead]:hidden max-sm:[&_tr]:flex max-sm:[&_tr]:flex-wrap ' +
    'max-sm:[&_tr]:items-center max-sm:[&_tr]:gap-x-3 max-sm:[&_tr]:py-1 max-sm:[&_th]:w-full max-sm:[&_th]:pl-0 ' +
    'max-sm:[&_td]:w-auto max-sm:[&_td]:pl-0 max-sm:[&_td[colspan="5"]]:w-full';

function PartsAndAreas({
    build,
    attempt,
    figure,
}: {
    build: BuildProps;
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    figure: FigureProps;
}) {
    return (
        <section>
            <h2 className="mb-2 text-lg font-semibold">Parts and areas</h2>
            <table className={`w-full text-left text-sm ${STACKED}`}>
                <thead className="text-xs text-quiet">
                    <tr>
                        <th className="font-normal">part, area</th>
                        <th className="font-normal">depth, 0 innermost</th>
                        <th className="font-normal">{areaUnit()}</th>
                        <th className="font-normal" />
                        <th className="font-normal" />
                    </tr>
                </thead>
                {build.parts.map((part) => (
                    <tbody key={part.id}>
                        <PartRow part={part} attempt={attempt} figure={figure} />
                        <Attachments part={part} attempt={attempt} figure={figure} />
                        <Sanding part={part} parts={build.parts} attempt={attempt} figure={figure} />
                        {build.areas
                            .filter((a) => a.partId === part.id)
                            .map((area) => (
                                <AreaRow key={area.id} figure={figure} area={area} attempt={attempt} />
                            ))}
                    </tbody>
                ))}
            </table>
            {build.areas.some((a) => a.partId === null) && (
                <Notice>
                    On no part:{' '}
                    {build.areas
                        .filter((a) => a.partId === null)
                        .map((a) => a.name)
                        .join(', ')}
                    . Set their part in the brief.
                </Notice>
            )}
        </section>
    );
}

function Templates({
    attempt,
    figure,
}: {
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    figure: FigureProps;
}) {
    return (
        <section>
            <h2 className="mb-2 text-lg font-semibold">Start from a template</h2>
            <div className="flex flex-wrap gap-2">
                {TEMPLATES.map((template) => (
                    <Button
                        key={template}
                        onClick={() =>
                            void attempt(() => send('POST', url('build.template', { figure: figure.id }), { template }))
                        }
                    >
                        {template}
                    </Button>
                ))}
            </div>
        </section>
    );
}

function ProcessPick({ part, attempt, figure }: PartOfFigure) {
    return (
        <Pick<PrintProcess>
            label={`Print of ${part.name}`}
            hideLabel
            value={part.process}
            options={[
                { value: 'resin', label: 'resin' },
                { value: 'melted plastic', label: 'melted plastic' },
            ]}
            onPick={(process) =>
                attempt(() =>
                    send('PATCH', url('build.part', { figure: figure.id, part: part.id }), {
                        process,
                    }),
                )
            }
        />
    );
}
