import { Link, router } from '@inertiajs/react';
import clsx from 'clsx';
import { Trash2 } from 'lucide-react';
import { useCallback, useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import { ReferenceBoard, type BoardMark, type Drawn, type Tool } from '@/features/reference-board/board';
import { PicturePanel, type Purpose } from '@/features/reference-board/picture-panel';
import { Shell } from '@/features/shell/shell';
import { ApiError, send } from '@/shared/lib/api';
import { sendAhead } from '@/shared/lib/incoming';
import { ZONES, labWords, one, zoneName, zonesOf } from '@/shared/lib/format';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useKeys } from '@/shared/lib/use-keys';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Stepper } from '@/shared/ui/stepper';
import { ColourAreas } from './colour-areas';
import { NameColour } from './name-colour';
import { PictureButton } from '@/shared/ui/picture-button';
import { Term } from '@/shared/ui/term';
import type { AreaProps, FigureProps, PictureProps, PotProps, SampleProps, ShiftProps, Zone } from '@/types/generated';

type Props = {
    figure: FigureProps;
    pictures: PictureProps[];
    areas: AreaProps[];
    pots: PotProps[];
    shifts: ShiftProps[];
};

const KEYS = [
    ['1 - 5', 'the zone, recess to edge'],
    ['s  l  k  m', 'spot, lasso, stroke, move'],
    ['wheel', 'zoom'],
    ['Ctrl+V', 'paste a picture'],
] as const;

export default function ReferencesPage(props: Props) {
    const board = useReferences(props);
    const { figure, tool, radius, problem, side, purpose, split, picture, area, bringIn, sample, forPicture } = board;

    return (
        <Shell title={`References of ${figure.name}`} figure={figure} keys={KEYS} wide>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <section className="flex h-[60vh] min-w-0 flex-none flex-col lg:h-auto lg:min-h-0 lg:flex-1">
                    <BoardBar board={board} />
                    {problem !== null && (
                        <div className="px-4 py-2">
                            <Notice strong>{problem}</Notice>
                        </div>
                    )}
                    <div className="min-h-0 flex-1">
                        {picture ? (
                            <ReferenceBoard
                                key={picture.id}
                                picture={picture}
                                after={picture.neutralUrl}
                                split={split}
                                crop={picture.crop}
                                marks={marksOf(area, picture, side === 'picture')}
                                tool={purpose === null ? tool : purpose === 'chart' ? 'corners' : 'box'}
                                spotRadius={radius}
                                onDraw={(drawn) => void (purpose === null ? sample(drawn) : forPicture(drawn))}
                            />
                        ) : (
                            <DropHere onFile={(file) => void bringIn(file)} />
                        )}
                    </div>
                </section>
                <ColoursPanel board={board} />
            </div>
            {board.proposing && picture && (
                <ColourAreas
                    figureId={figure.id}
                    picture={picture}
                    known={board.areas.map((a) => a.name)}
                    onClose={() => {
                        board.setProposing(false);
                    }}
                    onTaken={() => {
                        board.setProposing(false);
                        void board.reload();
                    }}
                />
            )}
        </Shell>
    );
}

type Board = ReturnType<typeof useReferences>;

type ReferencesState = ReturnType<typeof useReferencesState>;

function useReferencesState({ figure, pictures, areas, pots, shifts }: Props) {
    const [pictureId, setPictureId] = useState(pictures[0]?.id ?? 0);
    const [areaId, setAreaId] = useState(areas[0]?.id ?? 0);
    const [zone, setZone] = useState<Zone>('mid');
    const [tool, setTool] = useState<Tool>('spot');
    const [radius, setRadius] = useState(10);
    const { message: problem, setMessage: setProblem, attempt: doing } = useAttempt();
    const [side, setSide] = useState<'colours' | 'picture'>('colours');
    const [purpose, setPurpose] = useState<Purpose | null>(null);
    const [reflectance, setReflectance] = useState('0.18');
    const [split, setSplit] = useState(0);
    // The guide asks for it by the address.
    const [proposing, setProposing] = useState(
        () => new URLSearchParams(window.location.search).has('areas') && areas.every((a) => a.samples.length === 0),
    );
    const picture = pictures.find((p) => p.id === pictureId) ?? pictures[0];
    const area = areas.find((a) => a.id === areaId) ?? areas[0];
    const { bringIn, uploading, fraction } = useUpload(figure.id, setProblem, setPictureId);
    useBoardKeys(setZone, setTool);

    const reload = () => {
        return reloaded({ only: ['areas', 'figure', 'pictures'] });
    };

    const attempt = (act: () => Promise<unknown>) =>
        doing(async () => {
            await act();
            void reload();
        });
    return {
        figure,
        pictures,
        areas,
        pots,
        shifts,
        setPictureId,
        setAreaId,
        zone,
        setZone,
        tool,
        setTool,
        radius,
        setRadius,
        problem,
        side,
        setSide,
        purpose,
        setPurpose,
        reflectance,
        setReflectance,
        split,
        setSplit,
        proposing,
        setProposing,
        picture,
        area,
        bringIn,
        uploading,
        fraction,
        reload,
        attempt,
    };
}

