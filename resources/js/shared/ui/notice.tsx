import clsx from 'clsx';
import type { ReactNode } from 'react';

/** Something that matters, said by weight and not by colour. */
export function Notice({ strong = false, children }: { strong?: boolean; children: ReactNode }) {
    return (
        <div
            role={strong ? 'alert' : 'status'}
            className={clsx(
                'bg-raised px-3 py-2 text-sm',
                strong ? 'border-l-8 border-ink font-medium' : 'border-l-4 border-strong',
            )}
        >
            {children}
        </div>
    );
}
