import { useEffect, useRef, useState, type KeyboardEvent, type RefObject } from 'react';
import type { MaskProps, OrderStepProps, StepKind } from '@/types/generated';
import type { Lane } from './order';
import { inOwnUnits, lengthWords } from '@/shared/lib/units';

const NAMES = 112;
const TOP = 6;
const WAIT = 34;

/** Width from which a block has room for its kind, written upwards. */
const NAMED_FROM = 12;

/** Of a letter of the name, in its font size. */
const LETTER = 0.56;

type OrderBoardProps = {
    steps: readonly OrderStepProps[];
    masks: readonly MaskProps[];
    lanes: readonly Lane[];
    chosen: string | null;
    /** Ids of steps that some kept rule says should stand elsewhere. */
    broken: ReadonlySet<string>;
    dimmed: (step: OrderStepProps) => boolean;
    onChoose: (id: string) => void;
    onMove: (id: string, to: number) => void;
};

/** The whole work at a glance: steps from left to right, parts as lanes, masks as spans, joints where lanes meet. */
export function OrderBoard(props: OrderBoardProps) {
    const board = useOrderBoard(props);
    const { chosen, box, at, keys } = board;

    return (
        <div
            ref={box}
            role="listbox"
            tabIndex={0}
            aria-label="Steps in their order. Arrows choose, Shift and arrows move."
            aria-activedescendant={chosen === null ? undefined : `step-${at.get(chosen)}`}
            className="absolute inset-0 touch-none overflow-x-auto overflow-y-hidden"
            onKeyDown={keys}
        >
            <Chart board={board} />
        </div>
    );
}

type Board = ReturnType<typeof useOrderBoard>;

function useOrderBoard({ steps, masks, lanes, chosen, broken, dimmed, onChoose, onMove }: OrderBoardProps) {
    const box = useRef<HTMLDivElement>(null);
    const [drag, setDrag] = useState<{ id: string; to: number } | null>(null);
    const size = useSize(box);

    const pace = Math.max(7, (size.width - NAMES - 8) / Math.max(1, steps.length));
    const lane = Math.max(20, (size.height - TOP - WAIT) / Math.max(1, lanes.length));
    const x = (index: number) => NAMES + index * pace;
    const at = new Map(steps.map((step, i) => [step.id, i]));
    const row = new Map(lanes.map((l, i) => [l.id, i]));
    const indexOf = (event: { clientX: number }) =>
        Math.max(
            0,
            Math.min(
                steps.length - 1,
                Math.floor((event.clientX - (box.current?.getBoundingClientRect().left ?? 0) - NAMES) / pace),
            ),
        );

    function keys(event: KeyboardEvent) {
        const way = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
        if (way === 0) return;
        event.preventDefault();
        const index = chosen === null ? -1 : (at.get(chosen) ?? -1);
        if (event.shiftKey && chosen !== null) onMove(chosen, index + way);
        else {
            const next = steps[Math.max(0, Math.min(steps.length - 1, index + way))];
            if (next) onChoose(next.id);
        }
    }
    return {
        steps,
        masks,
        lanes,
        chosen,
        broken,
        dimmed,
        onChoose,
        onMove,
        box,
        drag,
        setDrag,
        size,
        pace,
        lane,
        x,
        at,
        row,
        indexOf,
        keys,
    };
}

