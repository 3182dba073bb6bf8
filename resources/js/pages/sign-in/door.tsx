import { Head } from '@inertiajs/react';
import type { ReactNode } from 'react';

/** What stands before the house: signing in and up, a forgotten password. */
export function Door({ title, children }: { title: string; children: ReactNode }) {
    return (
        <main className="flex min-h-full flex-col items-center justify-center gap-6 p-6">
            <Head title={title} />
            <h1 className="flex items-center gap-3 text-2xl">
                <img src="/icon.svg" alt="" width={40} height={40} />
                Hyalin
            </h1>
            <p className="max-w-md text-center text-base">
                Plan a finish before you open a pot, follow it at the bench, repeat it months later.
            </p>
            {children}
        </main>
    );
}
