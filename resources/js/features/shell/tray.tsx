import { Link, router, usePage } from '@inertiajs/react';
import { Bell, X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { send } from '@/shared/lib/api';
import { minutesWords, whenWords } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useNow } from '@/shared/lib/use-now';
import type { OpenCupProps, TrayItemProps } from '@/types/generated';
import { ask, canAsk, ringOnce } from './alarm';
import { volumeWords } from '@/shared/lib/units';

/** A mask is called for this long before it must be off. */
const WARN_MASK = 30;

/** Until the tray has come. */
const NO_ITEMS: TrayItemProps[] = [];
const NO_CUPS: OpenCupProps[] = [];

/** The lower edge of every screen: what is wet, masked or timed, and for how long. */
export function DryingTray() {
    const { tray, openCups } = usePage<{ tray?: TrayItemProps[]; openCups?: OpenCupProps[] }>().props;
    const items = tray ?? NO_ITEMS;
    const cups = openCups ?? NO_CUPS;
    const now = useNow(2_000);
    const [asking, setAsking] = useState(canAsk);
    useEffect(() => {
        for (const item of items) {
            // What became ready while nobody looked is told by the tray; only what is fresh rings.
            const past = now - Date.parse(item.at) + (item.kind === 'mask' ? WARN_MASK * 60_000 : 0);
            if (past >= 0 && past < 120_000)
                ringOnce(`${item.key} ${item.at}`, `${item.figure} ${item.what}: ${words(item, now)}`);
        }
    }, [items, now]);
    return (
        <aside
            aria-label="Drying and timers"
            className="flex min-h-12 items-center gap-2 border-t-2 border-strong bg-sunk px-4 print:hidden"
        >
            <span className="hidden shrink-0 text-xs text-quiet sm:inline">Drying and timers</span>
            {tray?.length === 0 && cups.length === 0 && <span className="text-xs">Nothing is drying.</span>}
            <ul className="flex min-w-0 flex-1 gap-2 overflow-x-auto p-1">
                {items.map((item) => (
                    <li key={item.key} className="flex shrink-0">
                        <TrayItem item={item} now={now} />
                    </li>
                ))}
                {cups.map((cup) => (
                    <li key={`cup ${cup.id}`} className="shrink-0">
                        <OpenCup cup={cup} now={now} />
                    </li>
                ))}
            </ul>
            {asking && items.length > 0 && (
                <button
                    type="button"
                    aria-label="Notify me on this device"
                    className="flex min-h-9 min-w-9 shrink-0 items-center justify-center gap-1 border border-strong bg-raised px-2 text-xs"
                    onClick={() =>
                        void ask().then(() => {
                            setAsking(false);
                        })
                    }
                >
                    <Bell size={14} aria-hidden /> <span className="hidden sm:inline">Notify me on this device</span>
                </button>
            )}
        </aside>
    );
}

function minutesLeft(item: TrayItemProps, now: number): number {
    return Math.ceil((Date.parse(item.at) - now) / 60_000);
}

function words(item: TrayItemProps, now: number): string {
    const left = minutesLeft(item, now);
    switch (item.kind) {
        case 'mask':
            if (left <= 0) return 'peel it now';
            return left < 90
                ? `peel within ${minutesWords(left)}`
                : `peel by ${whenWords(Date.parse(item.at), now).replace(/^(at|on) /, '')}`;
        case 'timer':
            return left > 0 ? minutesWords(left) : 'time is up';
        default:
            return left > 0 ? `dry ${whenWords(Date.parse(item.at), now)}` : 'dry';
    }
}

function TrayItem({ item, now }: { item: TrayItemProps; now: number }) {
    const left = minutesLeft(item, now);
    const presses = left <= 0 || (item.kind === 'mask' && left <= WARN_MASK);
    const timer = item.timerId;
    return (
        <>
            <Link
                href={item.url}
                className={`flex min-h-9 items-center gap-2 rounded-sm border px-2 text-xs ${
                    presses ? 'border-ink bg-ink text-inverse' : 'border-strong bg-raised'
                }`}
                title={`${item.figure}: ${item.what}`}
            >
                {item.figure !== '' && <span className="hidden sm:inline">{item.figure}:</span>}
                <span>{item.what}</span>
                <strong className="text-sm">{words(item, now)}</strong>
            </Link>
            {timer !== null && (
                <button
                    type="button"
                    aria-label={`Stop the timer: ${item.what}`}
                    className="flex min-h-9 w-8 items-center justify-center border border-l-0 border-strong bg-raised"
                    onClick={() =>
                        void send('DELETE', url('timers.destroy', { timer })).then(() => {
                            router.reload({ only: ['tray'] });
                        })
                    }
                >
                    <X size={14} aria-hidden />
                </button>
            )}
        </>
    );
}

function OpenCup({ cup, now }: { cup: OpenCupProps; now: number }) {
    const left = Math.ceil((Date.parse(cup.goodUntil) - now) / 60_000);
    return (
        <Link
            href={cup.url}
            className="flex min-h-9 items-center gap-2 rounded-sm border border-strong bg-raised px-2 text-xs"
            title={`Cup: ${cup.name}`}
        >
            <span
                className="h-5 w-5 rounded-full border border-ink"
                style={{ background: cup.hex ?? 'transparent' }}
                aria-hidden
            />
            <span>{cup.name}</span>
            <strong className="text-sm">
                {left > 0 ? volumeWords(cup.millilitres.toFixed(1)) : 'past its pot life'}
            </strong>
        </Link>
    );
}
