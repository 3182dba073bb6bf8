import { Link, router } from '@inertiajs/react';
import { useRef, useState, type SetStateAction, type RefObject } from 'react';
import { FileSheet } from '@/features/shelf/file-sheet';
import { ListSheet } from '@/features/shelf/list-sheet';
import { found, ordered, type Order } from '@/features/shelf/order';
import { PotForm } from '@/features/shelf/pot-form';
import { useShelfImport } from '@/features/shelf/use-shelf-import';
import { Guide } from '@/features/shell/guide';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useKeys } from '@/shared/lib/use-keys';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Sheet } from '@/shared/ui/sheet';
import { TaskBar } from '@/shared/ui/task-bar';
import type { PaintProps, ShelfImportProps, ShelfPageProps, FigureProps } from '@/types/generated';

const KEYS = [
    ['/', 'search'],
    ['n', 'a new pot'],
    ['arrows', 'move among the pots'],
    ['Enter', 'open a pot'],
] as const;

const ORDERS: readonly { value: Order; label: string }[] = [
    { value: 'shelf', label: 'shelf order' },
    { value: 'hue', label: 'by hue' },
    { value: 'lightness', label: 'by lightness' },
    { value: 'level', label: 'lowest level first' },
];

type Props = {
    page: ShelfPageProps;
    /** The figure that is on its way to a first session: it waits for pots. */
    guided?: FigureProps | null;
};

export default function ShelfPage(props: Props) {
    const shelf = useShelf(props);
    const { page, setOpen, files, setFiles, removed, setRemoved, grid, shown, reload } = shelf;

    return (
        <Shell title="Shelf" keys={KEYS}>
            <div className="flex flex-col gap-4">
                {props.guided && page.paints.length > 0 && (
                    <div className="-mx-4 -mt-4">
                        <Guide figure={props.guided} />
                    </div>
                )}
                <ShelfHead shelf={shelf} />
                {removed !== null && <RemovedPot removed={removed} setRemoved={setRemoved} reload={reload} />}
                {page.paints.length === 0 && <EmptyShelf shelf={shelf} />}
                {page.borrowed !== null && <Borrowed id={page.borrowed} reload={reload} />}
                {page.paints.length > 0 && shown.length === 0 && <p className="text-base">No match.</p>}
                <ul ref={grid} className="grid grid-cols-1 gap-3 sm:grid-cols-[repeat(auto-fill,minmax(15.5rem,1fr))]">
                    {shown.map((paint) => (
                        <li key={paint.id}>
                            <Pot
                                paint={paint}
                                onOpen={() => {
                                    setOpen(paint);
                                }}
                            />
                        </li>
                    ))}
                </ul>
            </div>
            <FileSheet
                open={files}
                formats={page.formats}
                onClose={() => {
                    setFiles(false);
                }}
                onChanged={reload}
            />
            <ListSheet
                open={shelf.listing}
                onClose={() => {
                    shelf.setListing(false);
                }}
                onChanged={reload}
                kinds={page.fields.find((field) => field.key === 'kind')?.choices ?? []}
            />
            <PotSheet shelf={shelf} />
        </Shell>
    );
}

type Shelf = ReturnType<typeof useShelf>;

function useShelf({ page }: Props) {
    const [words, setWords] = useState('');
    const [kind, setKind] = useState('all');
    const [order, setOrder] = useState<Order>('shelf');
    const [open, setOpen] = useState<PaintProps | 'new' | null>(null);
    const [files, setFiles] = useState(false);
    const [listing, setListing] = useState(false);
    const [removed, setRemoved] = useState<PaintProps | null>(null);
    const search = useRef<HTMLInputElement>(null);
    const grid = useRef<HTMLUListElement>(null);
    const shown = ordered(found(page.paints, words, kind), order);
    const kinds = [...new Set(page.paints.map((paint) => paint.kind))];
    const reload = () => {
        router.reload({ only: ['page', 'guided'] });
    };
    const step = useShelfKeys({ search, setOpen, grid });
    return {
        page,
        words,
        setWords,
        kind,
        setKind,
        order,
        setOrder,
        open,
        setOpen,
        files,
        setFiles,
        listing,
        setListing,
        removed,
        setRemoved,
        search,
        grid,
        shown,
        kinds,
        reload,
        step,
    };
}