function useReferences(props: Props) {
    const state = useReferencesState(props);
    const actions = useSampling(state);

    return { ...state, ...actions };
}

function marksOf(area: AreaProps | undefined, picture: PictureProps, withNeutral: boolean): BoardMark[] {
    const marks: BoardMark[] = (area?.samples ?? [])
        .filter((s) => s.pictureId === picture.id)
        .map((s) => ({
            key: s.zone,
            label: s.method === 'stroke' ? '' : s.zone,
            method: s.method,
            outline: s.outline,
        }));
    if (withNeutral && picture.neutral)
        marks.push({ key: 'neutral', label: '', method: picture.neutral.method, outline: picture.neutral.points });
    return marks;
}

function Ramp({
    figure,
    area,
    zone,
    onZone,
}: {
    figure: FigureProps;
    area: AreaProps;
    zone: Zone;
    onZone: (zone: Zone) => void;
}) {
    const sample = area.samples.find((s) => s.zone === zone);
    return (
        <section>
            <h1 className="text-lg">{area.name}</h1>
            {area.wish !== null && <p className="text-xs text-quiet">{area.wish}</p>}
            <div role="radiogroup" aria-label="Zone to take a colour for" className="mt-2 flex h-24">
                {zonesOf(area.form).map((z) => {
                    const own = area.samples.find((s) => s.zone === z);
                    return (
                        <ZoneButton key={z} z={z} name={zoneName(area.form, z)} zone={zone} own={own} onZone={onZone} />
                    );
                })}
            </div>
            {sample ? (
                <SampleWords figure={figure} area={area} sample={sample} />
            ) : (
                <p className="mt-2 text-sm">Click the picture to take the {zoneName(area.form, zone)}.</p>
            )}
            <Link
                href={url('figures.finishes', { figure: figure.id, area: area.id })}
                className="mt-3 inline-block font-medium underline underline-offset-4"
            >
                Build its finish
            </Link>
        </section>
    );
}

function SampleWords({ figure, area, sample }: { figure: FigureProps; area: AreaProps; sample: SampleProps }) {
    return (
        <div className="mt-2 text-sm">
            <p>
                <strong>{sample.colour.name}</strong>, {labWords(sample.colour)}
            </p>
            <p className="text-quiet">
                {sample.source === null ? (
                    <>
                        From {sample.pixels.toLocaleString()} pixels, <Term name="spread" /> {one(sample.spread)}.
                    </>
                ) : (
                    `Set without a picture: ${sample.source}.`
                )}{' '}
                <button
                    type="button"
                    className="underline"
                    onClick={() => {
                        void send(
                            'DELETE',
                            url('samples.destroy', { figure: figure.id, area: area.id, zone: sample.zone }),
                        ).then(() => {
                            router.reload({ only: ['areas', 'figure'] });
                        });
                    }}
                >
                    Remove
                </button>
            </p>
            {sample.doubt !== null && <Notice strong>{sample.doubt}</Notice>}
        </div>
    );
}

