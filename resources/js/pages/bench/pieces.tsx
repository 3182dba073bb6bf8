import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Shell } from '@/features/shell/shell';
import { ApiError, send } from '@/shared/lib/api';
import { inkOn, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import type { ConsistencyProps, FigureProps } from '@/types/generated';

type Props = {
    figure: FigureProps;
    runId: number;
    runNumber: number;
    copies: number;
    areas: ConsistencyProps[];
};

/** Consistency the figures of a batch came out: every one read, the spread, the one that stands out. */
export default function PiecesPage({ figure, runId, runNumber, copies, areas }: Props) {
    const [problem, setProblem] = useState<string | null>(null);
    const [reading, setReading] = useState<string | null>(null);
    const pieces = Array.from({ length: copies }, (_, i) => i + 1);
    const odd = areas.filter((area) => area.outlier !== null);

    async function read(area: ConsistencyProps, copies_: readonly number[]) {
        try {
            for (const copy of copies_) {
                setReading(`${area.area}, figure ${copy}`);
                await send('POST', url('runs.read-piece', { run: runId }), {
                    areaId: area.areaId,
                    copy,
                    method: 'reader',
                });
            }
            setProblem(null);
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblem(error.message);
        } finally {
            setReading(null);
            router.reload();
        }
    }

    return (
        <Shell title={`Run ${runNumber} of ${figure.name}, figure by figure`} figure={figure}>
            <div className="flex flex-col gap-4">
                <Head copies={copies} runNumber={runNumber} reading={reading} figure={figure} />
                {problem !== null && <Notice strong>{problem}</Notice>}
                {odd.map((area) => (
                    <Notice strong key={area.areaId}>
                        Figure {area.outlier}, {area.area}: {area.remedy}
                    </Notice>
                ))}
                <div className="overflow-x-auto">
                    <PiecesTable pieces={pieces} areas={areas} reading={reading} read={read} copies={copies} />
                </div>
                <p className="text-xs text-quiet">
                    The spread is the average ΔE (CIEDE2000) of the figures from the mean colour (MCDM, Billmeyer and
                    Alessi 1981).
                </p>
            </div>
        </Shell>
    );
}

function Piece({ area, piece }: { area: ConsistencyProps; piece: number }) {
    const reading = area.readings.find((r) => r.copy === piece);
    if (!reading) return <td className="border-x border-line bg-sunk p-0" />;
    const ink = inkOn(reading.colour.hex);
    return (
        <td className="h-16 p-0 text-center" style={{ background: reading.colour.hex, color: ink }}>
            {area.outlier === piece ? (
                <strong className="border-2 px-1" style={{ borderColor: ink }}>
                    {one(reading.difference ?? 0)}
                </strong>
            ) : (
                reading.difference !== null && one(reading.difference)
            )}
        </td>
    );
}

function AreaRow({
    area,
    reading,
    read,
    pieces,
    copies,
}: {
    area: ConsistencyProps;
    reading: string | null;
    read: (area: ConsistencyProps, copies_: readonly number[]) => Promise<void>;
    pieces: number[];
    copies: number;
}) {
    return (
        <tr className="border-t border-line">
            <th scope="row" className="py-1 font-semibold">
                <span className="block">{area.area}</span>
                <Button
                    size="small"
                    className="mt-1"
                    disabled={reading !== null}
                    onClick={() => void read(area, pieces)}
                >
                    Read all {copies}
                </Button>
            </th>
            <td className="h-16 p-0" style={{ background: area.planned?.hex }} />
            {pieces.map((piece) => (
                <Piece key={piece} area={area} piece={piece} />
            ))}
            <td className="pl-3">
                {area.spread === null ? (
                    <span className="text-quiet">not read yet</span>
                ) : (
                    <>
                        <strong>{one(area.spread)}</strong> from the mean
                        <span className="block text-xs text-quiet">{area.words}</span>
                    </>
                )}
            </td>
        </tr>
    );
}

function PiecesTable({
    pieces,
    areas,
    reading,
    read,
    copies,
}: {
    pieces: number[];
    areas: ConsistencyProps[];
    reading: string | null;
    read: (area: ConsistencyProps, copies_: readonly number[]) => Promise<void>;
    copies: number;
}) {
    return (
        <table className="w-full text-left text-sm">
            <thead className="text-xs text-quiet">
                <tr>
                    <th className="w-40 font-normal">area</th>
                    <th className="w-20 font-normal">planned</th>
                    {pieces.map((piece) => (
                        <th key={piece} className="min-w-16 text-center font-normal">
                            figure {piece}
                        </th>
                    ))}
                    <th className="w-44 pl-3 font-normal">spread</th>
                </tr>
            </thead>
            <tbody>
                {areas.map((area) => (
                    <AreaRow
                        key={area.areaId}
                        area={area}
                        reading={reading}
                        read={read}
                        pieces={pieces}
                        copies={copies}
                    />
                ))}
            </tbody>
        </table>
    );
}

function Head({
    copies,
    runNumber,
    reading,
    figure,
}: {
    copies: number;
    runNumber: number;
    reading: string | null;
    figure: FigureProps;
}) {
    return (
        <header className="flex flex-wrap items-end gap-4">
            <h1 className="text-2xl">
                {copies} figures of run {runNumber}
            </h1>
            <p className="flex-1 text-sm text-quiet">
                The mid tone of every area on every figure, by the colour reader (simulated here).{' '}
                {reading !== null && <strong>Reading {reading}.</strong>}
            </p>
            <Link className="text-sm underline underline-offset-4" href={url('figures.bench', { figure: figure.id })}>
                All runs
            </Link>
        </header>
    );
}
