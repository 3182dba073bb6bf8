import { Link, router } from '@inertiajs/react';
import { useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { HeatMap } from '@/features/compare/heat-map';
import { ComparedZones } from '@/features/compare/zones';
import { ReferenceBoard, type BoardMark, type Drawn, type Tool } from '@/features/reference-board/board';
import { MeshPanel } from '@/features/mesh-view/mesh-panel';
import type { MeshViewer } from '@/features/mesh-view/viewer';
import { PicturePanel, type Purpose } from '@/features/reference-board/picture-panel';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { ZONES, many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useKeys } from '@/shared/lib/use-keys';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Tick } from '@/shared/ui/tick';
import { Term } from '@/shared/ui/term';
import type {
    ComparedAreaProps,
    CorrectionProps,
    FigureProps,
    LessonProps,
    PictureProps,
    Zone,
} from '@/types/generated';
import { Lessons } from './lessons';
import { Booth } from './booth';
import { TouchUpAdvice } from './touch-up';

type Props = {
    figure: FigureProps;
    photos: PictureProps[];
    photoId: number | null;
    references: PictureProps[];
    areas: ComparedAreaProps[];
    corrections: CorrectionProps[];
    /** Comes after the page. */
    lessons?: LessonProps[];
    onMesh: boolean;
};

type Side = 'areas' | 'photo' | 'lessons';

const SPOT = 10;

const KEYS = [
    ['1 - 5', 'the zone, recess to edge'],
    ['s  k  m', 'spot, stroke, move'],
    ['wheel', 'zoom'],
] as const;

/** The painted piece beside what was wanted and what was predicted. */
export default function ComparePage(props: Props) {
    const comparison = useComparison(props);
    const { figure, problem } = comparison;

    return (
        <Shell title={`Compare ${figure.name}`} figure={figure} keys={KEYS} wide>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <section className="flex h-[60vh] min-w-0 flex-none flex-col lg:h-auto lg:min-h-0 lg:flex-1">
                    <PhotoBar comparison={comparison} />
                    {problem !== null && (
                        <div className="px-4 py-2">
                            <Notice strong>{problem}</Notice>
                        </div>
                    )}
                    <Photos comparison={comparison} />
                </section>
                {/* Photo and mesh need the room. */}
                <AllAreas comparison={comparison} />
                <Results comparison={comparison} />
            </div>
        </Shell>
    );
}

type Comparison = ReturnType<typeof useComparison>;

type ComparisonState = ReturnType<typeof useComparisonState>;

function useComparisonState({ figure, photos, photoId, references, areas, corrections, lessons = [], onMesh }: Props) {
    const photo = photos.find((p) => p.id === photoId);
    const worst = [...areas].sort((p, q) => (q.mean ?? -1) - (p.mean ?? -1))[0];
    const [areaId, setAreaId] = useState<number | null>(worst?.areaId ?? null);
    const [zone, setZone] = useState<Zone>('mid');
    const [tool, setTool] = useState<Tool>('spot');
    const [side, setSide] = useState<Side>(photo && photo.neutral === null ? 'photo' : 'areas');
    const [purpose, setPurpose] = useState<Purpose | null>(null);
    const [reflectance, setReflectance] = useState('0.18');
    const { message: problem, setMessage: setProblem, attempt: doing } = useAttempt();
    const [beside, setBeside] = useState(false);
    const area = areas.find((a) => a.areaId === areaId);
    useBoardKeys(setZone, setTool);

    const attempt = (act: () => Promise<unknown>) =>
        doing(async () => {
            await act();
            router.reload();
        });
    return {
        figure,
        photos,
        photoId,
        references,
        areas,
        corrections,
        lessons,
        onMesh,
        photo,
        worst,
        areaId,
        setAreaId,
        zone,
        setZone,
        tool,
        setTool,
        side,
        setSide,
        purpose,
        setPurpose,
        reflectance,
        setReflectance,
        problem,
        setProblem,
        beside,
        setBeside,
        area,
        attempt,
    };
}

