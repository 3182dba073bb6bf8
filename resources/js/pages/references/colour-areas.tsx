import { useEffect, useState } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Sheet } from '@/shared/ui/sheet';
import type { ColourAreaProps, PictureProps } from '@/types/generated';

/** A row of the proposal: what of the picture it is made of, how it is called, whether it is wanted. */
type Row = { areas: ColourAreaProps[]; name: string; isWanted: boolean };

type Props = {
    figureId: number;
    picture: PictureProps;
    /** Names that are there already: such an area gets the colours that it does not have yet. */
    known: readonly string[];
    onClose: () => void;
    onTaken: () => void;
};

/** The main areas of a picture, each with its colours: renamed, merged or left out before anything is kept. */
export function ColourAreas({ figureId, picture, known, onClose, onTaken }: Props) {
    const [rows, setRows] = useState<Row[] | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const at = { figure: figureId, picture: picture.id };

    useEffect(() => {
        let isHere = true;
        send<ColourAreaProps[]>('GET', url('pictures.areas', { figure: figureId, picture: picture.id }))
            .then((found) => {
                if (isHere) setRows(found.map((area) => ({ areas: [area], name: area.name, isWanted: true })));
            })
            .catch((error: unknown) => {
                if (!(error instanceof ApiError)) throw error;
                if (isHere) setProblem(error.message);
            });
        return () => {
            isHere = false;
        };
    }, [figureId, picture.id]);

    const wanted = (rows ?? []).filter((row) => row.isWanted);
    const change = (index: number, part: Partial<Row>) => {
        setRows((now) => now?.map((row, i) => (i === index ? { ...row, ...part } : row)) ?? null);
    };

    async function take() {
        try {
            await send('POST', url('pictures.take-areas', at), {
                areas: wanted.map((row) => ({ name: row.name.trim(), places: row.areas.map((a) => a.place) })),
            });
            onTaken();
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblem(error.message);
        }
    }

    return (
        <Sheet
            open
            onClose={onClose}
            title="Areas from the colours of the picture"
            description="A proposal. Rename what you know better, merge what is one area, leave out what is none."
        >
            <div className="flex flex-col gap-3">
                {problem !== null && <Notice strong>{problem}</Notice>}
                {rows === null && problem === null && <p className="text-sm text-quiet">Looking at the picture ...</p>}
                <datalist id="known-areas">
                    {known.map((name) => (
                        <option key={name} value={name} />
                    ))}
                </datalist>
                <ul className="flex flex-col">
                    {rows?.map((row, i) => (
                        <RowOf
                            key={row.areas[0]?.place}
                            row={row}
                            picture={picture}
                            onChange={(part) => {
                                change(i, part);
                            }}
                            {...(i === 0
                                ? {}
                                : {
                                      onMerge: () => {
                                          setRows((now) => merged(now ?? [], i));
                                      },
                                  })}
                        />
                    ))}
                </ul>
                {rows !== null && (
                    <Button look="main" disabled={wanted.length === 0} onClick={() => void take()}>
                        Take {many(wanted.length, 'area')} with {wanted.length === 1 ? 'its' : 'their'} colours
                    </Button>
                )}
            </div>
        </Sheet>
    );
}

/** A row joined to the one above it, whose name it takes. */
function merged(rows: readonly Row[], index: number): Row[] {
    return rows.flatMap((row, i) => {
        if (i === index) return [];
        return i === index - 1 ? [{ ...row, areas: [...row.areas, ...(rows[index]?.areas ?? [])] }] : [row];
    });
}

function RowOf({
    row,
    picture,
    onChange,
    onMerge,
}: {
    row: Row;
    picture: PictureProps;
    onChange: (part: Partial<Row>) => void;
    onMerge?: () => void;
}) {
    const share = row.areas.reduce((sum, area) => sum + area.share, 0);
    return (
        <li className={`flex items-center gap-3 border-b border-line py-2 ${row.isWanted ? '' : 'opacity-50'}`}>
            <input
                type="checkbox"
                className="h-6 w-6 shrink-0 accent-current"
                aria-label={`Take ${row.name}`}
                checked={row.isWanted}
                onChange={(event) => {
                    onChange({ isWanted: event.target.checked });
                }}
            />
            <Where row={row} picture={picture} />
            <div className="flex min-w-0 flex-1 flex-col gap-1">
                <input
                    aria-label="Name of the area"
                    list="known-areas"
                    maxLength={120}
                    className="min-h-10 w-full border border-strong bg-raised px-2 text-sm"
                    value={row.name}
                    onChange={(event) => {
                        onChange({ name: event.target.value });
                    }}
                />
                <div className="flex h-5" aria-hidden>
                    {row.areas.flatMap((area) =>
                        area.ramp.map((colour, i) => (
                            <span key={`${area.place} ${i}`} className="flex-1" style={{ background: colour.hex }} />
                        )),
                    )}
                </div>
                <p className="flex items-center justify-between gap-2 text-xs text-quiet">
                    <span>{Math.round(share * 100)} % of the figure</span>
                    {onMerge && (
                        <button type="button" className="min-h-6 underline underline-offset-4" onClick={onMerge}>
                            Merge with the one above
                        </button>
                    )}
                </p>
            </div>
        </li>
    );
}

/** The piece of the picture where the area shows its middle tone. */
function Where({ row, picture }: { row: Row; picture: PictureProps }) {
    const [x, y] = row.areas[0]?.spot ?? [0.5, 0.5];
    const zoom = 5;
    const side = 72;
    const width = side * zoom;
    const height = (width * picture.height) / picture.width;
    return (
        <span
            aria-hidden
            className="shrink-0 border border-strong bg-no-repeat"
            style={{
                width: side,
                height: side,
                backgroundImage: `url(${picture.url})`,
                backgroundSize: `${width}px ${height}px`,
                backgroundPosition: `${side / 2 - (x ?? 0.5) * width}px ${side / 2 - (y ?? 0.5) * height}px`,
            }}
        />
    );
}
