import { Link, router, useForm } from '@inertiajs/react';
import { Pencil, Trash2 } from 'lucide-react';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { Shell } from '@/features/shell/shell';
import { ApiError, isRecord, send } from '@/shared/lib/api';
import { ZONES, many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { ConflictDialog } from '@/shared/ui/conflict';
import { Field, TextArea } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Sheet } from '@/shared/ui/sheet';
import { Tick, ticked } from '@/shared/ui/tick';
import { AreaSheet } from './area-sheet';
import { lengthWords } from '@/shared/lib/units';
import { LengthField } from '@/shared/ui/length-field';
import type { AreaProps, BoundaryProps, FigureProps, PartProps, PrintProcess } from '@/types/generated';
import { LIMITS } from '@/types/limits';

type Props = { figure: FigureProps; parts: PartProps[]; areas: AreaProps[]; boundaries: BoundaryProps[] };

export default function BriefPage({ figure, parts, areas, boundaries }: Props) {
    return (
        <Shell title={`Brief of ${figure.name}`} figure={figure}>
            <div className="grid grid-cols-1 gap-6 lg:grid-cols-[22rem_1fr]">
                <Facts key={figure.version} figure={figure} />
                <section className="flex flex-col gap-4">
                    <h2 className="text-xl">Parts and areas</h2>
                    {areas.length === 0 && (
                        <Notice>
                            Name the printed parts, then the areas of paint on them. An area is one surface with one
                            finish: a coat, a face, a blade.
                        </Notice>
                    )}
                    <AddToFigure figure={figure} parts={parts} />
                    {[...parts, null].map((part) => {
                        const own = areas.filter((area) => area.partId === (part?.id ?? null));
                        if (part === null && own.length === 0) return null;
                        return (
                            <PartBlock
                                key={part?.id ?? 0}
                                figure={figure}
                                part={part}
                                areas={own}
                                all={areas}
                                parts={parts}
                                boundaries={boundaries}
                            />
                        );
                    })}
                </section>
            </div>
        </Shell>
    );
}

function Facts({ figure }: { figure: FigureProps }) {
    const facts = useFacts(figure);
    const { values, failure, removing, setRemoving, put, save } = facts;

    return (
        <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                void save(figure.version);
            }}
        >
            <h1 className="text-xl">{figure.name}</h1>
            {!figure.isGuided && !figure.isBegun && (
                <button
                    type="button"
                    className="self-start text-sm underline underline-offset-4"
                    onClick={() => {
                        void send('PUT', url('figures.guide', { figure: figure.id }), { on: true }).then(() => {
                            router.reload({ only: ['figure'] });
                        });
                    }}
                >
                    Show me the way to the first session
                </button>
            )}
            {failure !== null && Object.keys(failure.fields).length === 0 && <Notice strong>{failure.message}</Notice>}
            <Field
                label="Name"
                required
                maxLength={120}
                value={values.name}
                error={failure?.fields['name']}
                onChange={(e) => {
                    put({ name: e.target.value });
                }}
            />
            <Field
                label="Sculptor"
                maxLength={120}
                value={values.sculptor}
                onChange={(e) => {
                    put({ sculptor: e.target.value });
                }}
            />
            <Counts facts={facts} />
            <BareColour facts={facts} />
            <Uses facts={facts} />
            <TextArea
                label="What it should be"
                rows={4}
                maxLength={4000}
                value={values.about}
                onChange={(e) => {
                    put({ about: e.target.value });
                }}
            />
            <Button look="main" type="submit">
                Save
            </Button>
            <Button
                look="quiet"
                size="small"
                onClick={() => {
                    setRemoving(true);
                }}
            >
                Delete figure
            </Button>
            <DeleteSheet removing={removing} setRemoving={setRemoving} figure={figure} />
            <FactsConflict figure={figure} facts={facts} />
        </form>
    );
}

function PartBlock({
    figure,
    part,
    areas,
    all,
    parts,
    boundaries,
}: {
    figure: FigureProps;
    part: PartProps | null;
    areas: AreaProps[];
    all: AreaProps[];
    parts: PartProps[];
    boundaries: BoundaryProps[];
}) {
    return (
        <section className="border-t border-line pt-3">
            <header className="mb-2 flex items-center justify-between">
                <h3 className="text-base">{part?.name ?? 'On no part'}</h3>
                {part !== null && <PrintOf figure={figure} part={part} />}
                {part !== null && areas.length === 0 && (
                    <Button
                        size="small"
                        look="quiet"
                        aria-label={`Remove the part ${part.name}`}
                        onClick={() => {
                            router.delete(url('parts.destroy', { figure: figure.id, part: part.id }), {
                                preserveScroll: true,
                            });
                        }}
                    >
                        <Trash2 size={15} aria-hidden />
                    </Button>
                )}
            </header>
            <ul className="grid grid-cols-1 gap-2 xl:grid-cols-2">
                {areas.map((area) => (
                    <li key={area.id}>
                        <AreaRow figure={figure} area={area} all={all} parts={parts} boundaries={boundaries} />
                    </li>
                ))}
            </ul>
        </section>
    );
}

