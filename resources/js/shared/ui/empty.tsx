import { Link } from '@inertiajs/react';
import type { ReactNode } from 'react';

/** What a screen says that has nothing to show yet: why, and the one next act. */
export function Empty({ act, to, children }: { act: string; to: string; children: ReactNode }) {
    return (
        <div className="flex flex-col items-start gap-3">
            <p className="max-w-prose text-base">{children}</p>
            <Link
                href={to}
                className="inline-flex min-h-10 items-center rounded-sm border border-ink bg-ink px-3 text-sm font-medium text-inverse"
            >
                {act}
            </Link>
        </div>
    );
}
