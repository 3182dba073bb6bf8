import { useEffect, useRef, useState, type PointerEvent } from 'react';
import type { PictureProps, SampleProps } from '@/types/generated';
import { fitted, toPicture, zoomed, type Point, type View } from './view';

export type Tool = 'spot' | 'lasso' | 'move';

type Props = {
    picture: PictureProps;
    samples: readonly SampleProps[];
    tool: Tool;
    /** Radius of a spot in screen pixels. */
    spotRadius: number;
    onSample: (method: 'spot' | 'lasso', points: Point[]) => void;
};

/** A picture to take colours from: wheel or pinch zooms, the move tool or the middle button pans. */
export function ReferenceBoard({ picture, samples, tool, spotRadius, onSample }: Props) {
    const box = useRef<HTMLDivElement>(null);
    const [view, setView] = useState<View | null>(null);
    const [lasso, setLasso] = useState<Point[]>([]);
    const [pointer, setPointer] = useState<Point | null>(null);
    const drag = useRef<{ from: Point; view: View } | null>(null);
    const least = useRef(0.1);

    useEffect(() => {
        const element = box.current;
        if (!element) return;
        const fit = () => {
            const next = fitted(picture.width, picture.height, element.clientWidth, element.clientHeight);
            least.current = next.scale * 0.7;
            setView(next);
        };
        fit();
        const observer = new ResizeObserver(fit);
        observer.observe(element);
        const wheel = (event: WheelEvent) => {
            event.preventDefault();
            const at = placeOf(element, event);
            setView((now) => (now ? zoomed(now, Math.exp(-event.deltaY / 400), at, least.current) : now));
        };
        element.addEventListener('wheel', wheel, { passive: false });
        return () => {
            observer.disconnect();
            element.removeEventListener('wheel', wheel);
        };
    }, [picture.id, picture.width, picture.height]);

    function down(event: PointerEvent<HTMLDivElement>) {
        if (!view) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const at = placeOf(event.currentTarget, event);
        if (tool === 'move' || event.button === 1) drag.current = { from: at, view };
        else if (tool === 'lasso') setLasso([at]);
    }

    function move(event: PointerEvent<HTMLDivElement>) {
        const at = placeOf(event.currentTarget, event);
        setPointer(at);
        const dragging = drag.current;
        if (dragging)
            setView({
                ...dragging.view,
                x: dragging.view.x + at[0] - dragging.from[0],
                y: dragging.view.y + at[1] - dragging.from[1],
            });
        else if (lasso.length > 0) setLasso((points) => (points.length < 1500 ? [...points, at] : points));
    }

    function up(event: PointerEvent<HTMLDivElement>) {
        if (!view) return;
        const at = placeOf(event.currentTarget, event);
        const inPicture = (point: Point) => toPicture(view, point, picture.width, picture.height);
        if (drag.current) drag.current = null;
        else if (tool === 'spot') onSample('spot', [inPicture(at), [spotRadius / view.scale / picture.width, 0]]);
        else if (lasso.length > 3) onSample('lasso', lasso.map(inPicture));
        setLasso([]);
    }

    return (
        <div
            ref={box}
            role="application"
            aria-label={`${picture.title}: press to take a colour with the ${tool}`}
            className="relative h-full w-full touch-none overflow-hidden bg-sunk"
            style={{ cursor: tool === 'move' ? 'grab' : 'crosshair' }}
            onPointerDown={down}
            onPointerMove={move}
            onPointerUp={up}
            onPointerLeave={() => {
                setPointer(null);
            }}
        >
            {view && (
                <>
                    <img
                        src={picture.url}
                        alt={picture.title}
                        draggable={false}
                        className="absolute max-w-none origin-top-left select-none"
                        style={{
                            left: view.x,
                            top: view.y,
                            width: picture.width * view.scale,
                            height: picture.height * view.scale,
                            imageRendering: view.scale > 3 ? 'pixelated' : 'auto',
                        }}
                    />
                    <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
                        {samples.map((sample) => (
                            <Mark
                                key={`${sample.areaId} ${sample.zone}`}
                                sample={sample}
                                picture={picture}
                                view={view}
                            />
                        ))}
                        {lasso.length > 1 && <Outline points={lasso} />}
                        {pointer && tool === 'spot' && <Ring x={pointer[0]} y={pointer[1]} r={spotRadius} />}
                    </svg>
                </>
            )}
        </div>
    );
}

function Mark({ sample, picture, view }: { sample: SampleProps; picture: PictureProps; view: View }) {
    const place = (point: readonly number[]): Point => [
        view.x + (point[0] ?? 0) * picture.width * view.scale,
        view.y + (point[1] ?? 0) * picture.height * view.scale,
    ];
    const first = place(sample.outline[0] ?? [0, 0]);
    const radius = (sample.outline[1]?.[0] ?? 0) * picture.width * view.scale;
    return (
        <g>
            {sample.method === 'spot' ? (
                <Ring x={first[0]} y={first[1]} r={Math.max(4, radius)} />
            ) : (
                <Outline points={sample.outline.map(place)} />
            )}
            <text
                x={first[0] + Math.max(4, radius) + 4}
                y={first[1] + 4}
                fontSize="13"
                fontWeight="600"
                fill="#fff"
                stroke="#000"
                strokeWidth="3"
                paintOrder="stroke"
            >
                {sample.zone}
            </text>
        </g>
    );
}

/** Black inside white: seen on any colour. */
function Ring({ x, y, r }: { x: number; y: number; r: number }) {
    return (
        <>
            <circle cx={x} cy={y} r={r} fill="none" stroke="#fff" strokeWidth="3" />
            <circle cx={x} cy={y} r={r} fill="none" stroke="#000" strokeWidth="1.2" />
        </>
    );
}

function Outline({ points }: { points: readonly Point[] }) {
    const path = points.map((point) => point.join(',')).join(' ');
    return (
        <>
            <polygon points={path} fill="none" stroke="#fff" strokeWidth="3" />
            <polygon points={path} fill="none" stroke="#000" strokeWidth="1.2" />
        </>
    );
}

function placeOf(element: HTMLElement, event: { clientX: number; clientY: number }): Point {
    const rect = element.getBoundingClientRect();
    return [event.clientX - rect.left, event.clientY - rect.top];
}