function useUpload(figureId: number, onProblem: (words: string | null) => void, onAdded: (id: number) => void) {
    const [uploading, setUploading] = useState(false);
    const [fraction, setFraction] = useState<number | null>(null);
    const bringIn = useCallback(
        async (file: File) => {
            setUploading(true);
            onProblem(null);
            const title = file.name || 'pasted.png';
            try {
                const incoming = await sendAhead(file, title, setFraction);
                const picture = await send<PictureProps>('POST', url('pictures.store', { figure: figureId }), {
                    incoming,
                    title,
                });
                router.reload({
                    only: ['pictures', 'figure'],
                    onSuccess: () => {
                        onAdded(picture.id);
                    },
                });
            } catch (error) {
                if (error instanceof ApiError) onProblem(error.message);
            } finally {
                setUploading(false);
            }
        },
        [figureId, onProblem, onAdded],
    );
    useEffect(() => {
        const paste = (event: ClipboardEvent) => {
            const file = [...(event.clipboardData?.files ?? [])].find((f) => f.type.startsWith('image/'));
            if (file) void bringIn(file);
        };
        window.addEventListener('paste', paste);
        return () => {
            window.removeEventListener('paste', paste);
        };
    }, [bringIn]);
    return { bringIn, uploading, fraction };
}

function RemovePicture({ figure, picture }: { figure: FigureProps; picture: PictureProps }) {
    const [asked, setAsked] = useState(false);
    if (!asked) {
        return (
            <Button
                aria-label={`Remove ${picture.title}`}
                onClick={() => {
                    setAsked(true);
                }}
            >
                <Trash2 size={16} aria-hidden />
            </Button>
        );
    }
    return (
        <Button
            onClick={() => {
                void send('DELETE', url('pictures.destroy', { figure: figure.id, picture: picture.id })).then(() => {
                    setAsked(false);
                    router.reload();
                });
            }}
            onBlur={() => {
                setAsked(false);
            }}
        >
            Remove with its samples
        </Button>
    );
}

function DropHere({ onFile }: { onFile: (file: File) => void }) {
    return (
        <div
            className="flex h-full min-h-80 items-center justify-center p-6"
            onDragOver={(event) => {
                event.preventDefault();
            }}
            onDrop={(event) => {
                event.preventDefault();
                const file = event.dataTransfer.files[0];
                if (file) onFile(file);
            }}
        >
            <p className="max-w-md border border-dashed border-strong p-8 text-center text-base">
                No reference yet. Drop or paste a picture here, or add a file: an artwork, a painted piece, a photo of
                the real thing. Without a picture, colours can be picked, typed or taken from your pots once there are
                areas.
            </p>
        </div>
    );
}

function AreaList({ board }: { board: Board }) {
    const { areas, area, setAreaId, setZone } = board;
    return (
        <ul className="border-t border-line pt-2">
            {areas.map((a) => (
                <li key={a.id}>
                    <button
                        type="button"
                        aria-pressed={a.id === area?.id}
                        onClick={() => {
                            setAreaId(a.id);
                            setZone(ZONES.find((z) => a.samples.every((s) => s.zone !== z)) ?? 'mid');
                        }}
                        className={clsx(
                            'flex w-full items-center gap-3 border-l-4 py-1 pl-2 text-left',
                            a.id === area?.id ? 'border-ink bg-raised font-bold' : 'border-transparent',
                        )}
                    >
                        <span className="flex-1">{a.name}</span>
                        <span className="flex h-6 w-36" aria-hidden>
                            {ZONES.map((z) => (
                                <span
                                    key={z}
                                    className="flex-1"
                                    style={{
                                        background: a.samples.find((s) => s.zone === z)?.colour.hex ?? 'transparent',
                                    }}
                                />
                            ))}
                        </span>
                    </button>
                </li>
            ))}
        </ul>
    );
}

