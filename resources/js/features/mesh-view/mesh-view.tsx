import { useEffect, useRef, useState, type RefObject, type Dispatch, type SetStateAction } from 'react';
import { Vector3 } from 'three';
import { colours, type View } from './colours';
import { loadGlow, loadMesh, type LitMesh } from './data';
import type { CameraProps, LightProps } from '@/types/generated';
import { MeshViewer } from './viewer';

const SIDES: Record<string, [number, number, number]> = {
    x: [1, 0, 0],
    y: [0, 1, 0],
    z: [0, 0, 1],
    '-x': [-1, 0, 0],
    '-y': [0, -1, 0],
    '-z': [0, 0, -1],
};

const NO_MARKS: [number, number, number][] = [];

type Props = {
    dataUrl: string;
    /** Of the glow of the chosen area; null while it is not looked at. */
    glowUrl: string | null;
    light: Pick<LightProps, 'up' | 'front' | 'sprays' | 'sizeMm' | 'hitsPerPass' | 'beneath'>;
    view: View;
    areas: readonly { id: number; rows: readonly (readonly string[])[] }[];
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

/** The printed mesh, wearing what is asked. */
export function MeshView({
    dataUrl,
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
    const viewer = useViewer(canvas, onViewer);
    const { mesh, glow } = useMeshAndGlow({ dataUrl, sprayCount: sprays.length, glowUrl, setProblem });
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
            <MeshCanvas canvas={canvas} label={label} onPick={onPick} viewer={viewer} mesh={mesh} />
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

function canDraw(): boolean {
    return document.createElement('canvas').getContext('webgl2') !== null;
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
        if (dressed.current !== key)
            viewer.current.show(
                mesh,
                new Vector3(...(SIDES[up] ?? [0, 0, 1])),
                new Vector3(...(SIDES[front] ?? [0, -1, 0])),
                camera,
                sizeMm,
            );
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
    sprayCount,
    glowUrl,
    setProblem,
}: {
    dataUrl: string;
    sprayCount: number;
    setProblem: Dispatch<SetStateAction<string | null>>;
    glowUrl: string | null;
}) {
    const [mesh, setMesh] = useState<LitMesh | null>(null);
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

function useViewer(canvas: RefObject<HTMLCanvasElement | null>, onViewer: Props['onViewer']) {
    const viewer = useRef<MeshViewer | null>(null);
    // Whoever is told may be another function at every drawing of the page.
    const told = useRef(onViewer);
    useEffect(() => {
        told.current = onViewer;
    });

    useEffect(() => {
        const element = canvas.current;
        const box = element?.parentElement;
        if (!element || !box) return;
        if (!canDraw()) return;
        const made = new MeshViewer(element, getComputedStyle(box).backgroundColor);
        viewer.current = made;
        told.current?.(made);
        const observer = new ResizeObserver(() => {
            made.resize(box.clientWidth, box.clientHeight);
        });
        observer.observe(box);
        // The surround can be changed while the mesh is looked at.
        const surround = new MutationObserver(() => {
            made.background(getComputedStyle(box).backgroundColor);
        });
        surround.observe(document.documentElement, { attributes: true });
        return () => {
            observer.disconnect();
            surround.disconnect();
            made.dispose();
            viewer.current = null;
            told.current?.(null);
        };
    }, [canvas]);

    return viewer;
}

function MeshCanvas({
    canvas,
    label,
    onPick,
    viewer,
    mesh,
}: {
    canvas: RefObject<HTMLCanvasElement | null>;
    label: string;
    onPick: ((at: [number, number, number], areaId: number) => void) | undefined;
    viewer: RefObject<MeshViewer | null>;
    mesh: LitMesh | null;
}) {
    const down = useRef<{ x: number; y: number } | null>(null);
    return (
        <canvas
            ref={canvas}
            tabIndex={0}
            role="application"
            aria-label={`${label}. Arrows turn it, plus and minus zoom${onPick ? '; a click selects an area' : ''}.`}
            className="h-full w-full touch-none"
            onKeyDown={(event) => {
                if (viewer.current?.turn(event.key)) event.preventDefault();
            }}
            onPointerDown={(event) => {
                down.current = { x: event.clientX, y: event.clientY };
            }}
            onPointerUp={(event) => {
                // Turning is no choosing.
                const from = down.current;
                if (!from || Math.hypot(event.clientX - from.x, event.clientY - from.y) > 4) return;
                const hit = viewer.current?.pick(event.clientX, event.clientY);
                if (hit && mesh) onPick?.(hit.at, mesh.areas[hit.triangle] ?? 0);
            }}
        />
    );
}
