import { useEffect, useRef, useState } from 'react';
import type { BufferGeometry } from 'three';
import type { LightProps, MeshProps } from '@/types/generated';
import { loadBare } from './data';
import { PartsViewer, type Hand, type OnPart, type Put } from './parts-viewer';
import { canDraw, RoomCanvas, side, useRoom } from './room-canvas';

type Props = {
    meshes: readonly MeshProps[];
    light: Pick<LightProps, 'up' | 'front'>;
    held: number | null;
    hand: Hand;
    marks: readonly OnPart[];
    /** What a file on its way looks like. */
    arriving: BufferGeometry | null;
    /** Another number asks for a look at all of it. */
    framed: number;
    onPick: (on: OnPart) => void;
    onPut: (part: number, put: Put) => void;
};

/** The bare parts of a figure as they stand now, before any light is calculated. */
export function PartsView({ meshes, light, held, hand, marks, arriving, framed, onPick, onPut }: Props) {
    const canvas = useRef<HTMLCanvasElement>(null);
    const put = useRef(onPut);
    useEffect(() => {
        put.current = onPut;
    });
    const viewer = useRoom(
        canvas,
        (element, surround) =>
            new PartsViewer(element, surround, (part, to) => {
                put.current(part, to);
            }),
    );
    const { shapes, problem } = useShapes(meshes);
    const { up, front } = light;
    useEffect(() => {
        viewer.current?.arrive(arriving);
        viewer.current?.show(
            meshes,
            shapes,
            side(up),
            side(front),
            `${framed} ${arriving === null ? '' : 'arriving'} ${[...shapes.keys()].join(' ')} ${up} ${front} ${meshes.map((mesh) => mesh.unitMm).join(' ')}`,
        );
        // Framed once it is there: told apart by the key above.
    }, [meshes, shapes, up, front, framed, arriving, viewer]);
    // After it is shown: a part is held where it stands now.
    useEffect(() => {
        viewer.current?.hold(held, hand);
    }, [held, hand, meshes, shapes, viewer]);
    useEffect(() => {
        viewer.current?.mark(marks);
    }, [marks, meshes, viewer]);
    const missing = meshes.filter((mesh) => !shapes.has(mesh.id)).length;
    return (
        <div className="absolute inset-0 bg-room">
            <RoomCanvas
                canvas={canvas}
                room={viewer}
                label="The parts as they stand. Arrows turn the view, plus and minus zoom; a click selects a part."
                onClick={(x, y) => {
                    const on = viewer.current?.pick(x, y);
                    if (on) onPick(on);
                }}
            />
            {problem !== null && <p className="absolute inset-x-0 top-0 bg-raised p-3 text-sm">{problem}</p>}
            {missing > 0 && problem === null && (
                <p className="absolute inset-x-0 top-0 p-3 text-sm text-quiet">Loading the parts.</p>
            )}
        </div>
    );
}

/** Each part is loaded once, however often it is posed. */
function useShapes(meshes: readonly MeshProps[]) {
    const [shapes, setShapes] = useState<ReadonlyMap<number, BufferGeometry>>(new Map());
    const [problem, setProblem] = useState<string | null>(() =>
        canDraw() ? null : 'This browser cannot draw meshes (no WebGL). Sizes and positions are in the list.',
    );
    const asked = useRef(new Map<number, string>());
    const wanted = meshes.map((mesh) => `${mesh.id} ${mesh.bareUrl}`).join('\n');
    useEffect(() => {
        for (const line of wanted.split('\n')) {
            const [id, path] = line.split(' ');
            if (!id || !path || asked.current.get(Number(id)) === path) continue;
            asked.current.set(Number(id), path);
            loadBare(path)
                .then((shape) => {
                    setShapes((now) => new Map(now).set(Number(id), shape));
                })
                .catch((error: unknown) => {
                    setProblem(error instanceof Error ? error.message : String(error));
                });
        }
    }, [wanted]);
    return { shapes, problem };
}
