import {
    useEffect,
    useRef,
    useState,
    type KeyboardEvent,
    type PointerEvent,
    type RefObject,
    type Dispatch,
    type SetStateAction,
} from 'react';
import { fitted, toPicture, zoomed, type Point, type View } from './view';

export type Tool = 'spot' | 'lasso' | 'stroke' | 'move' | 'box' | 'corners';

/** What can be drawn: the tool and its points, 0..1 of the picture's width and height. */
export type Drawn = { tool: Exclude<Tool, 'move'>; points: Point[] };

/** Something taken from the picture earlier. */
export type BoardMark = { key: string; label: string; method: string; outline: readonly (readonly number[])[] };

type Props = {
    picture: { id: number; title: string; url: string; width: number; height: number };
    /** The picture after neutralising, shown to the right of the split. */
    after?: string | null;
    /** Where the split stands, 0..1 of the picture. */
    split?: number;
    marks: readonly BoardMark[];
    tool: Tool;
    /** Radius of a spot, half width of a stroke, in screen pixels. */
    spotRadius: number;
    /** Left, top, width, height of what counts, 0..1; the rest is dimmed. */
    crop?: readonly number[] | null;
    onDraw: (drawn: Drawn) => void;
};

/** A picture to take colours from: wheel or pinch zooms, the move tool or the middle button pans. */
export function ReferenceBoard({ picture, after, split = 0, marks, tool, spotRadius, crop, onDraw }: Props) {
    const box = useRef<HTMLDivElement>(null);
    // What is being drawn; another tool begins anew.
    const [started, setStarted] = useState<{ tool: Tool; points: Point[] }>({ tool, points: [] });
    const path = started.tool === tool ? started.points : [];
    const setPath = (points: Point[]) => {
        setStarted({ tool, points });
    };
    const [pointer, setPointer] = useState<Point | null>(null);
    const drag = useRef<{ from: Point; view: View } | null>(null);
    const [view, setView] = useView(box, picture);
    const { down, move, up, key } = usePointer({
        view,
        pointer,
        tool,
        drag,
        setPath,
        setPointer,
        setView,
        path,
        picture,
        spotRadius,
        onDraw,
    });

    const image = (src: string, clip?: string) => <PictureLayer src={src} picture={picture} view={view} clip={clip} />;

    return (
        <div
            ref={box}
            role="application"
            tabIndex={0}
            aria-label={`${picture.title}: ${tool === 'move' ? 'drag to move it' : `draw a ${tool}`}. Arrow keys move the mark, Shift in small steps; Enter sets it, Escape starts again.`}
            onKeyDown={key}
            className="relative h-full w-full touch-none overflow-hidden bg-sunk -outline-offset-4"
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
                    {image(picture.url)}
                    {after !== undefined && after !== null && image(after, `inset(0 0 0 ${split * 100}%)`)}
                    <Drawing
                        crop={crop}
                        picture={picture}
                        view={view}
                        marks={marks}
                        path={path}
                        tool={tool}
                        spotRadius={spotRadius}
                        pointer={pointer}
                    />
                </>
            )}
        </div>
    );
}

type Size = { width: number; height: number };

function Mark({ mark, picture, view }: { mark: BoardMark; picture: Size; view: View }) {
    const place = (point: readonly number[]): Point => [
        view.x + (point[0] ?? 0) * picture.width * view.scale,
        view.y + (point[1] ?? 0) * picture.height * view.scale,
    ];
    const first = place(mark.outline[0] ?? [0, 0]);
    const radius = mark.method === 'spot' ? (mark.outline[1]?.[0] ?? 0) * picture.width * view.scale : 0;
    return (
        <g>
            {mark.method === 'spot' && <Ring x={first[0]} y={first[1]} r={Math.max(4, radius)} />}
            {mark.method === 'stroke' && <Path points={mark.outline.slice(0, -1).map(place)} width={3} />}
            {mark.method === 'chart' && mark.outline.map(place).map((p, i) => <Ring key={i} x={p[0]} y={p[1]} r={6} />)}
            {!['spot', 'stroke', 'chart'].includes(mark.method) && <Outline points={mark.outline.map(place)} />}
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
                {mark.label}
            </text>
        </g>
    );
}

function Dimmed({ crop, picture, view }: { crop: readonly number[]; picture: Size; view: View }) {
    const [left = 0, top = 0, width = 1, height = 1] = crop;
    const x = (v: number) => view.x + v * picture.width * view.scale;
    const y = (v: number) => view.y + v * picture.height * view.scale;
    const around = `M${x(0)},${y(0)}H${x(1)}V${y(1)}H${x(0)}Z M${x(left)},${y(top)}V${y(top + height)}H${x(left + width)}V${y(top)}Z`;
    return <path d={around} fill="rgba(90,90,90,0.6)" fillRule="evenodd" />;
}

function Path({ points, width }: { points: readonly Point[]; width: number }) {
    const path = points.map((point) => point.join(',')).join(' ');
    return (
        <>
            <polyline
                points={path}
                fill="none"
                stroke="#000"
                strokeWidth={width + 2}
                strokeOpacity="0.5"
                strokeLinecap="round"
            />
            <polyline
                points={path}
                fill="none"
                stroke="#fff"
                strokeWidth={Math.max(1.5, width - 2)}
                strokeOpacity="0.5"
                strokeLinecap="round"
            />
        </>
    );
}