const THROUGH: readonly { value: string; label: string }[] = [
    { value: '0', label: 'opaque' },
    { value: '0.5', label: 'translucent' },
    { value: '0.9', label: 'clear' },
];

/** What a part is printed in, where that is not as the figure is. */
function PrintOf({ figure, part }: { figure: FigureProps; part: PartProps }) {
    const hex = part.bareHex ?? figure.bareHex;
    function put(change: { bareHex?: string | null; translucency?: number; process?: PrintProcess }) {
        return new Promise<void>((resolve) => {
            router.patch(url('parts.update', { figure: figure.id, part: part.id }), change, {
                preserveScroll: true,
                onFinish: () => {
                    resolve();
                },
            });
        });
    }
    return (
        <span className="ml-auto flex flex-wrap items-center gap-2 text-xs">
            <label className="flex items-center gap-1 text-quiet">
                print
                <input
                    key={hex}
                    type="color"
                    aria-label={`Print colour of ${part.name}`}
                    title="As it looks in front of white paper"
                    className="h-8 w-10 border border-strong"
                    defaultValue={hex}
                    onBlur={(event) => {
                        if (event.target.value !== hex) void put({ bareHex: event.target.value });
                    }}
                />
            </label>
            <div className="w-36">
                <Pick<PrintProcess>
                    label={`Print process of ${part.name}`}
                    hideLabel
                    value={part.process}
                    options={[
                        { value: 'resin', label: 'resin' },
                        { value: 'melted plastic', label: 'melted plastic' },
                    ]}
                    onPick={(process) => put({ process })}
                />
            </div>
            <div className="w-32">
                <Pick
                    label={`Light through ${part.name}`}
                    hideLabel
                    value={THROUGH.find((t) => Number(t.value) >= part.translucency - 0.01)?.value ?? '0'}
                    options={THROUGH}
                    onPick={(through) => put({ translucency: Number(through) })}
                />
            </div>
            {part.bareHex !== null && (
                <button
                    type="button"
                    className="underline"
                    onClick={() => {
                        void put({ bareHex: null });
                    }}
                >
                    as the figure
                </button>
            )}
        </span>
    );
}

function AreaRow({
    figure,
    area,
    all,
    parts,
    boundaries,
}: {
    figure: FigureProps;
    area: AreaProps;
    all: AreaProps[];
    parts: PartProps[];
    boundaries: BoundaryProps[];
}) {
    const [removing, setRemoving] = useState(false);
    const [editing, setEditing] = useState(false);
    const carrier = all.find((a) => a.id === area.liesOnId);
    return (
        <div className="flex items-center gap-3 border border-line bg-raised p-2">
            <TargetColours area={area} />
            <AreaWords figure={figure} area={area} carrier={carrier} />
            <Button
                size="small"
                look="quiet"
                aria-label={`Edit ${area.name}`}
                onClick={() => {
                    setEditing(true);
                }}
            >
                <Pencil size={15} aria-hidden />
            </Button>
            <AreaSheet
                key={`${area.name} ${area.liesOnId} ${area.partId} ${area.tolerance}`}
                figure={figure}
                area={area}
                areas={all}
                parts={parts}
                boundaries={boundaries}
                open={editing}
                onClose={() => {
                    setEditing(false);
                }}
            />
            <Button
                size="small"
                look="quiet"
                aria-label={`Remove the area ${area.name}`}
                onClick={() => {
                    setRemoving(true);
                }}
            >
                <Trash2 size={15} aria-hidden />
            </Button>
            <RemoveSheet removing={removing} setRemoving={setRemoving} area={area} figure={figure} />
        </div>
    );
}

/** One row: what is added most often stands first. */
function AddToFigure({ figure, parts }: { figure: FigureProps; parts: PartProps[] }) {
    return (
        <div className="grid grid-cols-1 gap-4 bg-sunk p-3 xl:grid-cols-[3fr_1fr]">
            <AddArea figure={figure} parts={parts} />
            <AddPart figure={figure} />
            <ManyAreas figure={figure} />
        </div>
    );
}

function AddPart({ figure }: { figure: FigureProps }) {
    const form = useForm({ name: '' });
    return (
        <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                form.post(url('parts.store', { figure: figure.id }), {
                    preserveScroll: true,
                    onSuccess: () => {
                        form.reset();
                    },
                });
            }}
        >
            <Field
                className="flex-1"
                label="New part"
                required
                maxLength={120}
                placeholder="Head"
                value={form.data.name}
                error={form.errors.name}
                onChange={(e) => {
                    form.setData('name', e.target.value);
                }}
            />
            <Button type="submit" disabled={form.processing}>
                Add part
            </Button>
        </form>
    );
}

