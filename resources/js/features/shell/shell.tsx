import { Head, Link, router, usePage } from '@inertiajs/react';
import clsx from 'clsx';
import { Keyboard, Lamp, LogOut, Sun } from 'lucide-react';
import { useEffect, useRef, useState, type ReactNode, type Dispatch, type SetStateAction } from 'react';
import { applySurround, currentSurround } from '@/shared/lib/surround';
import { url } from '@/shared/lib/url';
import { useKeys } from '@/shared/lib/use-keys';
import { Sheet } from '@/shared/ui/sheet';
import type { FigureProps, StageProps } from '@/types/generated';
import { Guide } from './guide';
import { ShelfSheet } from './shelf-sheet';
import { DryingTray } from './tray';
import { Unsent } from './unsent';

/** Keys of a screen, for the list that "?" opens. */
export type KeyHelp = readonly (readonly [key: string, does: string])[];

/** The frame of every screen: where one is above, the work between, the tray below. */
export function Shell({
    title,
    figure,
    keys = [],
    wide = false,
    headsByTitle = false,
    children,
}: {
    title: string;
    figure?: FigureProps;
    keys?: KeyHelp;
    wide?: boolean;
    /** The page shows no first heading: its title is one for screen readers. */
    headsByTitle?: boolean;
    children: ReactNode;
}) {
    const [helping, setHelping] = useState(false);
    const [shelf, setShelf] = useState(false);
    useKeys({
        '?': () => {
            setHelping(true);
        },
    });
    return (
        <div className="flex h-full flex-col print:block">
            <Head title={title} />
            <a
                href="#work"
                className="sr-only bg-ink text-inverse focus:not-sr-only focus:absolute focus:z-50 focus:p-2"
            >
                Skip to content
            </a>
            <header className="flex flex-wrap items-stretch justify-between gap-x-2 border-b border-strong px-3 sm:gap-x-6 sm:px-4 print:hidden">
                <PainterNav figure={figure} setShelf={setShelf} />
                {figure !== undefined && <Stages figure={figure} />}
                <Tools
                    onHelp={() => {
                        setHelping(true);
                    }}
                />
            </header>
            {figure !== undefined && <Guide figure={figure} />}
            <main
                id="work"
                className={clsx('min-h-0 flex-1 overflow-y-auto print:overflow-visible', !wide && 'px-4 py-4')}
            >
                {headsByTitle && <h1 className="sr-only">{title}</h1>}
                <Unsent />
                {children}
            </main>
            <DryingTray />
            <ShelfSheet
                open={shelf}
                onClose={() => {
                    setShelf(false);
                }}
            />
            <KeyboardSheet helping={helping} setHelping={setHelping} keys={keys} />
        </div>
    );
}

function Stages({ figure }: { figure: FigureProps }) {
    const stages = useRef<HTMLElement>(null);
    // On a phone the stage one is at may lie outside of what is seen of them.
    useEffect(() => {
        const nav = stages.current;
        const here = nav?.querySelector<HTMLElement>('[aria-current]');
        if (nav && here) nav.scrollLeft = here.offsetLeft - (nav.clientWidth - here.clientWidth) / 2;
    }, []);
    return (
        <nav
            ref={stages}
            aria-label={`Stages of ${figure.name}`}
            className="relative order-last flex w-full min-w-0 items-stretch overflow-x-auto lg:order-none lg:w-auto lg:flex-1"
        >
            <span
                className="hidden max-w-36 shrink-0 self-center truncate pr-3 text-sm font-semibold xl:block"
                title={figure.name}
            >
                {figure.name}
            </span>
            <ol className="flex">
                {figure.stages.map((stage) => (
                    <li key={stage.name} className="flex">
                        <Stage stage={stage} />
                    </li>
                ))}
            </ol>
        </nav>
    );
}

function Stage({ stage }: { stage: StageProps }) {
    const look = clsx(
        'flex flex-col justify-center border-b-4 px-3 py-1.5 whitespace-nowrap',
        stage.current ? 'border-ink' : 'border-transparent',
    );
    const words = (
        <>
            <span className={clsx('text-sm', stage.current && 'font-bold')}>{stage.name}</span>
            <span className="text-xs text-quiet">{stage.state}</span>
        </>
    );
    return stage.url === null ? (
        <span className={clsx(look, 'text-quiet italic')}>{words}</span>
    ) : (
        <Link
            href={stage.url}
            className={clsx(look, 'hover:border-strong')}
            aria-current={stage.current ? 'page' : undefined}
        >
            {words}
        </Link>
    );
}

