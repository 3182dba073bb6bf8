import { Link, router } from '@inertiajs/react';
import { useCallback, useEffect, useState } from 'react';
import { SectionStrip } from '@/features/section/section-strip';
import { Shell } from '@/features/shell/shell';
import { wire } from '@/features/finish/layers';
import { ApiError, send } from '@/shared/lib/api';
import { capital, many, minutesWords, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Term } from '@/shared/ui/term';
import type {
    AreaProps,
    FigureProps,
    MatchProps,
    Zone,
    ZoneSpreadProps,
    OneMorePotProps,
    PotProps,
    ProposalAnswerProps,
    ProposalProps,
    LayerProps,
    TaskProps,
} from '@/types/generated';
import { PotChooser } from './pot-chooser';
import { WholeFigure } from './whole-figure';

type Props = {
    figure: FigureProps;
    areas: AreaProps[];
    areaId: number | null;
    version: number | null;
    pots: PotProps[];
    /** The last one for the whole figure, running or done. */
    search: TaskProps | null;
};

const WHOLE = 'whole';

/** Complete finishes that could be painted, side by side. */
export default function ProposalsPage({ figure, areas, areaId, version, pots, search }: Props) {
    const [brushOnly, setBrushOnly] = useState(false);
    const [only, setOnly] = useState<number[] | null>(null);
    const area = areas.find((a) => a.id === areaId);
    return (
        <Shell title={`Proposals for ${figure.name}`} figure={figure} wide headsByTitle>
            <div className="flex min-h-full flex-col gap-3 p-4">
                <div className="flex flex-wrap items-end gap-4">
                    <div className="w-56">
                        <Pick
                            label="Propose for"
                            value={areaId === null ? WHOLE : String(areaId)}
                            options={[
                                { value: WHOLE, label: 'the whole figure' },
                                ...areas.map((a) => ({ value: String(a.id), label: a.name })),
                            ]}
                            onPick={(id) => {
                                router.visit(
                                    url('figures.proposals', {
                                        figure: figure.id,
                                        ...(id === WHOLE ? {} : { area: id }),
                                    }),
                                );
                            }}
                        />
                    </div>
                    <Choice<'both' | 'brush'>
                        label="Tools"
                        value={brushOnly ? 'brush' : 'both'}
                        options={[
                            { value: 'both', label: 'airbrush and brush' },
                            { value: 'brush', label: 'brush only' },
                        ]}
                        onChoose={(tools) => {
                            setBrushOnly(tools === 'brush');
                        }}
                    />
                    <PotChooser pots={pots} only={only} onOnly={setOnly} />
                </div>
                {area && version !== null ? (
                    <AreaProposals
                        key={`${area.id} ${brushOnly} ${only?.join(' ')}`}
                        figure={figure}
                        area={area}
                        version={version}
                        brushOnly={brushOnly}
                        only={only}
                    />
                ) : (
                    <WholeFigure
                        last={brushOnly || only !== null ? null : search}
                        key={`${brushOnly} ${only?.join(' ')}`}
                        figure={figure}
                        brushOnly={brushOnly}
                        only={only}
                    />
                )}
            </div>
        </Shell>
    );
}

type Rank = 'worth' | 'near' | 'quick';

/** They come ranked by nearness and work together. */
function ranked(proposals: readonly ProposalProps[], rank: Rank): readonly ProposalProps[] {
    if (rank === 'worth') return proposals;
    return [...proposals].sort((p, q) => (rank === 'near' ? p.total - q.total : p.minutes - q.minutes));
}

type AreaProposalsProps = {
    figure: FigureProps;
    area: AreaProps;
    version: number;
    brushOnly: boolean;
    only: number[] | null;
};