function useComparison(props: Props) {
    const state = useComparisonState(props);
    const { areas } = state;
    const draw = useDrawing(state);

    const found = areas.filter((a) => a.mean !== null);
    const off = found.filter((a) => a.isWithin === false);
    const farthest = [...found].sort((p, q) => (q.worst ?? 0) - (p.worst ?? 0))[0];
    const mean = found.reduce((sum, a) => sum + (a.mean ?? 0), 0) / Math.max(1, found.length);

    return { ...state, draw, found, off, farthest, mean };
}

/** A photo from the same side: every zone where it was taken on the reference. */
function FromReference({ comparison, photo }: { comparison: Comparison; photo: PictureProps }) {
    const { figure, references, attempt } = comparison;
    return (
        <div className="border border-strong p-3 text-sm">
            <p>
                Click the photo to find each zone of an area. Taken from the same side as a reference, all zones can be
                found where they were taken there:
            </p>
            {references.map((reference) => (
                <Button
                    key={reference.id}
                    size="small"
                    className="mt-2"
                    onClick={() =>
                        void attempt(() =>
                            send('POST', url('findings.store-all', { figure: figure.id, picture: photo.id }), {
                                referenceId: reference.id,
                            }),
                        )
                    }
                >
                    As on {reference.title}
                </Button>
            ))}
        </div>
    );
}

function marksOf(area: ComparedAreaProps | undefined, photo: PictureProps, withNeutral: boolean): BoardMark[] {
    const marks: BoardMark[] = (area?.zones ?? [])
        .filter((z) => z.painted !== null)
        .map((z) => ({ key: z.zone, label: z.zone, method: z.method ?? 'spot', outline: z.outline }));
    if (withNeutral && photo.neutral)
        marks.push({ key: 'mid', label: 'neutral', method: photo.neutral.method, outline: photo.neutral.points });
    return marks.map((mark, i) => ({ ...mark, key: `${mark.key} ${i}` }));
}

function AreaResult({
    area,
    photo,
    figure,
}: {
    area: ComparedAreaProps;
    photo: PictureProps | undefined;
    figure: FigureProps;
}) {
    return (
        <section aria-label={area.name} className="flex flex-col gap-2">
            <h1 className="text-lg font-semibold">
                {area.name} <span className="text-xs font-normal text-quiet">tolerance {one(area.tolerance)}</span>
            </h1>
            <ComparedZones area={area} />
            {photo && area.mean !== null && (
                <TouchUpAdvice
                    key={`${area.areaId} ${photo.id} ${area.mean}`}
                    figureId={figure.id}
                    areaId={area.areaId}
                    photoId={photo.id}
                />
            )}
        </section>
    );
}

function Verdict({ comparison }: { comparison: Comparison }) {
    const { mean, found, off, farthest } = comparison;
    return (
        <p className="text-sm">
            <strong className="text-lg">{one(mean)}</strong> average <Term name="ΔE">ΔE</Term> (CIEDE2000) over{' '}
            {many(found.length, 'area')};{' '}
            {off.length === 0
                ? 'all within tolerance: nothing to do.'
                : `${many(off.length, 'area')} out of tolerance.`}{' '}
            {farthest && `Worst: ${farthest.name}, ${one(farthest.worst ?? 0)} in one zone.`}
        </p>
    );
}

function AreaResults({ comparison }: { comparison: Comparison }) {
    const { photo, found, references, figure, area, zone, setZone } = comparison;
    return (
        <>
            {photo && found.length === 0 && references[0] && <FromReference comparison={comparison} photo={photo} />}
            {found.length > 0 && <Verdict comparison={comparison} />}
            {area && <AreaResult area={area} photo={photo} figure={figure} />}
            {photo && (
                <div>
                    <p className="mb-1 text-xs text-quiet">Click the photo to find its</p>
                    <Choice<Zone>
                        label="Zone to find on the photo"
                        value={zone}
                        options={ZONES.map((z) => ({ value: z, label: z }))}
                        onChoose={setZone}
                    />
                </div>
            )}
        </>
    );
}