function Tools({ onHelp }: { onHelp: () => void }) {
    const painter = usePage<{ painter: string | null }>().props.painter;
    const [surround, setSurround] = useState(currentSurround);
    const button = 'hover:border-strong flex h-9 w-9 items-center justify-center rounded-sm border border-transparent';
    return (
        <div className="flex items-center gap-1 py-1.5">
            <button
                type="button"
                className={button}
                title={surround === 'day' ? 'Dark surround' : 'Light surround'}
                aria-label={surround === 'day' ? 'Dark surround' : 'Light surround'}
                onClick={() => {
                    const next = surround === 'day' ? 'lamp' : 'day';
                    applySurround(next);
                    setSurround(next);
                }}
            >
                {surround === 'day' ? <Lamp size={18} aria-hidden /> : <Sun size={18} aria-hidden />}
            </button>
            {/* A phone has no keys, and its header is one line. */}
            <button
                type="button"
                className={clsx(button, 'max-sm:hidden')}
                title="Keys"
                aria-label="Keyboard shortcuts"
                onClick={onHelp}
            >
                <Keyboard size={18} aria-hidden />
            </button>
            {painter !== null && (
                <button
                    type="button"
                    className={button}
                    title={`Sign out ${painter}`}
                    aria-label={`Sign out ${painter}`}
                    onClick={() => {
                        router.post(url('sign-out'));
                    }}
                >
                    <LogOut size={18} aria-hidden />
                </button>
            )}
        </div>
    );
}

function KeyboardSheet({
    helping,
    setHelping,
    keys,
}: {
    helping: boolean;
    setHelping: Dispatch<SetStateAction<boolean>>;
    keys: readonly (readonly [key: string, does: string])[];
}) {
    return (
        <Sheet
            open={helping}
            onClose={() => {
                setHelping(false);
            }}
            title="Keyboard shortcuts"
        >
            <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2 text-base">
                {[...keys, ['?', 'this list'] as const, ['Esc', 'back'] as const].map(([key, does]) => (
                    <div key={key} className="contents">
                        <dt>
                            <kbd className="rounded-sm border border-strong bg-raised px-2 font-mono">{key}</kbd>
                        </dt>
                        <dd>{does}</dd>
                    </div>
                ))}
            </dl>
            <Link href={url('how-it-works')} className="mt-4 inline-block underline underline-offset-4">
                How it works, and what the words mean
            </Link>
        </Sheet>
    );
}

function PainterNav({
    figure,
    setShelf,
}: {
    figure: FigureProps | undefined;
    setShelf: Dispatch<SetStateAction<boolean>>;
}) {
    return (
        <nav aria-label="Painter" className="flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5 sm:gap-x-4">
            <Link href={url('home')} className="flex items-center gap-2 text-base font-bold">
                <img src="/icon.svg" alt="" width={22} height={22} />
                <span className="max-sm:sr-only">Hyalin</span>
            </Link>
            {figure === undefined ? (
                <Link href={url('shelf')} className="text-sm underline-offset-4 hover:underline">
                    Shelf
                </Link>
            ) : (
                <button
                    type="button"
                    className="text-sm underline-offset-4 hover:underline"
                    onClick={() => {
                        setShelf(true);
                    }}
                >
                    Shelf
                </button>
            )}
            <Link href={url('cups')} className="text-sm underline-offset-4 hover:underline">
                Cups
            </Link>
            {figure === undefined && (
                <>
                    <Link href={url('schedule')} className="text-sm underline-offset-4 hover:underline">
                        Schedule
                    </Link>
                    <Link href={url('recipes')} className="text-sm underline-offset-4 hover:underline">
                        Recipes
                    </Link>
                    <Link href={url('practice')} className="text-sm underline-offset-4 hover:underline max-sm:hidden">
                        Practice
                    </Link>
                </>
            )}
        </nav>
    );
}