/** The four corners of the box between the first and the last point. */
function boxOf(path: readonly Point[]): Point[] {
    const a: Point = path[0] ?? [0, 0];
    const b: Point = path[path.length - 1] ?? [0, 0];
    return [a, [b[0], a[1]], b, [a[0], b[1]]];
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

function Drawing({
    crop,
    picture,
    view,
    marks,
    path,
    tool,
    spotRadius,
    pointer,
}: {
    crop: readonly number[] | null | undefined;
    picture: { id: number; title: string; url: string; width: number; height: number };
    view: { scale: number; x: number; y: number };
    marks: readonly BoardMark[];
    path: Point[];
    tool: Tool;
    spotRadius: number;
    pointer: Point | null;
}) {
    return (
        <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden>
            {crop && <Dimmed crop={crop} picture={picture} view={view} />}
            {marks.map((mark) => (
                <Mark key={mark.key} mark={mark} picture={picture} view={view} />
            ))}
            {path.length > 0 && tool === 'corners' && path.map((p, i) => <Ring key={i} x={p[0]} y={p[1]} r={6} />)}
            {path.length > 1 && tool === 'lasso' && <Outline points={path} />}
            {path.length > 1 && tool === 'box' && <Outline points={boxOf(path)} />}
            {path.length > 1 && tool === 'stroke' && <Path points={path} width={2 * spotRadius} />}
            {pointer && (tool === 'spot' || tool === 'stroke') && <Ring x={pointer[0]} y={pointer[1]} r={spotRadius} />}
        </svg>
    );
}

type Pointing = {
    view: View | null;
    pointer: Point | null;
    drag: RefObject<{ from: Point; view: View } | null>;
    setPath: (points: Point[]) => void;
    setPointer: Dispatch<SetStateAction<Point | null>>;
    setView: Dispatch<SetStateAction<View | null>>;
    path: Point[];
} & Pick<Props, 'tool' | 'picture' | 'spotRadius' | 'onDraw'>;

/** Screen pixels that an arrow key moves the mark by. */
const STEP = 10;
const SMALL_STEP = 1;

const ARROWS: Partial<Record<string, Point>> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
};

function usePointer(pointing: Pointing) {
    const { view, pointer, tool, drag, setPath, setPointer, setView, path, picture, spotRadius, onDraw } = pointing;

    function down(event: PointerEvent<HTMLDivElement>) {
        if (!view) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        const at = placeOf(event.currentTarget, event);
        if (tool === 'move' || event.button === 1) drag.current = { from: at, view };
        else if (tool !== 'corners' && tool !== 'spot') setPath([at]);
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
        else if (path.length > 0 && tool === 'box') setPath([path[0] ?? at, at]);
        else if (path.length > 0 && tool !== 'corners') setPath(path.length < 1500 ? [...path, at] : path);
    }

    function up(event: PointerEvent<HTMLDivElement>) {
        if (!view) return;
        if (drag.current) {
            drag.current = null;
            return;
        }
        finish(view, placeOf(event.currentTarget, event));
    }

    function finish(view: View, at: Point) {
        const inPicture = (point: Point) => toPicture(view, point, picture.width, picture.height);
        const radius: Point = [spotRadius / view.scale / picture.width, 0];
        if (tool === 'corners') {
            const corners = [...path, at];
            setPath(corners.length === 4 ? [] : corners);
            if (corners.length === 4) onDraw({ tool, points: corners.map(inPicture) });
            return;
        }
        if (tool === 'spot') onDraw({ tool, points: [inPicture(at), radius] });
        else if (tool === 'lasso' && path.length > 3) onDraw({ tool, points: path.map(inPicture) });
        else if (tool === 'stroke' && path.length > 1) onDraw({ tool, points: [...path.map(inPicture), radius] });
        else if (tool === 'box' && path.length > 1) onDraw({ tool, points: boxOf(path).map(inPicture) });
        setPath([]);
    }

    /** What the pointer does, from the middle of the picture on: arrows move, Enter presses. */
    function key(event: KeyboardEvent<HTMLDivElement>) {
        if (!view) return;
        const at: Point = pointer ?? [event.currentTarget.clientWidth / 2, event.currentTarget.clientHeight / 2];
        const arrow = ARROWS[event.key];
        if (arrow) {
            const step = event.shiftKey ? SMALL_STEP : STEP;
            const next: Point = [at[0] + step * arrow[0], at[1] + step * arrow[1]];
            if (tool === 'move') setView({ ...view, x: view.x + step * arrow[0], y: view.y + step * arrow[1] });
            else setPointer(next);
            if (path.length > 0 && tool === 'box') setPath([path[0] ?? next, next]);
            else if (path.length > 0 && tool !== 'corners') setPath([...path, next]);
        } else if (event.key === 'Enter' || event.key === ' ') {
            setPointer(at);
            if (tool === 'spot' || tool === 'corners' || path.length > 0) finish(view, at);
            else if (tool !== 'move') setPath([at]);
        } else if (event.key === 'Escape' && path.length > 0) {
            setPath([]);
        } else {
            return;
        }
        // The page has keys of its own for the same letters.
        event.preventDefault();
        event.stopPropagation();
    }

    return { down, move, up, key };
}

function useView(box: RefObject<HTMLDivElement | null>, picture: Props['picture']) {
    const [view, setView] = useState<View | null>(null);
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
    }, [box, picture.id, picture.width, picture.height]);

    return [view, setView] as const;
}

function PictureLayer({
    src,
    picture,
    view,
    clip,
}: {
    src: string;
    picture: { id: number; title: string; url: string; width: number; height: number };
    view: View | null;
    clip: string | undefined;
}) {
    return (
        <img
            src={src}
            alt={picture.title}
            draggable={false}
            className="absolute max-w-none origin-top-left select-none"
            style={{
                left: view?.x,
                top: view?.y,
                width: picture.width * (view?.scale ?? 1),
                height: picture.height * (view?.scale ?? 1),
                imageRendering: view && view.scale > 3 ? 'pixelated' : 'auto',
                ...(clip === undefined ? {} : { clipPath: clip }),
            }}
        />
    );
}