function Pot({ paint, onOpen }: { paint: PaintProps; onOpen: () => void }) {
    const low = paint.levelPercent <= 10;
    return (
        <button
            type="button"
            data-pot={paint.id}
            onClick={onOpen}
            className="flex w-full flex-col border border-strong bg-raised text-left hover:border-ink"
        >
            <span className="flex h-20 w-full" aria-hidden>
                <span className="flex-[2]" style={{ background: paint.thick.hex }} />
                <span className="flex-1 bg-[#000] p-2 pr-0">
                    <span className="block h-full" style={{ background: paint.overBlack.hex }} />
                </span>
                <span className="flex-1 bg-[#fff] p-2 pl-0">
                    <span className="block h-full" style={{ background: paint.overWhite.hex }} />
                </span>
            </span>
            <span className="flex w-full flex-col gap-0.5 p-2">
                <span className="text-base leading-tight font-semibold">{paint.name}</span>
                <span className="text-xs text-quiet">
                    {paint.maker}, {paint.kind}, {paint.sheen}
                </span>
                <span className="text-xs text-quiet">
                    {paint.thick.name};{' '}
                    {paint.coatsToHide === null ? 'never opaque' : `opaque in ${many(paint.coatsToHide, 'coat')}`};{' '}
                    {paint.quality}
                </span>
                <span className="mt-1 flex items-center gap-2 text-xs">
                    <span className="relative h-2.5 flex-1 border border-strong" aria-hidden>
                        <span
                            className="absolute inset-y-0 left-0 bg-strong"
                            style={{ width: `${paint.levelPercent}%` }}
                        />
                    </span>
                    <span className={low ? 'font-bold' : 'text-quiet'}>
                        {low ? 'nearly empty' : `${paint.levelPercent} % full`}
                    </span>
                </span>
            </span>
        </button>
    );
}

function PotSheet({ shelf }: { shelf: Shelf }) {
    const { open, setOpen, page, reload, setRemoved } = shelf;
    return (
        <Sheet
            side
            open={open !== null}
            onClose={() => {
                setOpen(null);
            }}
            title={open === 'new' || open === null ? 'New pot' : open.name}
        >
            {open !== null && (
                <PotForm
                    key={open === 'new' ? 'new' : open.id}
                    paint={open === 'new' ? null : open}
                    fields={page.fields}
                    flakes={page.flakes}
                    clear={page.clear}
                    onSaved={() => {
                        setOpen(null);
                        reload();
                    }}
                    onRemoved={() => {
                        if (open === 'new') return;
                        void send('DELETE', url('paints.destroy', { paint: open.id })).then(() => {
                            setRemoved(open);
                            setOpen(null);
                            reload();
                        });
                    }}
                />
            )}
        </Sheet>
    );
}

function RemovedPot({
    removed,
    setRemoved,
    reload,
}: {
    removed: PaintProps;
    setRemoved: (value: SetStateAction<PaintProps | null>) => void;
    reload: () => void;
}) {
    return (
        <Notice>
            {removed.name} was removed from the shelf; recipes that use it keep it.{' '}
            <button
                type="button"
                className="font-bold underline"
                onClick={() => {
                    void send('POST', url('paints.restore', { paint: removed.id })).then(() => {
                        setRemoved(null);
                        reload();
                    });
                }}
            >
                Restore
            </button>
        </Notice>
    );
}

function ShelfHead({ shelf }: { shelf: Shelf }) {
    const { shown, page, search, words, setWords, step, kind, kinds, setKind, order, setOrder, setFiles, setOpen } =
        shelf;
    return (
        <header className="flex flex-wrap items-end gap-3">
            <h1 className="mr-auto text-2xl">
                Shelf{' '}
                <span className="text-sm font-normal text-quiet">
                    {shown.length === page.paints.length
                        ? many(page.paints.length, 'pot')
                        : `${shown.length} of ${many(page.paints.length, 'pot')}`}
                </span>
            </h1>
            <ShelfSearch search={search} words={words} setWords={setWords} step={step} />
            <div className="w-40">
                <Pick
                    label="Kind"
                    hideLabel
                    value={kind}
                    options={['all', ...kinds].map((k) => ({ value: k, label: k === 'all' ? 'all kinds' : k }))}
                    onPick={setKind}
                />
            </div>
            <div className="w-40">
                <Pick<Order> label="Order" hideLabel value={order} options={ORDERS} onPick={setOrder} />
            </div>
            <Button
                onClick={() => {
                    shelf.setListing(true);
                }}
            >
                Several pots
            </Button>
            <Button
                look="main"
                onClick={() => {
                    setOpen('new');
                }}
            >
                New pot
            </Button>
            <ShelfTools setFiles={setFiles} />
        </header>
    );
}