function Block({ board, step, i }: { board: Board; step: OrderStepProps; i: number }) {
    const { row, lane, pace: width, size, onChoose, setDrag, drag, indexOf, onMove } = board;
    const x = board.x(i);
    const rows = step.partIds.flatMap((id) => row.get(id) ?? []);
    const bottom = size.height;
    const chosen = step.id === board.chosen;
    const high = Math.min(...rows, 99);
    const low = Math.max(...rows, 0);
    const w = Math.max(5, width - 2);
    const h = Math.min(lane - 14, 40);
    const wait = step.dryMinutes <= 0 ? 0 : Math.min(WAIT - 6, 3 + 3.2 * Math.log2(1 + step.dryMinutes / 10));
    const inLane = (row: number) => TOP + row * lane + (lane - 10 - h) / 2;
    return (
        <g
            id={`step-${i}`}
            role="option"
            aria-selected={chosen}
            aria-label={`${step.kind}: ${inOwnUnits(step.words)}${step.areaNames.length > 0 ? `, ${step.areaNames.join(', ')}` : ''}`}
            opacity={board.dimmed(step) ? 0.25 : 1}
            style={{ cursor: 'grab' }}
            onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                onChoose(step.id);
                setDrag({ id: step.id, to: i });
            }}
            onPointerMove={(event) => {
                if (drag) setDrag({ id: drag.id, to: indexOf(event) });
            }}
            onPointerUp={() => {
                if (drag && drag.to !== i) onMove(drag.id, drag.to);
                setDrag(null);
            }}
        >
            <rect x={x} y={TOP} width={width} height={bottom - TOP} fill={chosen ? 'var(--raised)' : 'transparent'} />
            {rows.length > 1 && (
                <line
                    x1={x + w / 2}
                    x2={x + w / 2}
                    y1={inLane(high) + h}
                    y2={inLane(low)}
                    stroke="var(--ink)"
                    strokeWidth={step.kind === 'glue' ? 2.5 : 1}
                />
            )}
            {rows.map((row) => (
                <InLane key={row} row={row} step={step} x={x} w={w} inLane={inLane} h={h} chosen={chosen} />
            ))}
            {board.broken.has(step.id) && <path d={`M${x + w / 2 - 4},${TOP}h8l-4,7z`} fill="var(--ink)" />}
            {wait > 0 && (
                <rect x={x} y={bottom - WAIT + 14} width={w} height={Math.min(wait, 18)} fill="var(--quiet)" />
            )}
        </g>
    );
}

/** The paint of a step in its own colours; work without paint is an outline. */
function Shape({ step, x, y, w, h }: { step: OrderStepProps; x: number; y: number; w: number; h: number }) {
    const round = step.kind === 'wash' || step.kind === 'powder' ? Math.min(w, h) / 2 : 0;
    const stripe = w / Math.max(1, step.hexes.length);
    return (
        <>
            {step.hexes.map((hex, i) => (
                <rect key={i} x={x + i * stripe} y={y} width={stripe + 0.5} height={h} fill={hex} rx={round} />
            ))}
            <rect
                x={x + 0.5}
                y={y + 0.5}
                width={w - 1}
                height={h - 1}
                rx={round}
                fill={step.hexes.length === 0 ? 'var(--sunk)' : 'none'}
                stroke="var(--strong)"
                strokeDasharray={
                    step.kind === 'dry brush'
                        ? '3 2'
                        : step.kind === 'spray' || step.kind === 'prime'
                          ? '1 2'
                          : undefined
                }
                strokeWidth={step.kind === 'varnish' ? 3 : 1}
            />
            {w >= NAMED_FROM && <KindName kind={step.kind} x={x + w / 2} y={y + h / 2} w={w} h={h} />}
        </>
    );
}

/** The kind of a step in its block: along it where it is wide, upwards where it is not. */
function KindName({ kind, x, y, w, h }: { kind: StepKind; x: number; y: number; w: number; h: number }) {
    const isAlong = w > kind.length * 6.5 + 4;
    const size = isAlong ? 11 : Math.min(11, w - 2, (h - 2) / (kind.length * LETTER));
    return (
        <text
            x={x}
            y={y}
            transform={isAlong ? undefined : `rotate(-90 ${x} ${y})`}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={size}
            fontWeight="700"
            fill="#fff"
            stroke="#000"
            strokeWidth="2.5"
            paintOrder="stroke"
        >
            {kind}
        </text>
    );
}