function AddArea({ figure, parts }: { figure: FigureProps; parts: PartProps[] }) {
    const form = useForm({ name: '', wish: '', partId: '' });
    const partId = form.data.partId === '' ? String(parts.at(-1)?.id ?? '') : form.data.partId;
    return (
        <form
            className="flex flex-wrap items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                form.transform((data) => ({ ...data, partId }));
                form.post(url('areas.store', { figure: figure.id }), {
                    preserveScroll: true,
                    onSuccess: () => {
                        form.reset('name', 'wish');
                    },
                });
            }}
        >
            <Field
                className="w-36"
                label="New area"
                required
                maxLength={120}
                placeholder="Face"
                value={form.data.name}
                error={form.errors.name}
                onChange={(e) => {
                    form.setData('name', e.target.value);
                }}
            />
            <Field
                className="min-w-36 flex-1"
                label="What it should look like"
                maxLength={1000}
                value={form.data.wish}
                error={form.errors.wish}
                onChange={(e) => {
                    form.setData('wish', e.target.value);
                }}
            />
            {parts.length > 0 && (
                <div className="w-36">
                    <Pick
                        label="On the part"
                        value={partId}
                        options={parts.map((p) => ({ value: String(p.id), label: p.name }))}
                        onPick={(id) => {
                            form.setData('partId', id);
                        }}
                    />
                </div>
            )}
            <Button type="submit" disabled={form.processing}>
                Add area
            </Button>
        </form>
    );
}

/** Many areas in one go: a name a line, with part, size and depth where they are known. */
function ManyAreas({ figure }: { figure: FigureProps }) {
    const form = useForm({ lines: '' });
    return (
        <details className="w-full text-sm">
            <summary className="cursor-pointer underline underline-offset-4">Add many areas at once</summary>
            <form
                className="mt-2 flex flex-col gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post(url('areas.store-many', { figure: figure.id }), {
                        preserveScroll: true,
                        onSuccess: () => {
                            form.reset('lines');
                        },
                    });
                }}
            >
                <TextArea
                    label="One area a line: name, part, cm², depth (0 innermost), borders in mm. Only the name is needed."
                    rows={5}
                    placeholder={'Face, Head, 2\nHair, Head, 3, 1, Face 25\nCloak, Body, 14, 2'}
                    value={form.data.lines}
                    error={form.errors.lines}
                    onChange={(event) => {
                        form.setData('lines', event.target.value);
                    }}
                />
                <Button
                    type="submit"
                    className="self-start"
                    disabled={form.processing || form.data.lines.trim() === ''}
                >
                    Add these areas
                </Button>
            </form>
        </details>
    );
}

function RemoveSheet({
    removing,
    setRemoving,
    area,
    figure,
}: {
    removing: boolean;
    setRemoving: Dispatch<SetStateAction<boolean>>;
    area: AreaProps;
    figure: FigureProps;
}) {
    return (
        <Sheet
            open={removing}
            onClose={() => {
                setRemoving(false);
            }}
            title={`Remove the area ${area.name}?`}
            description={`Its ${many(area.layers, 'layer')} and ${many(area.samples.length, 'sample')} go with it. Runs keep what was painted.`}
        >
            <Button
                look="main"
                onClick={() => {
                    router.delete(url('areas.destroy', { figure: figure.id, area: area.id }), {
                        preserveScroll: true,
                    });
                }}
            >
                Remove
            </Button>
        </Sheet>
    );
}

function AreaWords({
    figure,
    area,
    carrier,
}: {
    figure: FigureProps;
    area: AreaProps;
    carrier: AreaProps | undefined;
}) {
    return (
        <div className="min-w-0 flex-1">
            <Link
                href={url('figures.finishes', { figure: figure.id, area: area.id })}
                className="font-semibold underline-offset-4 hover:underline"
            >
                {area.name}
            </Link>
            <p className="text-xs text-quiet">{area.wish ?? 'No description.'}</p>
            <p className="text-xs text-quiet">
                {many(area.samples.length, 'sample')}, {many(area.layers, 'layer')}
                {carrier && `, lies on ${carrier.name}`}
            </p>
        </div>
    );
}

function TargetColours({ area }: { area: AreaProps }) {
    return (
        <div role="img" aria-label={`Target colours of ${area.name}`} className="flex h-12 w-28 shrink-0">
            {ZONES.map((zone) => {
                const sample = area.samples.find((s) => s.zone === zone);
                return (
                    <span
                        key={zone}
                        className="flex-1 bg-sunk"
                        style={sample ? { background: sample.colour.hex } : {}}
                    />
                );
            })}
        </div>
    );
}

