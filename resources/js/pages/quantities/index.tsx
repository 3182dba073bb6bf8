import { Link, router } from '@inertiajs/react';
import { useState } from 'react';
import { Shell } from '@/features/shell/shell';
import { capital, day, many, minutesWords } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Stepper } from '@/shared/ui/stepper';
import { Tick } from '@/shared/ui/tick';
import { volumeNumber, volumeUnit } from '@/shared/lib/units';
import type { BatchProps, FigureProps, PotNeedProps } from '@/types/generated';
import { LIMITS } from '@/types/limits';

type Props = {
    figure: FigureProps;
    copies: number;
    /** Comes after the page: the whole order is planned for it. */
    planned?: { pots: PotNeedProps[]; batch: BatchProps | null };
    /** What the run in progress still needs. */
    inRun: { number: number; left: PotNeedProps[] } | null;
};

/** Paint needed from the pots, what is missing, which way a batch is quicker. */
export default function QuantitiesPage(props: Props) {
    const page = useQuantities(props);
    const { figure, batch, shown, short } = page;

    return (
        <Shell title={`Quantities of ${figure.name}`} figure={figure}>
            <div className="mx-auto flex max-w-5xl flex-col gap-5">
                <Head page={page} />
                {shown === undefined ? (
                    <p role="status">Calculating the paint needed.</p>
                ) : short.length > 0 ? (
                    <Notice strong>
                        {many(short.length, 'pot')} will run out before it is finished:{' '}
                        {short.map((pot) => pot.name).join(', ')}.
                    </Notice>
                ) : (
                    <Notice>You have enough of every pot.</Notice>
                )}
                {batch && <Batch batch={batch} figure={figure} />}
                {shown && <Table pots={shown} />}
                <Estimates page={page} />
            </div>
        </Shell>
    );
}

type Page = ReturnType<typeof useQuantities>;

function useQuantities({ figure, copies, planned, inRun }: Props) {
    const [wanted, setWanted] = useState(copies);
    const [ofRun, setOfRun] = useState(false);
    const shown = ofRun ? inRun?.left : planned?.pots;
    const batch = planned?.batch;
    const short = (shown ?? []).filter((pot) => pot.missingMl > 0);
    const cost = (shown ?? []).reduce((sum, pot) => sum + (pot.cost ?? 0), 0);
    const unpriced = (shown ?? []).filter((pot) => pot.cost === null).length;
    return { figure, copies, batch, inRun, wanted, setWanted, ofRun, setOfRun, shown, short, cost, unpriced };
}

function Batch({ batch, figure }: { batch: BatchProps; figure: FigureProps }) {
    const mode = batch.quicker;
    const together = mode === 'step by step';
    return (
        <section
            aria-label="The batch"
            className="flex flex-wrap items-center gap-4 border border-strong bg-raised p-3"
        >
            <p className="min-w-0 flex-1 text-sm">
                <strong>
                    {capital(mode)} is quicker for {batch.figures}
                </strong>
                : from first to last stroke about {minutesWords(Math.round(batch.stepByStep))} step by step,{' '}
                {minutesWords(Math.round(batch.figureByFigure))} figure by figure (estimates).{' '}
                {together &&
                    `${minutesWords(Math.round(batch.setUpSaved))} of mixing and cleaning are done once, and ${minutesWords(Math.round(batch.waitSaved))} of drying pass while the others are painted.`}
            </p>
            {(['step by step', 'figure by figure'] as const).map((each) => (
                <Button
                    key={each}
                    look={each === mode ? 'main' : 'plain'}
                    onClick={() => {
                        router.post(url('runs.store', { figure: figure.id }), { copies: batch.figures, mode: each });
                    }}
                >
                    Start {each}
                </Button>
            ))}
        </section>
    );
}