function Results({ comparison }: { comparison: Comparison }) {
    const {
        side,
        photo,
        setSide,
        setPurpose,
        figure,
        purpose,
        reflectance,
        setReflectance,
        corrections,
        lessons,
        found,
        attempt,
    } = comparison;
    return (
        <aside
            aria-label="Results"
            className="flex shrink-0 flex-col gap-3 overflow-y-auto border-l border-line p-4 lg:w-[26rem]"
        >
            <SideChoice side={side} photo={photo} setSide={setSide} setPurpose={setPurpose} />
            {side === 'photo' && photo && (
                <PicturePanel
                    key={photo.id}
                    figureId={figure.id}
                    picture={photo}
                    purpose={purpose}
                    reflectance={reflectance}
                    onReflectance={setReflectance}
                    onPurpose={setPurpose}
                    onChanged={() => {
                        router.reload();
                    }}
                />
            )}
            {side === 'lessons' && (
                <Lessons
                    corrections={corrections}
                    lessons={lessons}
                    onTogether={
                        photo && found.length > 0
                            ? () =>
                                  void attempt(() =>
                                      send('POST', url('lessons.learn', { figure: figure.id, picture: photo.id })),
                                  )
                            : null
                    }
                    onLearn={
                        photo && found.length > 0
                            ? () =>
                                  void attempt(() =>
                                      send('POST', url('corrections.learn', { figure: figure.id, picture: photo.id })),
                                  )
                            : null
                    }
                />
            )}
            {side === 'areas' && <AreaResults comparison={comparison} />}
        </aside>
    );
}

function AllAreas({ comparison }: { comparison: Comparison }) {
    const { beside, areas, areaId, setAreaId, figure } = comparison;
    return (
        <nav
            aria-label="All areas"
            hidden={beside}
            className="shrink-0 overflow-y-auto border-l border-line p-3 lg:w-[23rem]"
        >
            <HeatMap areas={areas} chosen={areaId} onChoose={setAreaId} />
            <p className="text-xs text-quiet">
                Larger dot, larger difference; out: out of tolerance.{' '}
                <Link className="underline" href={url('figures.brief', { figure: figure.id })}>
                    Tolerances are set in the brief
                </Link>
                .
            </p>
        </nav>
    );
}

function PlannedMesh({ comparison, photo }: { comparison: Comparison; photo: PictureProps }) {
    const { figure, areaId, attempt } = comparison;
    const seen = useRef<{ viewer: MeshViewer | null; size: number }>({ viewer: null, size: 0 });
    return (
        <div className="relative min-w-0 flex-1 basis-0 border-l border-line">
            <MeshPanel
                key={photo.id}
                figureId={figure.id}
                view="finish"
                chosen={areaId}
                camera={photo.camera}
                label="The finish as planned"
                onViewer={(viewer, size) => {
                    seen.current = { viewer, size };
                }}
            />
            <Button
                size="small"
                className="absolute right-2 bottom-2"
                onClick={() => {
                    const { viewer, size } = seen.current;
                    if (viewer)
                        void attempt(() =>
                            send('PATCH', url('pictures.update', { figure: figure.id, picture: photo.id }), {
                                camera: viewer.seenFrom(size),
                            }),
                        );
                }}
            >
                Use this view for the photo
            </Button>
        </div>
    );
}

