import { useEffect, useMemo, useRef, useState, type RefObject, type Dispatch, type SetStateAction } from 'react';
import { colours, type AreaColours, type View } from './colours';
import { loadAreas, loadGlow, loadMesh, type LitMesh } from './data';
import type { CameraProps, LightProps } from '@/types/generated';
import { canDraw, RoomCanvas, side, useRoom } from './room-canvas';
import { MeshViewer } from './viewer';

const NO_MARKS: [number, number, number][] = [];

type Props = {
    dataUrl: string;
    areasUrl: string;
    /** Of the glow of the chosen area; null while it is not looked at. */
    glowUrl: string | null;
    light: Pick<LightProps, 'up' | 'front' | 'sprays' | 'sizeMm' | 'hitsPerPass' | 'beneath'>;
    view: View;
    areas: readonly AreaColours[];
    step: number;
    /** Which of the sprays the exposure is of. */
    shown?: number;
    /** Area that is shown strong. */
    chosen: number | null;
    isLit: boolean;
    /** From where it is looked at first. */
    camera: CameraProps | null;
    /** Places that are marked, mm. */
    marks?: readonly [number, number, number][];
    label?: string;
    onPick?: (at: [number, number, number], areaId: number) => void;
    /** Of what draws it, for who keeps the place one looks from; null when it is gone. */
    onViewer?: (viewer: MeshViewer | null) => void;
};

/** The printed mesh in the colours of the chosen view. */
export function MeshView({
    dataUrl,
    areasUrl,
    glowUrl,
    light,
    view,
    areas,
    step,
    shown = 0,
    chosen,
    isLit,
    camera,
    marks = NO_MARKS,
    label = 'The mesh',
    onPick,
    onViewer,
}: Props) {
    const { up, front, sprays, sizeMm, hitsPerPass, beneath } = light;
    const canvas = useRef<HTMLCanvasElement>(null);
    const [problem, setProblem] = useState<string | null>(() =>
        canDraw() ? null : 'This browser cannot draw meshes (no WebGL). Measurements and zones are in the table.',
    );
    const viewer = useRoom(canvas, (element, room) => new MeshViewer(element, room), onViewer);
    const { mesh, glow } = useMeshAndGlow({ dataUrl, areasUrl, sprayCount: sprays.length, glowUrl, setProblem });
    usePainting({
        mesh,
        viewer,
        up,
        front,
        camera,
        sizeMm,
        view,
        areas,
        step,
        sprays,
        hitsPerPass,
        beneath,
        shown,
        chosen,
        glow,
        glowUrl,
        isLit,
        marks,
    });

    return (
        <div className="absolute inset-0 bg-room">
            <RoomCanvas
                canvas={canvas}
                room={viewer}
                label={`${label}. Arrows turn it, plus and minus zoom${onPick ? '; a click selects an area' : ''}.`}
                onClick={(x, y) => {
                    const hit = viewer.current?.pick(x, y);
                    if (hit && mesh) onPick?.(hit.at, mesh.areas[hit.triangle] ?? 0);
                }}
            />
            {problem !== null && <p className="absolute inset-x-0 top-0 bg-raised p-3 text-sm">{problem}</p>}
            {glowUrl !== null && glow?.of !== glowUrl && problem === null && (
                <p className="absolute inset-x-0 top-0 p-3 text-sm">Calculating the glow.</p>
            )}
            {mesh === null && problem === null && (
                <p className="absolute inset-x-0 top-0 p-3 text-sm text-quiet">Loading the mesh.</p>
            )}
        </div>
    );
}

type Painting = {
    mesh: LitMesh | null;
    viewer: RefObject<MeshViewer | null>;
    glow: { of: string; bytes: Uint8Array } | null;
} & Props['light'] &
    Required<Pick<Props, 'camera' | 'view' | 'areas' | 'step' | 'shown' | 'chosen' | 'glowUrl' | 'isLit' | 'marks'>>;

function usePainting(painting: Painting) {
    useShowing(painting);
    useColours(painting);
    const { marks, viewer } = painting;
    useEffect(() => {
        viewer.current?.mark(marks);
    }, [marks, viewer]);
}

/** Another area or cone keeps the place one looks from; another mesh does not. */
function useShowing({ mesh, viewer, up, front, camera, sizeMm }: Painting) {
    const dressed = useRef('');
    useEffect(() => {
        if (!mesh || !viewer.current) return;
        const key = `${mesh.corners.length} ${up} ${front}`;
        if (dressed.current !== key) viewer.current.show(mesh, side(up), side(front), camera, sizeMm);
        dressed.current = key;
    }, [mesh, up, front, sizeMm, camera, viewer]);
}

/** Painted after it is shown: effects run in their order. */
function useColours(painting: Painting) {
    const { mesh, viewer, up, front, view, areas, step, sprays, hitsPerPass, beneath, shown, chosen, isLit } = painting;
    const { glow, glowUrl } = painting;
    useEffect(() => {
        if (!mesh || !viewer.current) return;
        const light = { sprays, hitsPerPass, beneath };
        const lamp = glow?.of === glowUrl ? glow.bytes : null;
        viewer.current.paint(colours(mesh, view, areas, step, light, shown, chosen, lamp), isLit && view !== 'glow');
    }, [mesh, up, front, sprays, hitsPerPass, beneath, view, areas, step, shown, chosen, isLit, glow, glowUrl, viewer]);
}

function useMeshAndGlow({
    dataUrl,
    areasUrl,
    sprayCount,
    glowUrl,
    setProblem,
}: {
    dataUrl: string;
    areasUrl: string;
    sprayCount: number;
    setProblem: Dispatch<SetStateAction<string | null>>;
    glowUrl: string | null;
}) {
    const [whole, setMesh] = useState<LitMesh | null>(null);
    const [areas, setAreas] = useState<Uint32Array | null>(null);
    useEffect(() => {
        const loading = new AbortController();
        loadMesh(dataUrl, sprayCount, loading.signal)
            .then(setMesh)
            .catch((error: unknown) => {
                if (!loading.signal.aborted) setProblem(error instanceof Error ? error.message : String(error));
            });
        return () => {
            loading.abort();
        };
    }, [dataUrl, setProblem, sprayCount]);

    useEffect(() => {
        const loading = new AbortController();
        loadAreas(areasUrl, loading.signal)
            .then(setAreas)
            .catch((error: unknown) => {
                if (!loading.signal.aborted) setProblem(error instanceof Error ? error.message : String(error));
            });
        return () => {
            loading.abort();
        };
    }, [areasUrl, setProblem]);
    // Those of another mesh are on their way out.
    const mesh = useMemo(
        () => (whole && areas?.length === whole.zones.length ? { ...whole, areas } : whole),
        [whole, areas],
    );

    const [glow, setGlow] = useState<{ of: string; bytes: Uint8Array } | null>(null);
    useEffect(() => {
        if (glowUrl === null) return;
        const loading = new AbortController();
        loadGlow(glowUrl, loading.signal)
            .then((bytes) => {
                setGlow({ of: glowUrl, bytes });
                setProblem(null);
            })
            .catch((error: unknown) => {
                if (!loading.signal.aborted) setProblem(error instanceof Error ? error.message : String(error));
            });
        return () => {
            loading.abort();
        };
    }, [glowUrl, setProblem]);

    return { mesh, glow };
}