function Table({ pots }: { pots: readonly PotNeedProps[] }) {
    const isDrops = volumeUnit() === 'drops';
    return (
        <table className="w-full text-left text-sm">
            <thead className="text-xs text-quiet">
                <tr>
                    <th className="font-normal">pot</th>
                    <th className="text-right font-normal">needed, {volumeUnit()}</th>
                    {!isDrops && <th className="text-right font-normal">drops</th>}
                    <th className="text-right font-normal">in stock, {volumeUnit()}</th>
                    <th className="text-right font-normal">short by, {volumeUnit()}</th>
                    <th className="text-right font-normal">to buy</th>
                    <th className="text-right font-normal">costs</th>
                </tr>
            </thead>
            <tbody>
                {pots.map((pot) => (
                    <tr key={pot.paintId} className={`border-t border-line ${pot.missingMl > 0 ? 'font-bold' : ''}`}>
                        <th scope="row" className="flex items-center gap-3 py-1 font-[inherit]">
                            <span className="h-8 w-12" style={{ background: pot.hex }} aria-hidden />
                            <span>
                                {pot.name} <span className="font-normal text-quiet">{pot.maker}</span>
                                {!pot.onShelf && ' (no longer on the shelf)'}
                                {pot.wasGoodUntil !== null && (
                                    <span className="block text-xs">
                                        was good until {day(`${pot.wasGoodUntil}T00:00`)}
                                    </span>
                                )}
                            </span>
                        </th>
                        <td className="text-right">
                            {(isDrops ? pot.needDrops : null) ?? volumeNumber(pot.needMl.toFixed(2))}
                        </td>
                        {!isDrops && <td className="text-right">{pot.needDrops ?? 'sprayed'}</td>}
                        <td className="text-right">{volumeNumber(pot.hasMl.toFixed(1))}</td>
                        <td className="text-right">
                            {pot.missingMl > 0 ? volumeNumber(pot.missingMl.toFixed(2)) : ''}
                        </td>
                        <td className="text-right">{pot.toBuy > 0 ? pot.toBuy : ''}</td>
                        <td className="text-right">{pot.cost?.toFixed(2) ?? ''}</td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

function Estimates({ page }: { page: Page }) {
    const { cost, unpriced, figure } = page;
    return (
        <p className="text-sm text-quiet">
            All quantities are estimates: area x wet film of the technique / what reaches the piece, and what a cup or
            palette keeps. They follow what your runs used once you record it.{' '}
            {cost > 0 && `The paint costs about ${cost.toFixed(2)}`}
            {cost > 0 && unpriced > 0 && `, without ${many(unpriced, 'pot')} that have no price`}
            {cost > 0 && '. '}
            Areas without a size are estimated from the height of the figure:{' '}
            <Link className="underline" href={url('figures.order', { figure: figure.id })}>
                set their size
            </Link>
            .
        </p>
    );
}

function Head({ page }: { page: Page }) {
    const { wanted, setWanted, copies, figure, inRun, ofRun, setOfRun } = page;
    return (
        <header className="flex flex-wrap items-end gap-4">
            <h1 className="text-2xl">Paint needed</h1>
            <div className="flex items-end gap-2">
                <Stepper label="Figures" value={wanted} {...LIMITS.figureCopies} onChange={setWanted} />
                <Button
                    disabled={wanted === copies}
                    onClick={() => {
                        router.visit(url('figures.quantities', { figure: figure.id, copies: wanted }));
                    }}
                >
                    Calculate for {wanted}
                </Button>
            </div>
            {inRun !== null && (
                <Tick
                    className="min-h-10 text-sm"
                    checked={ofRun}
                    onTick={(isOn) => {
                        setOfRun(isOn);
                    }}
                >
                    only what is left of run {inRun.number}
                </Tick>
            )}
            <span className="ml-auto flex gap-4 text-sm">
                <a
                    className="underline underline-offset-4"
                    href={url('figures.shopping', { figure: figure.id, copies })}
                >
                    Shopping list (PDF)
                </a>
                <a
                    className="underline underline-offset-4"
                    href={url('figures.quantities-csv', { figure: figure.id, copies })}
                >
                    Table (CSV)
                </a>
            </span>
        </header>
    );
}