function Photos({ comparison }: { comparison: Comparison }) {
    const { photo, area, side, purpose, tool, draw, beside } = comparison;
    return (
        <div className="flex min-h-0 flex-1">
            {photo && (
                <div className="flex min-w-0 flex-1 basis-0">
                    <ReferenceBoard
                        key={photo.id}
                        picture={photo}
                        after={photo.neutralUrl}
                        split={0}
                        marks={marksOf(area, photo, side === 'photo')}
                        tool={purpose === null ? tool : purpose === 'chart' ? 'corners' : 'box'}
                        spotRadius={SPOT}
                        onDraw={(drawn) => void draw(drawn)}
                    />
                </div>
            )}
            {photo && beside && <PlannedMesh photo={photo} comparison={comparison} />}
            {!photo && (
                <p className="m-auto max-w-md border border-dashed border-strong p-8 text-center text-base">
                    No photo of the painted piece yet. Put a grey card beside it, take it in even light, and add it
                    here.
                </p>
            )}
        </div>
    );
}

function PhotoBar({ comparison }: { comparison: Comparison }) {
    const { photos, photoId, figure, photo, tool, setTool, onMesh, beside, setBeside, setProblem } = comparison;
    return (
        <div className="flex flex-wrap items-end gap-3 border-b border-line px-4 py-2">
            {photos.length > 0 && (
                <div className="w-56">
                    <Pick
                        label="Photo of the painted piece"
                        value={String(photoId)}
                        options={photos.map((p) => ({ value: String(p.id), label: p.title }))}
                        onPick={(id) => {
                            router.visit(url('figures.compare', { figure: figure.id, picture: id }));
                        }}
                    />
                </div>
            )}
            {photo && (
                <Choice<Tool>
                    label="Tool"
                    value={tool}
                    options={[
                        { value: 'spot', label: 'spot' },
                        { value: 'stroke', label: 'stroke' },
                        { value: 'move', label: 'move' },
                    ]}
                    onChoose={setTool}
                />
            )}
            {photo && (
                <a
                    className="pb-2 text-sm underline underline-offset-4"
                    href={url('compare.csv', { figure: figure.id, picture: photo.id })}
                >
                    Table (CSV)
                </a>
            )}
            {photo && onMesh && (
                <Tick
                    className="pb-2 text-sm"
                    checked={beside}
                    onTick={(isOn) => {
                        setBeside(isOn);
                    }}
                >
                    show mesh
                </Tick>
            )}
            <div className="ml-auto">
                <Booth figureId={figure.id} onProblem={setProblem} />
            </div>
        </div>
    );
}

function useDrawing({
    photo,
    figure,
    purpose,
    areaId,
    attempt,
    zone,
    setZone,
    reflectance,
    setPurpose,
}: ComparisonState) {
    async function draw(drawn: Drawn) {
        if (!photo) return;
        const at = { figure: figure.id, picture: photo.id };
        if (purpose === null) {
            if (areaId === null) return;
            const taken = await attempt(() =>
                send('POST', url('findings.store', at), { areaId, zone, method: drawn.tool, points: drawn.points }),
            );
            const next = ZONES[ZONES.indexOf(zone) + 1];
            if (taken && next && drawn.tool !== 'stroke') setZone(next);
        } else if (purpose !== 'crop') {
            const done = await attempt(() =>
                send('PUT', url('pictures.neutral', at), {
                    method: purpose,
                    points: drawn.points,
                    reflectance: purpose === 'grey' ? Number(reflectance.replace(',', '.')) : null,
                }),
            );
            if (done) setPurpose(null);
        }
    }

    return draw;
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
    photo,
    setSide,
    setPurpose,
}: {
    side: 'areas' | 'photo' | 'lessons';
    photo: PictureProps | undefined;
    setSide: (value: SetStateAction<Side>) => void;
    setPurpose: (value: SetStateAction<Purpose | null>) => void;
}) {
    return (
        <Choice<Side>
            label="Show"
            value={side}
            options={[
                { value: 'areas', label: 'Areas' },
                { value: 'photo', label: photo?.neutral ? 'Photo' : 'Photo: white-balance' },
                { value: 'lessons', label: 'Corrections learned' },
            ]}
            onChoose={(next) => {
                setSide(next);
                setPurpose(null);
            }}
        />
    );
}