function AreaProposals({ figure, area, version, brushOnly, only }: AreaProposalsProps) {
    const { answer, problem, at, adopt, adoptOne } = useAreaProposals({ figure, area, brushOnly, only, version });
    const [rank, setRank] = useState<Rank>('worth');

    if (problem !== null) return <Notice strong>{problem}</Notice>;
    if (answer === null)
        return (
            <p role="status" className="p-8 text-center text-lg">
                Calculating finishes for {area.name}
            </p>
        );
    return (
        <>
            {answer.beyond && <Beyond beyond={answer.beyond} />}
            <Choice<Rank>
                label="Order"
                value={rank}
                options={[
                    { value: 'worth', label: 'close and quick' },
                    { value: 'near', label: 'closest first' },
                    { value: 'quick', label: 'quickest first' },
                ]}
                onChoose={setRank}
            />
            <div className="grid flex-1 grid-cols-1 gap-4 md:grid-cols-2 xl:grid-cols-4">
                {ranked(answer.proposals, rank).map((proposal) => (
                    <ProposalCard key={proposal.kind} proposal={proposal} adopt={adopt} adoptOne={adoptOne} />
                ))}
            </div>
            <footer className="flex flex-wrap items-center gap-4 text-sm">
                <OneMore figureId={figure.id} areaId={area.id} brushOnly={brushOnly} />
                {area.layers > 0 && (
                    <span className="text-quiet">
                        Adopting replaces the {many(area.layers, 'layer')} of{' '}
                        <Link className="underline" href={url('figures.finishes', at)}>
                            {area.name}
                        </Link>
                        .
                    </span>
                )}
            </footer>
        </>
    );
}

/** Target above, prediction below, zone by zone, with no line between. */
function Matches({ matches, spreads }: { matches: readonly MatchProps[]; spreads: readonly ZoneSpreadProps[] }) {
    const sure = (zone: Zone) => spreads.find((s) => s.zone === zone)?.spread;
    return (
        <div className="flex" aria-label="Target above, prediction below">
            {matches.map((match) => (
                <div key={match.zone} className="flex-1 text-center text-xs">
                    <span className="block h-8" style={{ background: match.wanted.hex }} aria-hidden />
                    <span className="block h-8" style={{ background: match.predicted.hex }} aria-hidden />
                    <span className="sr-only">{match.zone}: </span>
                    {one(match.difference)}
                    {sure(match.zone) !== undefined && (
                        <span className="block text-quiet" title="two out of three times within this">
                            ± {one(sure(match.zone)?.radius ?? 0)}
                        </span>
                    )}
                </div>
            ))}
        </div>
    );
}

function Beyond({ beyond }: { beyond: NonNullable<ProposalAnswerProps['beyond']> }) {
    const share = (value: number) => `${Math.round(value * 100)} %`;
    return (
        <div className="flex flex-wrap items-center gap-4 border border-strong p-3 text-sm">
            <p className="max-w-xl">
                The reference is out of reach of these pots (ΔE {one(beyond.worst)} in the worst zone). The nearest ramp
                with the same steps has {share(beyond.contrast)} of the contrast and {share(beyond.chroma)} of the
                chroma.
            </p>
            <div aria-hidden>
                {[beyond.wanted, beyond.ramp].map((ramp, i) => (
                    <div key={i} className="flex items-center">
                        <span className="w-16 text-xs text-quiet">{i === 0 ? 'wanted' : 'nearest'}</span>
                        {ramp.map((colour, z) => (
                            <span key={z} className="h-6 w-12" style={{ background: colour.hex }} />
                        ))}
                    </div>
                ))}
            </div>
        </div>
    );
}

function OneMore({ figureId, areaId, brushOnly }: { figureId: number; areaId: number; brushOnly: boolean }) {
    const [answer, setAnswer] = useState<OneMorePotProps | null>(null);
    const [asked, setAsked] = useState(false);
    if (answer === null)
        return (
            <Button
                size="small"
                disabled={asked}
                onClick={() => {
                    setAsked(true);
                    void send<OneMorePotProps>(
                        'GET',
                        url('proposals.one-more', { figure: figureId, area: areaId, brushOnly: brushOnly ? 1 : 0 }),
                    ).then(setAnswer);
                }}
            >
                {asked ? 'Trying one more pot' : 'Try one more pot'}
            </Button>
        );
    return (
        <p className="flex items-center gap-3">
            <span className="h-8 w-14" style={{ background: answer.colour.hex }} aria-hidden />
            {answer.before - answer.after < 0.2
                ? `One more pot would help little: even an opaque ${answer.colour.name} leaves ΔE ${one(answer.after)}.`
                : `An opaque ${answer.colour.name}, for the ${answer.zone}, would improve the best from ΔE ${one(answer.before)} to about ${one(answer.after)} (estimate).`}
        </p>
    );
}

