import { Link } from '@inertiajs/react';
import { day, many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import type { PotLifeProps, PotUseProps } from '@/types/generated';

/** Rows that are read at a glance; more are asked for. */
const SHOWN = 12;

/** Where the paint of a pot went, the latest first. */
export function Life({ life }: { life: PotLifeProps }) {
    const { since, usedMl, leftMl, uses } = life;
    return (
        <section aria-labelledby="life" className="flex flex-col gap-2">
            <h2 id="life" className="text-lg font-semibold">
                Where it went
            </h2>
            <p className="text-sm">
                {since !== null && `On the shelf since ${day(since)}. `}
                {millilitres(usedMl)} mL recorded in {many(uses.length, 'use')}; about {millilitres(leftMl)} mL left
                (estimate).
            </p>
            {uses.length === 0 ? (
                <p className="text-sm text-quiet">A step that is done with it, or a cup, is listed here.</p>
            ) : (
                <Uses uses={uses.slice(0, SHOWN)} />
            )}
            {uses.length > SHOWN && (
                <details className="text-sm">
                    <summary className="cursor-pointer">{many(uses.length - SHOWN, 'earlier use')}</summary>
                    <Uses uses={uses.slice(SHOWN)} />
                </details>
            )}
        </section>
    );
}

function Uses({ uses }: { uses: PotUseProps[] }) {
    return (
        <ul className="text-sm">
            {uses.map((use, n) => (
                <li key={n} className="flex items-baseline gap-3 border-t border-line py-1">
                    <span className="w-20 shrink-0 text-quiet">{use.at === null ? '' : day(use.at)}</span>
                    <span className="min-w-0 flex-1">
                        <Where use={use} />
                        {words(use)}
                    </span>
                    <span className="shrink-0">{millilitres(use.millilitres)} mL</span>
                </li>
            ))}
        </ul>
    );
}

function Where({ use }: { use: PotUseProps }) {
    const look = 'underline underline-offset-4';
    if (use.runId !== null)
        return (
            <Link className={look} href={url('runs.show', { run: use.runId })}>
                {use.figure}, run {use.run}
            </Link>
        );
    if (use.cupId !== null)
        return (
            <Link className={look} href={url('cups.show', { cup: use.cupId })}>
                {use.figure ?? 'A cup'}
            </Link>
        );
    return null;
}

function words(use: PotUseProps): string {
    const what = use.cupId === null ? use.what : `cup “${use.what}”`;
    return `: ${use.technique === null ? what : `${use.technique}, ${what}`}`;
}

/** Two figures are enough to compare a drop with a pot. */
function millilitres(value: number): string {
    return value >= 10 ? value.toFixed(0) : value >= 1 ? value.toFixed(1) : value.toFixed(2);
}
