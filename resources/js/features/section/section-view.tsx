import clsx from 'clsx';
import { useRef, type KeyboardEvent } from 'react';
import { ZONES, capital, labWords, one, zoneName, zonesOf } from '@/shared/lib/format';
import type { AreaForm, SectionCellProps, SectionRowProps, Zone } from '@/types/generated';

export type Place = { row: number; zone: Zone };

type Props = {
    rows: readonly SectionRowProps[];
    /** What each band is, bottom first: the bare print, then the layers. */
    names: readonly string[];
    notes?: readonly string[];
    height?: number;
    /** What the area is: its zones are called by it. */
    form?: AreaForm;
    selected?: Place | null;
    onSelect?: (place: Place) => void;
};

/**
 * The heart of it: a finish cut through its films. The start lies at the bottom, every layer above it as a band, the
 * zones as columns. A cell shows what the eye sees when painting has come that far; where a layer does not touch a
 * zone, the colour beneath runs on through its band.
 */
export function SectionView({
    rows,
    names,
    notes = [],
    height = 46,
    form = 'light and shade',
    selected = null,
    onSelect,
}: Props) {
    const box = useRef<HTMLDivElement>(null);
    const order = rows.map((row, index) => ({ row, index })).reverse();

    function move(event: KeyboardEvent<HTMLElement>) {
        const step = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
        if (!step || !onSelect) return;
        event.preventDefault();
        const place = selected ?? { row: rows.length - 1, zone: 'mid' as Zone };
        const row = Math.max(0, Math.min(rows.length - 1, place.row + (step[0] ?? 0)));
        const zones = zonesOf(form);
        const column = Math.max(0, Math.min(zones.length - 1, zones.indexOf(place.zone) + (step[1] ?? 0)));
        const zone = zones[column] ?? place.zone;
        onSelect({ row, zone });
        box.current?.querySelector<HTMLElement>(`[data-cell="${row}-${zone}"]`)?.focus();
    }

    return (
        <div ref={box} role="grid" tabIndex={-1} aria-label="Section of the finish" className="w-full" onKeyDown={move}>
            <div role="row" className="mb-1 flex text-xs text-quiet">
                <span role="columnheader" className="w-40 shrink-0">
                    <span className="sr-only">Layer</span>
                </span>
                {zonesOf(form).map((zone) => (
                    <span key={zone} role="columnheader" className="flex-1 text-center">
                        {zoneName(form, zone)}
                    </span>
                ))}
            </div>
            {order.map(({ row, index }) => (
                <Band
                    key={index}
                    row={row}
                    index={index}
                    name={names[index] ?? ''}
                    note={notes[index]}
                    form={form}
                    height={height}
                    top={index === rows.length - 1}
                    selected={selected}
                    onSelect={onSelect}
                />
            ))}
        </div>
    );
}

/** The zone a layer is mixed for: the middle, or what it paints nearest to it. */
export function aim(row: SectionRowProps, asked: Zone = 'mid'): Zone {
    const painted = row.cells.filter((cell) => cell.touched).map((cell) => cell.zone);
    if (painted.includes(asked) || painted.length === 0) return asked;
    const off = (zone: Zone) => Math.abs(ZONES.indexOf(zone) - ZONES.indexOf('mid'));
    return [...painted].sort((p, q) => off(p) - off(q))[0] ?? asked;
}

