import { Link, usePage } from '@inertiajs/react';
import { minutesWords } from '@/shared/lib/format';
import { useNow } from '@/shared/lib/use-now';
import type { SillItemProps } from '@/types/generated';

/** The lower edge of every screen: what is wet, and for how long. */
export function Sill() {
    const items = usePage<{ sill: SillItemProps[] }>().props.sill;
    const now = useNow(15_000);
    return (
        <aside
            aria-label="On the sill"
            className="flex min-h-12 items-center gap-2 overflow-x-auto border-t-2 border-strong bg-sunk px-4 print:hidden"
        >
            <span className="shrink-0 text-xs text-quiet">On the sill</span>
            {items.length === 0 && <span className="text-xs">Nothing is wet.</span>}
            <ul className="flex gap-2">
                {items.map((item) => (
                    <li key={item.stepId} className="shrink-0">
                        <SillItem item={item} now={now} />
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