function Mask({ from, to, y, mask }: { from: number; to: number; y: number; mask: MaskProps }) {
    return (
        <g aria-hidden>
            <title>{`Mask ${mask.protects.join(', ')}: ${lengthWords(Math.round(mask.mm))}`}</title>
            <line x1={from} x2={to} y1={y} y2={y} stroke="var(--ink)" strokeWidth="4" strokeDasharray="6 2" />
            <line x1={from} x2={from} y1={y - 5} y2={y + 4} stroke="var(--ink)" strokeWidth="2" />
            <line x1={to} x2={to} y1={y - 5} y2={y + 4} stroke="var(--ink)" strokeWidth="2" />
        </g>
    );
}

function InLane({
    row,
    step,
    x,
    w,
    inLane,
    h,
    chosen,
}: {
    row: number;
    step: OrderStepProps;
    x: number;
    w: number;
    inLane: (row: number) => number;
    h: number;
    chosen: boolean;
}) {
    return (
        <g>
            {step.kind === 'glue' ? (
                <circle
                    cx={x + w / 2}
                    cy={inLane(row) + h / 2}
                    r={Math.min(7, w / 2)}
                    fill="var(--room)"
                    stroke="var(--ink)"
                    strokeWidth="2"
                />
            ) : (
                <Shape step={step} x={x} y={inLane(row)} w={w} h={h} />
            )}
            {chosen && (
                <rect
                    x={x - 1}
                    y={inLane(row) - 3}
                    width={w + 2}
                    height={h + 6}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth="2.5"
                />
            )}
        </g>
    );
}

function Chart({ board }: { board: Board }) {
    const { size, x, steps, lanes, lane, masks, at, row, drag } = board;
    return (
        <svg width={Math.max(size.width, x(steps.length) + 8)} height={size.height} className="block">
            {lanes.map((l, i) => (
                <g key={l.id}>
                    <line
                        x1="0"
                        x2={x(steps.length) + 8}
                        y1={TOP + (i + 1) * lane}
                        y2={TOP + (i + 1) * lane}
                        stroke="var(--line)"
                    />
                    <text x="0" y={TOP + (i + 0.5) * lane + 4} fontSize="13" fill="var(--ink)">
                        {l.name.length > 15 ? `${l.name.slice(0, 14)}…` : l.name}
                    </text>
                </g>
            ))}
            <text x="0" y={size.height - 8} fontSize="11" fill="var(--quiet)">
                drying after it
            </text>
            {masks.map((mask) => (
                <Mask
                    key={mask.step}
                    from={x((at.get(mask.after ?? '') ?? 0) + 1)}
                    to={x((at.get(mask.step) ?? 0) + 0.9)}
                    y={TOP + ((row.get(mask.partId) ?? 0) + 1) * lane - 5}
                    mask={mask}
                />
            ))}
            {steps.map((step, i) => (
                <Block key={step.id} board={board} step={step} i={i} />
            ))}
            {drag && drag.to !== at.get(drag.id) && (
                <line
                    x1={x(drag.to + (drag.to > (at.get(drag.id) ?? 0) ? 1 : 0))}
                    x2={x(drag.to + (drag.to > (at.get(drag.id) ?? 0) ? 1 : 0))}
                    y1={TOP}
                    y2={size.height - WAIT}
                    stroke="var(--ink)"
                    strokeWidth="3"
                />
            )}
        </svg>
    );
}

function useSize(box: RefObject<HTMLDivElement | null>) {
    const [size, setSize] = useState({ width: 1200, height: 360 });
    useEffect(() => {
        const element = box.current;
        if (!element) return;
        const fit = () => {
            setSize({ width: element.clientWidth, height: element.clientHeight });
        };
        fit();
        const observer = new ResizeObserver(fit);
        observer.observe(element);
        return () => {
            observer.disconnect();
        };
    }, [box]);

    return size;
}
