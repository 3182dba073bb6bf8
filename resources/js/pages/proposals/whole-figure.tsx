import { Link, router } from '@inertiajs/react';
import { useEffect, useRef, useState, type Dispatch, type SetStateAction } from 'react';
import { wire } from '@/features/finish/layers';
import { ApiError, send } from '@/shared/lib/api';
import { many, minutesWords, one } from '@/shared/lib/format';
import { isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { useTask } from '@/shared/lib/use-task';
import { Button } from '@/shared/ui/button';
import { Empty } from '@/shared/ui/empty';
import { Notice } from '@/shared/ui/notice';
import { Stepper } from '@/shared/ui/stepper';
import { TaskBar } from '@/shared/ui/task-bar';
import type { AreaProposalProps, FigureProposalProps, FigureProps, TaskProps } from '@/types/generated';

/** Finishes for all areas that share pots; searched for in the queue. */
type Props = { figure: FigureProps; brushOnly: boolean; only: number[] | null; last: TaskProps | null };

export function WholeFigure(props: Props) {
    const whole = useWholeFigure(props);
    const { search, problem, answer } = whole;

    return (
        <section className="flex flex-col gap-4">
            <Start whole={whole} />
            {problem !== null && <Notice strong>{problem}</Notice>}
            {search?.state === 'failed' && (
                <Notice strong>{search.problem ?? 'This search failed. Nothing was changed; propose again.'}</Notice>
            )}
            {search?.state === 'stopped' && !answer && (
                <Notice>Stopped before anything was found. Propose again to go on.</Notice>
            )}
            {search === null && (
                <p className="max-w-2xl text-sm">
                    Every area with target colours gets a finish; pots that few areas need are dropped where the others
                    come nearly as close. Nothing is changed until you adopt it.
                </p>
            )}
            {answer && <Answer answer={answer} whole={whole} />}
        </section>
    );
}

type Whole = ReturnType<typeof useWholeFigure>;

function useWholeFigure({ figure, brushOnly, only, last }: Props) {
    const [most, setMost] = useState(0);
    const [search, setSearch] = useState<TaskProps | null>(last);
    const [problem, setProblem] = useState<string | null>(null);
    const [adopted, setAdopted] = useState<number[]>([]);
    const running = search !== null && isOpen(search);
    const answer = search?.result as FigureProposalProps | null | undefined;
    const { gone, stop } = useTask(search, setSearch);
    const { attempt, adopt } = useAdopting({ setProblem, figure, setAdopted });
    const start = () =>
        void attempt(async () => {
            setAdopted([]);
            setSearch(
                await send<TaskProps>('POST', url('proposal-searches.store', { figure: figure.id }), {
                    brushOnly,
                    only,
                    mostPots: most === 0 ? null : most,
                }),
            );
        });
    // The guide asks for it by the address.
    const isAsked = useRef(last === null && new URLSearchParams(window.location.search).has('now'));
    useEffect(() => {
        if (isAsked.current) start();
        isAsked.current = false;
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, []);
    return {
        start,
        figure,
        brushOnly,
        only,
        most,
        setMost,
        search,
        gone,
        stop,
        problem,
        adopted,
        setAdopted,
        running,
        answer,
        attempt,
        adopt,
    };
}

function AreaRow({ whole, area }: { whole: Whole; area: AreaProposalProps }) {
    const { figure, adopted, attempt, adopt } = whole;
    return (
        <tr className="border-t border-line align-middle">
            <th scope="row" className="py-1 pr-3 font-semibold">
                <Link
                    className="underline-offset-4 hover:underline"
                    href={url('figures.proposals', { figure: figure.id, area: area.areaId })}
                >
                    {area.name}
                </Link>
            </th>
            <td className="w-64 py-1 pr-3">
                <div className="flex" aria-hidden>
                    {area.proposal.section.matches.map((m) => (
                        <span key={m.zone} className="flex-1">
                            <span className="block h-4" style={{ background: m.wanted.hex }} />
                            <span className="block h-4" style={{ background: m.predicted.hex }} />
                        </span>
                    ))}
                </div>
            </td>
            <td>{area.proposal.kind}</td>
            <td className="text-right">
                <strong>{one(area.proposal.total)}</strong> ({one(area.proposal.worst)})
            </td>
            <td className="text-right text-quiet max-sm:hidden">
                {many(area.proposal.layers.length, 'layer')}, {many(area.proposal.cups, 'cup')},{' '}
                {minutesWords(area.proposal.minutes)}
            </td>
            <td className="py-1 pl-3 text-right">
                {adopted.includes(area.areaId) ? (
                    'adopted'
                ) : (
                    <Button
                        size="small"
                        aria-label={`${area.layersNow > 0 ? `Replace ${many(area.layersNow, 'layer')}` : 'Adopt'} for ${area.name}`}
                        onClick={() => void attempt(() => adopt(area))}
                    >
                        {area.layersNow > 0 ? `Replace ${many(area.layersNow, 'layer')}` : 'Adopt'}
                    </Button>
                )}
            </td>
        </tr>
    );
}

function Answer({ whole, answer }: { whole: Whole; answer: FigureProposalProps }) {
    const { figure, adopted, attempt, adopt } = whole;
    if (answer.areas.length === 0)
        return (
            <Empty act="Go to the shelf" to={url('shelf')}>
                Nothing can be proposed from these pots: a finish needs a few paints that cover. Add some, or allow more
                pots.
            </Empty>
        );
    return (
        <>
            <p className="text-sm">
                <strong>{many(answer.pots.length, 'pot')}</strong> for {many(answer.areas.length, 'area')}:{' '}
                {answer.pots.join(', ')}.
            </p>
            <table className="w-full text-left text-sm">
                <thead className="text-xs text-quiet">
                    <tr>
                        <th className="font-normal">area</th>
                        <th className="font-normal">target above, prediction below</th>
                        <th className="font-normal">finish</th>
                        <th className="text-right font-normal">ΔE</th>
                        <th className="text-right font-normal max-sm:hidden">work</th>
                        <th />
                    </tr>
                </thead>
                <tbody>
                    {answer.areas.map((area) => (
                        <AreaRow key={area.areaId} area={area} whole={whole} />
                    ))}
                </tbody>
            </table>
            <div className="flex gap-3">
                <Button
                    look="main"
                    onClick={() =>
                        void attempt(async () => {
                            for (const area of answer.areas)
                                if (area.layersNow === 0 && !adopted.includes(area.areaId)) await adopt(area);
                            router.visit(
                                url(figure.guide === null ? 'figures.finishes' : 'figures.order', {
                                    figure: figure.id,
                                }),
                            );
                        })
                    }
                >
                    Adopt where there is no finish yet
                </Button>
            </div>
        </>
    );
}

function Start({ whole }: { whole: Whole }) {
    const { most, setMost, running, start, search, gone, stop } = whole;
    return (
        <div className="flex flex-wrap items-end gap-4">
            <Stepper
                label="Pots at most"
                value={most}
                min={0}
                max={40}
                words={most === 0 ? 'no limit' : String(most)}
                onChange={(next) => {
                    setMost(next > 0 && next < 5 ? (next > most ? 5 : 0) : next);
                }}
            />
            <Button look="main" disabled={running} onClick={start}>
                Propose for all areas
            </Button>
            {running && search && <TaskBar task={search} gone={gone} onStop={stop} />}
        </div>
    );
}

function useAdopting({
    setProblem,
    figure,
    setAdopted,
}: {
    setProblem: Dispatch<SetStateAction<string | null>>;
    figure: FigureProps;
    setAdopted: Dispatch<SetStateAction<number[]>>;
}) {
    async function attempt(act: () => Promise<void>) {
        setProblem(null);
        try {
            await act();
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblem(error.isConflict ? 'A finish was changed elsewhere. Propose again, then adopt.' : error.message);
        }
    }

    async function adopt({ areaId, version, proposal }: AreaProposalProps) {
        await send('PUT', url('finishes.update', { figure: figure.id, area: areaId }), {
            layers: wire(proposal.layers),
            version,
            keepAs: 'before a proposal for the whole figure was adopted',
        });
        setAdopted((now) => [...now, areaId]);
    }

    return { attempt, adopt };
}