/** Nothing on it yet: the ways to fill it, the quickest first. */
function EmptyShelf({ shelf }: { shelf: Shelf }) {
    const { begin, isBusy, done, gone, stop } = useShelfImport(shelf.reload);
    const { message, attempt } = useAttempt();
    const borrow = () => attempt(() => begin(send<ShelfImportProps>('POST', url('pot-list.borrow'))));
    return (
        <div className="flex flex-col items-start gap-3">
            <p className="max-w-prose text-base">
                The shelf is empty. A list of names is enough to begin: colours and kinds are guessed from the words,
                and one photo of a swatch sheet measures 24 pots later.
            </p>
            <div className="flex flex-wrap gap-3">
                <Button
                    look="main"
                    onClick={() => {
                        shelf.setListing(true);
                    }}
                >
                    Add several pots
                </Button>
                <Button disabled={isBusy} onClick={() => void borrow()}>
                    Borrow the demo&apos;s shelf to try
                </Button>
            </div>
            {isBusy && done?.task && <TaskBar task={done.task} gone={gone} onStop={stop} />}
            {(message ?? done?.task?.problem) && <Notice strong>{message ?? done?.task?.problem}</Notice>}
        </div>
    );
}

function Borrowed({ id, reload }: { id: number; reload: () => void }) {
    return (
        <Notice>
            This is the shelf of the demo, borrowed to try with.{' '}
            <button
                type="button"
                className="font-bold underline"
                onClick={() => {
                    void send('DELETE', url('shelf-imports.destroy', { shelfImport: id })).then(reload);
                }}
            >
                Return it
            </button>
        </Notice>
    );
}

/** What is done with a whole shelf rather than one pot. */
function ShelfTools({ setFiles }: { setFiles: Shelf['setFiles'] }) {
    const look = 'inline-flex min-h-8 items-center text-sm underline underline-offset-4';
    return (
        <nav aria-label="The whole shelf" className="-mt-1 flex w-full flex-wrap gap-x-5">
            <Link href={url('sheets')} className={look}>
                Swatch sheets
            </Link>
            <Link href={url('chips')} className={look}>
                Test chips
            </Link>
            <Link href={url('shelf.reach')} className={look}>
                Gamut
            </Link>
            <button
                type="button"
                className={look}
                onClick={() => {
                    setFiles(true);
                }}
            >
                Files
            </button>
        </nav>
    );
}

function useShelfKeys({
    search,
    setOpen,
    grid,
}: {
    search: RefObject<HTMLInputElement | null>;
    setOpen: (value: SetStateAction<PaintProps | 'new' | null>) => void;
    grid: RefObject<HTMLUListElement | null>;
}) {
    useKeys({
        '/': () => search.current?.focus(),
        n: () => {
            setOpen('new');
        },
        ArrowRight: () => {
            step(1);
        },
        ArrowLeft: () => {
            step(-1);
        },
        ArrowDown: () => {
            step(columns());
        },
        ArrowUp: () => {
            step(-columns());
        },
    });

    function step(by: number) {
        const pots = [...(grid.current?.querySelectorAll<HTMLElement>('[data-pot]') ?? [])];
        const here = pots.findIndex((pot) => pot === document.activeElement);
        pots[Math.max(0, Math.min(pots.length - 1, here < 0 ? 0 : here + by))]?.focus();
    }

    function columns(): number {
        return grid.current ? getComputedStyle(grid.current).gridTemplateColumns.split(' ').length : 1;
    }

    return step;
}

function ShelfSearch({
    search,
    words,
    setWords,
    step,
}: {
    search: RefObject<HTMLInputElement | null>;
    words: string;
    setWords: (value: SetStateAction<string>) => void;
    step: (by: number) => void;
}) {
    return (
        <input
            ref={search}
            type="search"
            aria-label="Search the shelf"
            placeholder="Search: dark green ink"
            className="min-h-10 w-full rounded-sm border border-strong bg-raised px-2 text-sm sm:w-60"
            value={words}
            onChange={(event) => {
                setWords(event.target.value);
            }}
            onKeyDown={(event) => {
                if (event.key === 'Escape') event.currentTarget.blur();
                if (event.key === 'ArrowDown') step(0);
            }}
        />
    );
}