function Band({
    row,
    index,
    name,
    note,
    form,
    height,
    top,
    selected,
    onSelect,
}: {
    row: SectionRowProps;
    index: number;
    name: string;
    note?: string | undefined;
    form: AreaForm;
    height: number;
    top: boolean;
    selected: Place | null;
    onSelect?: ((place: Place) => void) | undefined;
}) {
    const here = selected?.row === index;
    return (
        <div role="row" className="flex items-stretch" aria-selected={here}>
            <button
                type="button"
                role="rowheader"
                tabIndex={onSelect ? 0 : -1}
                disabled={!onSelect}
                onClick={() => onSelect?.({ row: index, zone: aim(row) })}
                style={{ minHeight: height }}
                className={clsx(
                    'flex w-40 shrink-0 flex-col justify-center border-l-4 pr-2 pl-2 text-left',
                    here ? 'border-ink' : 'border-transparent',
                )}
            >
                <span className={clsx('text-sm leading-tight', here && 'font-bold')}>{name}</span>
                {note !== undefined && note !== '' && (
                    <span className="line-clamp-2 text-xs leading-tight text-quiet">{note}</span>
                )}
                {!row.shows && (
                    <span className="text-xs leading-tight font-bold">won't show ({one(row.largestChange)})</span>
                )}
            </button>
            <div className="painted relative flex flex-1">
                {row.cells
                    .filter((cell) => zonesOf(form).includes(cell.zone))
                    .map((cell) => (
                        <Cell
                            key={cell.zone}
                            cell={cell}
                            index={index}
                            height={height}
                            film={index > 0 && cell.touched}
                            selected={here && selected.zone === cell.zone}
                            tabbable={
                                here ? selected.zone === cell.zone : selected === null && top && cell.zone === 'mid'
                            }
                            onSelect={onSelect}
                        />
                    ))}
            </div>
        </div>
    );
}

function Cell({
    cell,
    index,
    height,
    film,
    selected,
    tabbable,
    onSelect,
}: {
    cell: SectionCellProps;
    index: number;
    height: number;
    film: boolean;
    selected: boolean;
    tabbable: boolean;
    onSelect?: ((place: Place) => void) | undefined;
}) {
    const words = `${capital(cell.zone)}: ${cell.colour.name}, ${labWords(cell.colour)}${
        film ? `, changed by ΔE ${one(cell.change)}` : ''
    }${cell.colour.outOfGamut ? ', outside the gamut of this display' : ''}${
        cell.side ? `; from the side ${cell.side.name}, ${labWords(cell.side)}` : ''
    }`;
    return (
        <button
            type="button"
            role="gridcell"
            data-cell={`${index}-${cell.zone}`}
            tabIndex={onSelect && tabbable ? 0 : -1}
            disabled={!onSelect}
            aria-label={words}
            aria-selected={selected}
            title={words}
            onClick={() => onSelect?.({ row: index, zone: cell.zone })}
            className="relative min-w-0 flex-1 disabled:cursor-default"
            style={{ minHeight: height }}
        >
            <svg width="100%" height="100%" className="absolute inset-0 block overflow-visible" aria-hidden>
                {/* A pixel over the border: columns of broken width would let the room shine through between them. */}
                <rect className="[height:calc(100%+1px)] [width:calc(100%+1px)]" fill={cell.colour.hex} />
                {/* Flakes have two faces: the corner shows the one that is seen along the surface. */}
                {cell.side && (
                    <svg viewBox="0 0 1 1" preserveAspectRatio="none" x="55%" y="0" width="45%" height="100%">
                        <path d="M1 0V1H0Z" fill={cell.side.hex} />
                    </svg>
                )}
                {/* The lower edge of a film: a hairline of shade in neutral, so that a band can be seen as a band. */}
                {film && <rect y="100%" width="100%" height="1" transform="translate(0 -1)" fill="rgba(0,0,0,0.35)" />}
                {selected && <Selection />}
            </svg>
        </button>
    );
}

function Selection() {
    return (
        <>
            <rect
                x="1.5"
                y="1.5"
                className="[height:calc(100%-3px)] [width:calc(100%-3px)]"
                fill="none"
                stroke="#000"
                strokeWidth="3"
            />
            <rect
                x="4"
                y="4"
                className="[height:calc(100%-8px)] [width:calc(100%-8px)]"
                fill="none"
                stroke="#fff"
                strokeWidth="2"
            />
        </>
    );
}