function DeleteSheet({
    removing,
    setRemoving,
    figure,
}: {
    removing: boolean;
    setRemoving: Dispatch<SetStateAction<boolean>>;
    figure: FigureProps;
}) {
    return (
        <Sheet
            open={removing}
            onClose={() => {
                setRemoving(false);
            }}
            title={`Delete ${figure.name}?`}
            description="This deletes the figure with its parts, areas, finishes, references, print files and runs. The shelf is not affected. It cannot be undone."
        >
            <Button
                look="main"
                onClick={() => {
                    router.delete(url('figures.destroy', { figure: figure.id }));
                }}
            >
                Delete figure
            </Button>
        </Sheet>
    );
}

function Counts({ facts }: { facts: FactsState }) {
    const { values, failure, put } = facts;
    return (
        <div className="grid grid-cols-2 gap-3">
            <LengthField
                label="Height in"
                leastMm={LIMITS.figureHeightMm.min}
                mostMm={LIMITS.figureHeightMm.max}
                mm={values.heightMm}
                error={failure?.fields['heightMm']}
                onMm={(heightMm) => {
                    put({ heightMm });
                }}
            />
            <Field
                label="Number of figures"
                type="number"
                {...LIMITS.figureCopies}
                value={values.copies}
                error={failure?.fields['copies']}
                onChange={(e) => {
                    put({ copies: e.target.value });
                }}
            />
        </div>
    );
}

function FactsConflict({ figure, facts }: { figure: FigureProps; facts: FactsState }) {
    const { theirs, values, setTheirs, save } = facts;
    return (
        <ConflictDialog
            open={theirs !== null}
            mine={
                <p className="text-sm">
                    {values.name}, {lengthWords(values.heightMm)}. {values.about}
                </p>
            }
            theirs={
                <p className="text-sm">
                    {theirs?.name}, {lengthWords(theirs?.heightMm ?? '')}. {theirs?.about}
                </p>
            }
            onKeepMine={() => {
                const version = theirs?.version ?? figure.version;
                setTheirs(null);
                void save(version);
            }}
            onTakeTheirs={() => {
                setTheirs(null);
                router.reload();
            }}
        />
    );
}

function BareColour({ facts }: { facts: FactsState }) {
    const { values, put } = facts;
    return (
        <label className="text-xs text-quiet">
            <span className="mb-1 block">Colour of the bare print</span>
            <input
                type="color"
                className="h-10 w-full border border-strong"
                value={values.bareHex}
                onChange={(e) => {
                    put({ bareHex: e.target.value });
                }}
            />
        </label>
    );
}

const USES = ['handled', 'worn', 'used by a child', 'stands in the sun'] as const;

/** What its finish has to stand: the order of work says what that asks. */
function Uses({ facts }: { facts: FactsState }) {
    const { values, put } = facts;
    return (
        <fieldset className="text-sm">
            <legend className="mb-1 text-xs text-quiet">It will be</legend>
            <div className="grid grid-cols-2 gap-x-3">
                {USES.map((use) => (
                    <Tick
                        key={use}
                        className="min-h-8"
                        checked={values.uses.includes(use)}
                        onTick={(isOn) => {
                            put({
                                uses: ticked(values.uses, use, isOn),
                            });
                        }}
                    >
                        {use}
                    </Tick>
                ))}
            </div>
        </fieldset>
    );
}

type FactsState = ReturnType<typeof useFacts>;

function useFacts(figure: FigureProps) {
    const [values, setValues] = useState({
        name: figure.name,
        sculptor: figure.sculptor ?? '',
        heightMm: figure.heightMm === null ? '' : String(figure.heightMm),
        copies: String(figure.copies),
        about: figure.about ?? '',
        bareHex: figure.bareHex,
        uses: figure.uses,
    });
    const [failure, setFailure] = useState<ApiError | null>(null);
    const [theirs, setTheirs] = useState<FigureProps | null>(null);
    const [removing, setRemoving] = useState(false);
    const put = (part: Partial<typeof values>) => {
        setValues((now) => ({ ...now, ...part }));
    };

    async function save(version: number) {
        setFailure(null);
        try {
            await send('PATCH', url('figures.update', { figure: figure.id }), {
                ...values,
                heightMm: values.heightMm === '' ? null : Number(values.heightMm),
                copies: Number(values.copies),
                version,
            });
            router.reload();
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            if (error.isConflict && isRecord(error.body)) setTheirs(error.body['theirs'] as FigureProps);
            else setFailure(error);
        }
    }

    return { values, failure, theirs, setTheirs, removing, setRemoving, put, save };
}