function ColoursPanel({ board }: { board: Board }) {
    const {
        picture,
        side,
        setSide,
        setPurpose,
        figure,
        purpose,
        reflectance,
        setReflectance,
        reload,
        sample,
        area,
        zone,
        setZone,
    } = board;
    return (
        <aside
            aria-label="Areas and their colours"
            className="flex shrink-0 flex-col gap-3 overflow-y-auto border-l border-line p-4 lg:w-[25rem]"
        >
            {picture && <SideChoice side={side} picture={picture} setSide={setSide} setPurpose={setPurpose} />}
            {side === 'picture' && picture && (
                <PicturePanel
                    key={picture.id}
                    figureId={figure.id}
                    picture={picture}
                    purpose={purpose}
                    reflectance={reflectance}
                    onReflectance={setReflectance}
                    onPurpose={setPurpose}
                    onChanged={reload}
                    onColour={(spot) => void sample(spot)}
                />
            )}
            {area === undefined ? (
                <NoAreas board={board} />
            ) : (
                <>
                    <Ramp figure={figure} area={area} zone={zone} onZone={setZone} />
                    {picture && board.areas.some((a) => a.samples.length === 0) && (
                        <Button
                            onClick={() => {
                                board.setProposing(true);
                            }}
                        >
                            Propose colours and areas
                        </Button>
                    )}
                    <NameColour
                        key={area.id}
                        figureId={figure.id}
                        area={area}
                        areas={board.areas}
                        pots={board.pots}
                        shifts={board.shifts}
                        zone={zone}
                        attempt={board.attempt}
                    />
                </>
            )}
            <AreaList board={board} />
        </aside>
    );
}

/** What to do first: let the picture propose the areas, or name them. */
function NoAreas({ board }: { board: Board }) {
    const { picture, figure, setProposing } = board;
    return (
        <div className="flex flex-col items-start gap-3 text-sm">
            <p>
                This figure has no areas yet.
                {picture
                    ? ' Hyalin can propose them from the colours of the picture, with their colours.'
                    : ' Add a picture, and Hyalin proposes them from its colours; or name them yourself.'}
            </p>
            <div className="flex flex-wrap gap-2">
                {picture && (
                    <Button
                        look="main"
                        onClick={() => {
                            setProposing(true);
                        }}
                    >
                        Propose areas
                    </Button>
                )}
                <Link
                    className="inline-flex min-h-10 items-center underline underline-offset-4"
                    href={url('figures.brief', { figure: figure.id })}
                >
                    Name them in the brief
                </Link>
            </div>
        </div>
    );
}

function Pictures({ board }: { board: Board }) {
    const { pictures, picture, setPictureId, uploading, fraction, bringIn, figure } = board;
    return (
        <div className="ml-auto flex flex-wrap items-center gap-2">
            {pictures.length > 1 &&
                pictures.map((p) => (
                    <button
                        key={p.id}
                        type="button"
                        aria-pressed={p.id === picture?.id}
                        title={p.title}
                        onClick={() => {
                            setPictureId(p.id);
                        }}
                        className={clsx('border-2', p.id === picture?.id ? 'border-ink' : 'border-transparent')}
                    >
                        <img src={p.url} alt={p.title} className="h-10 w-10 object-cover" />
                    </button>
                ))}
            <PictureButton
                words="Add a picture"
                busy={uploading}
                fraction={fraction}
                onFile={(file) => void bringIn(file)}
            />
            {picture && <RemovePicture figure={figure} picture={picture} />}
        </div>
    );
}

function SplitSlider({ split, setSplit }: { split: number; setSplit: Dispatch<SetStateAction<number>> }) {
    return (
        <label className="text-xs text-quiet">
            original | white-balanced
            <input
                type="range"
                min={0}
                max={100}
                value={split * 100}
                className="block h-10 w-36 accent-current"
                onChange={(event) => {
                    setSplit(Number(event.target.value) / 100);
                }}
            />
        </label>
    );
}

function BoardBar({ board }: { board: Board }) {
    const { tool, setTool, radius, setRadius, picture, split, setSplit } = board;
    return (
        <div className="flex flex-wrap items-end gap-3 border-b border-line px-4 py-2">
            <Choice<Tool>
                label="Tool"
                value={tool}
                options={[
                    { value: 'spot', label: 'spot' },
                    { value: 'lasso', label: 'lasso' },
                    { value: 'stroke', label: 'stroke' },
                    { value: 'move', label: 'move' },
                ]}
                onChoose={setTool}
            />
            {(tool === 'spot' || tool === 'stroke') && (
                <Stepper
                    label={tool === 'spot' ? 'Spot size' : 'Stroke width'}
                    value={radius}
                    min={3}
                    max={60}
                    step={2}
                    onChange={setRadius}
                />
            )}
            {picture?.neutralUrl && <SplitSlider split={split} setSplit={setSplit} />}
            <Pictures board={board} />
        </div>
    );
}

