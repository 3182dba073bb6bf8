import { Head, Link } from '@inertiajs/react';
import { SectionView } from '@/features/section/section-view';
import { dilutionWords, many, one, zonesWords } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { MixList } from '@/shared/ui/drops';
import { Empty } from '@/shared/ui/empty';
import { inOwnUnits, lengthWords } from '@/shared/lib/units';
import type { CardAreaProps, FigureProps, WorkCardProps, LayerProps } from '@/types/generated';

type Props = {
    figure: FigureProps;
    areas: CardAreaProps[]; /** Comes after the areas: the whole order is planned for it. */
    work?: WorkCardProps | null;
    stillUrl: string | null;
};

/** The recipe on paper: the section, the mixes in drops, the steps, room for notes. */
export default function CardPage({ figure, areas, work, stillUrl }: Props) {
    return (
        <div className="mx-auto max-w-4xl p-6 print:max-w-none print:p-0">
            <Head title={`Card of ${figure.name}`} />
            <CardNav figure={figure} />
            <CardHead stillUrl={stillUrl} figure={figure} />
            {areas.length === 0 && (
                <Empty act="Build a finish" to={url('figures.finishes', { figure: figure.id })}>
                    No area has a finish yet: there is nothing to print.
                </Empty>
            )}
            {areas.map((area) => (
                <AreaCard key={area.name} area={area} />
            ))}
            {work === undefined && <p role="status">Calculating the order of work.</p>}
            {work && areas.length > 0 && <Work work={work} />}
            <p className="text-xs text-quiet">
                Colours are predictions from the paints&apos; optics under {figure.light}; where a paint was not
                measured they are estimates.
            </p>
        </div>
    );
}

/** The order of work, its masks, and what can hurt. */
function Work({ work }: { work: WorkCardProps }) {
    return (
        <section className="mb-6 text-sm">
            <h2 className="mb-2 border-b-2 border-ink text-lg">Order of work</h2>
            <ol className="list-decimal pl-8 sm:columns-2 sm:gap-8">
                {work.steps.map((step, i) => (
                    <li key={i} className="mb-1 break-inside-avoid leading-tight">
                        {inOwnUnits(step)}
                    </li>
                ))}
            </ol>
            {work.masks.map((mask) => (
                <p key={mask} className="mt-2">
                    {inOwnUnits(mask)}
                </p>
            ))}
            <h3 className="mt-4 font-semibold">Safety</h3>
            {work.takes.length > 0 && (
                <p className="mt-2 text-xs">
                    <strong>Paint needed (estimates)</strong>: {inOwnUnits(work.takes.join('; '))}.
                </p>
            )}
            {work.cautions.map((caution) => (
                <p key={caution}>{caution}</p>
            ))}
        </section>
    );
}

function LayerRow({ layer, i, area }: { layer: LayerProps; i: number; area: CardAreaProps }) {
    return (
        <li className="grid grid-cols-[1.5rem_1fr] gap-3 sm:grid-cols-[1.5rem_9rem_1fr_10rem] print:grid-cols-[1.5rem_9rem_1fr_10rem]">
            <strong>{i + 1}</strong>
            <span>
                {layer.technique}
                <span className="block text-xs text-quiet">
                    {zonesWords(layer.zones, area.form)}; {many(layer.coats, 'coat')}; {dilutionWords(layer.thinner)}
                </span>
            </span>
            <span className="max-sm:col-start-2 print:col-start-auto">
                <MixList mix={layer.mix} size={14} />
                {layer.note !== null && <span className="text-xs">{layer.note}</span>}
            </span>
            <span className="min-h-8 border-b border-dotted border-line text-xs text-quiet max-sm:col-start-2 print:col-start-auto">
                {area.section.rows[i + 1]?.shows === false &&
                    `won't show (${one(area.section.rows[i + 1]?.largestChange ?? 0)})`}
            </span>
        </li>
    );
}

function AreaCard({ area }: { area: CardAreaProps }) {
    return (
        <article className="mb-8 break-inside-avoid">
            <h2 className="text-lg">
                {area.name} <span className="text-sm font-normal text-quiet">{area.partName}</span>
            </h2>
            {area.wish !== null && <p className="mb-2 text-sm text-quiet">{area.wish}</p>}
            <SectionView
                rows={area.section.rows}
                names={[area.section.start, ...area.layers.map((l, i) => `${i + 1}  ${l.technique}`)]}
                height={34}
            />
            <ol className="mt-3 flex flex-col gap-2">
                {area.layers.map((layer, i) => (
                    <LayerRow key={layer.key} layer={layer} i={i} area={area} />
                ))}
            </ol>
        </article>
    );
}

function CardHead({ stillUrl, figure }: { stillUrl: string | null; figure: FigureProps }) {
    return (
        <header className="mb-4 border-b-2 border-ink pb-2">
            {stillUrl !== null && (
                <img
                    src={stillUrl}
                    alt={`${figure.name} as planned, on its mesh`}
                    className="float-right ml-4 h-48 w-auto max-w-[45%] object-contain"
                />
            )}
            <h1 className="text-2xl">{figure.name}</h1>
            <p className="text-sm text-quiet">
                {[
                    figure.sculptor,
                    figure.heightMm === null ? null : lengthWords(figure.heightMm),
                    figure.copies > 1 ? `${figure.copies} alike` : null,
                    `${figure.sheen} varnish`,
                ]
                    .filter((fact) => fact !== null)
                    .join(', ')}
            </p>
            <div className="clear-both" />
        </header>
    );
}

function CardNav({ figure }: { figure: FigureProps }) {
    return (
        <nav aria-label="Card" className="mb-6 flex items-center gap-3 print:hidden">
            <Link href={url('figures.finishes', { figure: figure.id })} className="underline underline-offset-4">
                Back to finishes
            </Link>
            <Button
                look="main"
                className="ml-auto"
                onClick={() => {
                    window.print();
                }}
            >
                Print
            </Button>
            <a
                href={url('figures.card-pdf', { figure: figure.id })}
                className="inline-flex min-h-10 items-center rounded-sm border border-strong bg-raised px-3 text-sm font-medium"
            >
                As PDF
            </a>
        </nav>
    );
}
