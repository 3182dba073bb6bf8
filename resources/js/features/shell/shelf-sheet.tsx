import { Link } from '@inertiajs/react';
import { useEffect, useState } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Notice } from '@/shared/ui/notice';
import { Sheet } from '@/shared/ui/sheet';
import type { PaintProps } from '@/types/generated';

/** The shelf over any stage: quick to look through, big swatches, what is running out. */
export function ShelfSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
    const [paints, setPaints] = useState<PaintProps[] | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [words, setWords] = useState('');

    useEffect(() => {
        if (!open) return;
        const controller = new AbortController();
        send<PaintProps[]>('GET', url('paints.index'), undefined, controller.signal)
            .then(setPaints)
            .catch((error: unknown) => {
                if (error instanceof ApiError) setProblem(error.message);
            });
        return () => {
            controller.abort();
        };
    }, [open]);

    const wanted = words.toLowerCase();
    const shown = paints?.filter((paint) =>
        `${paint.name} ${paint.maker} ${paint.kind} ${paint.thick.name}`.toLowerCase().includes(wanted),
    );

    return (
        <Sheet side open={open} onClose={onClose} title="Shelf">
            <input
                type="search"
                autoFocus
                aria-label="Search the shelf"
                placeholder="Search"
                className="min-h-10 w-full rounded-sm border border-strong bg-raised px-2 text-sm"
                value={words}
                onChange={(event) => {
                    setWords(event.target.value);
                }}
            />
            {problem !== null && <Notice strong>{problem}</Notice>}
            {paints === null && problem === null && <p className="text-quiet">Loading the shelf.</p>}
            {shown?.length === 0 && <p>No match.</p>}
            <ul className="flex flex-col gap-1.5">
                {shown?.map((paint) => (
                    <PotRow key={paint.id} paint={paint} />
                ))}
            </ul>
            <Link href={url('shelf')} className="underline underline-offset-4">
                Open the full shelf
            </Link>
        </Sheet>
    );
}

function PotRow({ paint }: { paint: PaintProps }) {
    return (
        <li className="flex items-center gap-3">
            <span className="flex h-11 w-28 shrink-0" aria-hidden>
                <span className="flex-[2]" style={{ background: paint.thick.hex }} />
                <span className="flex-1" style={{ background: paint.overBlack.hex }} />
                <span className="flex-1" style={{ background: paint.overWhite.hex }} />
            </span>
            <span className="min-w-0 flex-1 leading-tight">
                <span className="block font-medium">{paint.name}</span>
                <span className="text-xs text-quiet">
                    {paint.maker}, {paint.kind}
                </span>
            </span>
            <span className={paint.levelPercent <= 10 ? 'text-xs font-bold' : 'text-xs text-quiet'}>
                {paint.levelPercent <= 10 ? 'nearly empty' : `${paint.levelPercent} %`}
            </span>
        </li>
    );
}