function useSampling({
    area,
    picture,
    attempt,
    figure,
    zone,
    setZone,
    purpose,
    reflectance,
    setPurpose,
}: ReferencesState) {
    async function sample(drawn: Drawn) {
        if (!area || !picture) return;
        const taken = await attempt(() =>
            send('POST', url('samples.store', { figure: figure.id, area: area.id }), {
                pictureId: picture.id,
                zone,
                method: drawn.tool,
                points: drawn.points,
            }),
        );
        // A painter goes up the ramp: the next zone without a colour is the next to be taken.
        const next = ZONES.slice(ZONES.indexOf(zone) + 1).find((z) => area.samples.every((s) => s.zone !== z));
        if (taken && next && drawn.tool !== 'stroke') setZone(next);
    }

    async function forPicture({ points }: Drawn) {
        if (!picture || purpose === null) return;
        const at = { figure: figure.id, picture: picture.id };
        const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
        const crop = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)].map((v) =>
            Math.max(0, Math.min(1, v)),
        ) as [number, number, number, number];
        const done = await attempt(() =>
            purpose === 'crop'
                ? send('PATCH', url('pictures.update', at), {
                      crop: [crop[0], crop[1], crop[2] - crop[0], crop[3] - crop[1]],
                  })
                : send('PUT', url('pictures.neutral', at), whiteBalance(picture, purpose, points, reflectance)),
        );
        if (done) setPurpose(null);
    }

    return { sample, forPicture };
}

/** The request to the server: a new white balance, or the present one with a further grey. */
function whiteBalance(
    { neutral }: PictureProps,
    purpose: Exclude<Purpose, 'crop'>,
    points: Drawn['points'],
    reflectance: string,
) {
    if (purpose === 'other' && neutral !== null)
        return {
            method: neutral.method,
            points: neutral.points,
            reflectance: neutral.reflectance,
            others: [...neutral.others, points],
        };
    return { method: purpose, points, reflectance: purpose === 'grey' ? Number(reflectance.replace(',', '.')) : null };
}

function useBoardKeys(setZone: Dispatch<SetStateAction<Zone>>, setTool: Dispatch<SetStateAction<Tool>>) {
    useKeys({
        ...Object.fromEntries(
            ZONES.map((z, i) => [
                String(i + 1),
                () => {
                    setZone(z);
                },
            ]),
        ),
        s: () => {
            setTool('spot');
        },
        l: () => {
            setTool('lasso');
        },
        k: () => {
            setTool('stroke');
        },
        m: () => {
            setTool('move');
        },
    });
}

function SideChoice({
    side,
    picture,
    setSide,
    setPurpose,
}: {
    side: 'colours' | 'picture';
    picture: PictureProps;
    setSide: (value: SetStateAction<'colours' | 'picture'>) => void;
    setPurpose: (value: SetStateAction<Purpose | null>) => void;
}) {
    return (
        <Choice<'colours' | 'picture'>
            label="Show"
            value={side}
            options={[
                { value: 'colours', label: 'Colours' },
                {
                    value: 'picture',
                    label: picture.shading === null ? 'Picture (1 question)' : 'Picture',
                },
            ]}
            onChoose={(next) => {
                setSide(next);
                setPurpose(null);
            }}
        />
    );
}

function ZoneButton({
    z,
    name,
    zone,
    own,
    onZone,
}: {
    name: string;
    z: 'recess' | 'shade' | 'mid' | 'light' | 'edge';
    zone: 'recess' | 'shade' | 'mid' | 'light' | 'edge';
    own: SampleProps | undefined;
    onZone: (zone: Zone) => void;
}) {
    return (
        <button
            type="button"
            role="radio"
            aria-checked={z === zone}
            aria-label={`${name}: ${own ? own.colour.name : 'no colour yet'}`}
            onClick={() => {
                onZone(z);
            }}
            className="flex flex-1 flex-col"
        >
            <span
                className={clsx('w-full flex-1', !own && 'border border-dashed border-line')}
                style={own ? { background: own.colour.hex } : {}}
            />
            <span
                className={clsx(
                    'w-full border-t-4 pt-0.5 text-center text-xs',
                    z === zone ? 'border-ink font-bold' : 'border-transparent',
                )}
            >
                {name}
            </span>
        </button>
    );
}
