import { Link } from '@inertiajs/react';
import { Shell } from '@/features/shell/shell';
import { labWords, many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { PotMark } from '@/shared/ui/pot-mark';
import type { ColourProps, GamutPageProps } from '@/types/generated';

const SECTORS = [
    'red',
    'orange red',
    'orange',
    'yellow',
    'lime',
    'green',
    'sea green',
    'teal',
    'sky',
    'blue',
    'violet',
    'pink',
] as const;

const BANDS = ['L* over 80', '60 to 80', '40 to 60', '20 to 40', '0 to 20'] as const;

/** What the shelf can reach, what it lacks for the figures in work, and what stands on it twice. */
export default function ReachPage({ page }: { page: GamutPageProps }) {
    return (
        <Shell title="Gamut of the shelf">
            <div className="flex flex-col gap-6">
                <header>
                    <p className="text-xs text-quiet">
                        <Link href={url('shelf')} className="underline underline-offset-2">
                            Shelf
                        </Link>
                    </p>
                    <h1 className="text-2xl">Gamut of the shelf</h1>
                    <p className="text-sm text-quiet">
                        The most saturated colour that {many(page.pots, 'pot')}, alone and in pairs, give for each hue
                        and lightness: one coat, satin. An empty cell is out of reach.
                    </p>
                </header>
                {page.pots === 0 ? (
                    <p className="text-base">There is no pot to mix from on the shelf.</p>
                ) : (
                    <div className="grid gap-6 lg:grid-cols-2">
                        <Reach title="Over white" cells={page.overWhite} />
                        <Reach title="Over black" cells={page.overBlack} />
                    </div>
                )}
                <div className="grid gap-6 lg:grid-cols-2">
                    <Missing page={page} />
                    <NearDuplicates page={page} />
                </div>
            </div>
        </Shell>
    );
}

function Reach({ title, cells }: { title: string; cells: readonly (ColourProps | null)[] }) {
    return (
        <table className="w-full table-fixed border-collapse text-xs">
            <caption className="mb-1 text-left text-base font-semibold">{title}</caption>
            <tbody>
                {BANDS.map((band, row) => (
                    <tr key={band}>
                        <th scope="row" className="w-20 pr-2 text-right font-normal text-quiet">
                            {band}
                        </th>
                        {SECTORS.map((sector, hue) => {
                            const cell = cells[(BANDS.length - 1 - row) * SECTORS.length + hue] ?? null;
                            return (
                                <td
                                    key={sector}
                                    className="h-9 border border-line p-0 text-center"
                                    style={{ background: cell?.hex ?? 'transparent' }}
                                    title={cell === null ? `${sector}: nothing` : `${cell.name}, ${labWords(cell)}`}
                                >
                                    <span className="sr-only">{cell?.name ?? 'nothing'}</span>
                                </td>
                            );
                        })}
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function NearDuplicates({ page }: { page: GamutPageProps }) {
    return (
        <section aria-labelledby="doubles">
            <h2 id="doubles" className="mb-1 text-lg font-semibold">
                Near duplicates
            </h2>
            {page.doubles.length === 0 && <p className="text-sm">No two pots are alike.</p>}
            <ul className="flex flex-col">
                {page.doubles.map(({ one: first, other, difference }) => (
                    <li
                        key={`${first.id} ${other.id}`}
                        className="flex items-center gap-3 border-t border-line py-1.5 text-sm"
                    >
                        <span className="flex shrink-0">
                            <PotMark hex={first.hex} size={32} />
                            <PotMark hex={other.hex} size={32} />
                        </span>
                        <span className="flex-1">
                            {first.name} and {other.name}
                            <span className="block text-xs text-quiet">
                                {first.maker}, {other.maker}
                            </span>
                        </span>
                        <strong>{one(difference)}</strong>
                    </li>
                ))}
            </ul>
        </section>
    );
}

function Missing({ page }: { page: GamutPageProps }) {
    return (
        <section aria-labelledby="lacks">
            <h2 id="lacks" className="mb-1 text-lg font-semibold">
                Missing for your figures
            </h2>
            {page.lacks.length === 0 && (
                <p className="text-sm">Every colour sampled so far is within reach of two pots.</p>
            )}
            <ul className="flex flex-col">
                {page.lacks.map((lack) => (
                    <li key={lack.place} className="flex items-center gap-3 border-t border-line py-1.5 text-sm">
                        <span className="flex h-11 w-24 shrink-0" aria-hidden>
                            <span className="flex-1" style={{ background: lack.colour.hex }} />
                            <span className="flex-1" style={{ background: lack.nearest.hex }} />
                        </span>
                        <span className="flex-1">
                            <strong>{lack.wanted}</strong>
                            <span className="block text-xs text-quiet">
                                {lack.place}; the nearest is {one(lack.difference)} away; such a pot would help with{' '}
                                {many(lack.served, 'colour')}
                            </span>
                        </span>
                    </li>
                ))}
            </ul>
        </section>
    );
}