function ProposalCard({
    proposal,
    adopt,
    adoptOne,
}: {
    proposal: ProposalProps;
    adopt: (layers: LayerProps[]) => Promise<void>;
    adoptOne: (proposal: ProposalProps, index: number) => Promise<void>;
}) {
    return (
        <article className="flex flex-col gap-2 border border-line bg-raised p-3">
            <div className="flex items-start justify-between gap-2">
                <h2 className="text-base leading-tight font-semibold">{capital(proposal.kind)}</h2>
                <Button
                    look="main"
                    size="small"
                    aria-label={`Adopt: ${proposal.kind}`}
                    onClick={() => void adopt(proposal.layers)}
                >
                    Adopt
                </Button>
            </div>
            <Matches matches={proposal.section.matches} spreads={proposal.section.spreads} />
            <p className="text-sm">
                <Term name="ΔE" /> <strong className="text-lg">{one(proposal.total)}</strong> on average,{' '}
                {one(proposal.worst)} at most
            </p>
            <p className="text-xs text-quiet">
                {many(proposal.layers.length, 'layer')}, {many(proposal.cups, 'cup')},{' '}
                {many(proposal.pots.length, 'pot')}, about {minutesWords(proposal.minutes)} at the bench (estimate)
            </p>
            {proposal.runningOut.length > 0 && (
                <p className="border-l-4 border-ink pl-2 text-xs">Nearly empty: {proposal.runningOut.join('; ')}</p>
            )}
            {proposal.lacks.length > 0 && (
                <p className="border-l-4 border-ink pl-2 text-xs">Out of reach: {proposal.lacks.join('; ')}</p>
            )}
            <div className="flex-1">
                <SectionStrip
                    layers={proposal.layers}
                    section={proposal.section}
                    grown={proposal.grown}
                    action={(i) => (
                        <button
                            type="button"
                            className="text-xs underline"
                            aria-label={`only this layer: ${proposal.layers[i]?.technique ?? ''}`}
                            onClick={() => void adoptOne(proposal, i)}
                        >
                            only this layer
                        </button>
                    )}
                />
            </div>
        </article>
    );
}

function useAdopting(at: { figure: number; area: number }, adopt: (layers: LayerProps[]) => Promise<void>) {
    async function adoptOne(proposal: ProposalProps, index: number) {
        const layer = proposal.layers[index];
        if (!layer) return;
        const now = await send<ProposalProps['layers']>('GET', url('finishes.layers', at));
        await adopt([...now, layer]);
    }

    return adoptOne;
}

function useAreaProposals({ figure, area, brushOnly, only, version }: AreaProposalsProps) {
    const [answer, setAnswer] = useState<ProposalAnswerProps | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const at = { figure: figure.id, area: area.id };

    useEffect(() => {
        const question = new AbortController();
        send<ProposalAnswerProps>(
            'POST',
            url('proposals.find', { figure: figure.id, area: area.id }),
            { brushOnly, only },
            question.signal,
        )
            .then(setAnswer)
            .catch((error: unknown) => {
                if (error instanceof ApiError) setProblem(error.message);
            });
        return () => {
            question.abort();
        };
    }, [figure.id, area.id, brushOnly, only]);

    const adopt = useCallback(
        async (layers: ProposalProps['layers']) => {
            try {
                const saved = await send<{ kept: number | null }>(
                    'PUT',
                    url('finishes.update', { figure: figure.id, area: area.id }),
                    { layers: wire(layers), version, keepAs: `before a proposal was adopted for ${area.name}` },
                );
                router.visit(
                    url('figures.finishes', {
                        figure: figure.id,
                        area: area.id,
                        ...(saved.kept === null ? {} : { kept: saved.kept }),
                    }),
                );
            } catch (error) {
                if (!(error instanceof ApiError)) throw error;
                setProblem(
                    error.isConflict
                        ? 'The finish of this area was changed elsewhere. Reload this page and adopt it again.'
                        : error.message,
                );
            }
        },
        [figure.id, area.id, area.name, version],
    );
    const adoptOne = useAdopting(at, adopt);

    return { answer, problem, at, adopt, adoptOne };
}
