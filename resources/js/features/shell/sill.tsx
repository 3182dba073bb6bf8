import { Link, usePage } from '@inertiajs/react';
import { minutesWords } from '@/shared/lib/format';
import { useNow } from '@/shared/lib/use-now';
import type { CupOnSillProps, SillItemProps } from '@/types/generated';

/** The lower edge of every screen: what is wet, and for how long. */
export function Sill() {
    const { sill: items, cupsOnSill: cups } = usePage<{ sill: SillItemProps[]; cupsOnSill: CupOnSillProps[] }>().props;
    const now = useNow(15_000);
    return (
        <aside
            aria-label="On the sill"
            className="flex min-h-12 items-center gap-2 overflow-x-auto border-t-2 border-strong bg-sunk px-4 print:hidden"
        >
            <span className="shrink-0 text-xs text-quiet">On the sill</span>
            {items.length === 0 && cups.length === 0 && <span className="text-xs">Nothing is wet.</span>}
            <ul className="flex gap-2">
                {items.map((item) => (
                    <li key={item.stepId} className="shrink-0">
                        <SillItem item={item} now={now} />
                    </li>
                ))}
                {cups.map((cup) => (
                    <li key={`cup ${cup.id}`} className="shrink-0">
                        <CupOnSill cup={cup} now={now} />
                    </li>
                ))}
            </ul>
        </aside>
    );
}

function SillItem({ item, now }: { item: SillItemProps; now: number }) {
    const left = Math.ceil((Date.parse(item.dryAt) - now) / 60_000);
    return (
        <Link
            href={item.url}
            className="flex min-h-9 items-center gap-2 rounded-sm border border-strong bg-raised px-2 text-xs"
            title={`${item.figure}: ${item.what}`}
        >
            <span className="hidden sm:inline">{item.figure}:</span>
            <span>{item.what}</span>
            <strong className="text-sm">{left > 0 ? `dry in ${minutesWords(left)}` : 'dry'}</strong>
        </Link>
    );
}

function CupOnSill({ cup, now }: { cup: CupOnSillProps; now: number }) {
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
            <strong className="text-sm">{left > 0 ? `${cup.millilitres.toFixed(1)} mL` : 'past its pot life'}</strong>
        </Link>
    );
}
