import { Link, router, usePage } from '@inertiajs/react';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { areasWords, many, minutesWords } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { mixWords } from '@/shared/ui/drops';
import { Notice } from '@/shared/ui/notice';
import { Repeat } from './repeat';
import { Empty } from '@/shared/ui/empty';
import type { FigureProps, NextRunProps, RecipeVersionProps, RunProps, RunStepProps } from '@/types/generated';

type Props = { figure: FigureProps; runs: RunProps[]; plan?: NextRunProps; versions: RecipeVersionProps[] };

export default function BenchPage({ figure, runs, plan, versions }: Props) {
    const errors = usePage().props.errors;
    return (
        <Shell title={`Bench of ${figure.name}`} figure={figure}>
            <div className="mx-auto flex max-w-4xl flex-col gap-5">
                <header className="flex flex-wrap items-end justify-between gap-3">
                    <h1 className="text-2xl">Runs of {figure.name}</h1>
                    <a
                        className="ml-auto text-sm underline underline-offset-4"
                        href={url('figures.file', { figure: figure.id })}
                    >
                        Recipe and runs as a file
                    </a>
                    <Link
                        className="text-sm underline underline-offset-4"
                        href={url('figures.quantities', { figure: figure.id })}
                    >
                        Paint needed and shopping{figure.copies > 1 ? ', batch' : ''}
                    </Link>
                    <Button
                        look="main"
                        disabled={plan === undefined || plan.steps === 0 || plan.hindrances.length > 0}
                        onClick={() => {
                            router.post(url('runs.store', { figure: figure.id }));
                        }}
                    >
                        Start painting{figure.copies > 1 ? ` all ${figure.copies}` : ''}
                        {plan === undefined ? '' : ` (${many(plan.steps, 'step')})`}
                    </Button>
                </header>
                {Object.values(errors).map((words) => (
                    <Notice strong key={words}>
                        {words}
                    </Notice>
                ))}
                {plan && plan.hindrances.length > 0 && <Stopped figure={figure} plan={plan} />}
                {plan?.steps === 0 && (
                    <Empty act="Build a finish" to={url('figures.finishes', { figure: figure.id })}>
                        No area has a layer yet: there is nothing to paint.
                    </Empty>
                )}
                <ol className="flex flex-col gap-4">
                    {[...runs].reverse().map((run) => (
                        <li key={run.id}>
                            <RunBlock run={run} />
                        </li>
                    ))}
                </ol>
                {versions.length > 0 && <Versions figure={figure} versions={versions} />}
            </div>
        </Shell>
    );
}

/** What stands against painting it, and the way on for those who know better. */
function Stopped({ figure, plan }: { figure: FigureProps; plan: NextRunProps }) {
    return (
        <section
            aria-label="The plan is stopped"
            className="flex flex-col gap-2 border border-ink bg-raised p-4 text-sm"
        >
            <h2 className="text-lg font-semibold">This plan cannot be painted as it stands</h2>
            <ul className="list-disc pl-5">
                {plan.hindrances.map((words) => (
                    <li key={words}>{words}</li>
                ))}
            </ul>
            <div className="flex flex-wrap items-center gap-3">
                <Link
                    className="inline-flex min-h-10 items-center rounded-sm border border-ink bg-ink px-3 font-medium text-inverse"
                    href={url('figures.order', { figure: figure.id })}
                >
                    Mend it under Order
                </Link>
                <Button
                    onClick={() => {
                        router.post(url('runs.store', { figure: figure.id }), { knowingly: true });
                    }}
                >
                    {plan.hasNoOrder ? 'Start with the layers alone' : 'Start all the same'}
                </Button>
                {plan.hasNoOrder && (
                    <span>Without preparation, masks, joints and waiting times: no order can be made of them.</span>
                )}
            </div>
        </section>
    );
}

function RunBlock({ run }: { run: RunProps }) {
    const open = run.steps.filter((step) => step.state === 'open').length;
    const told = run.steps.filter(
        (step) => step.usedMix !== null || step.note !== null || step.skipReason !== null || step.isInserted,
    );
    const used = run.steps.reduce((sum, step) => sum + (step.usedMinutes ?? 0), 0);
    const link = 'inline-flex min-h-10 items-center rounded-sm border border-strong px-3 text-sm font-medium';
    return (
        <article className="border border-strong bg-raised p-4">
            <header className="flex flex-wrap items-center gap-3">
                <h2 className="text-lg">
                    Run {run.number}
                    {run.repeatsNumber !== null && (
                        <span className="text-sm font-normal text-quiet"> repeats run {run.repeatsNumber}</span>
                    )}
                </h2>
                <span className="text-sm text-quiet">
                    {run.copies > 1 && `${run.copies} figures, ${run.batchMode}; `}
                    started {new Date(run.begunAt).toLocaleDateString()},{' '}
                    {open === 0 ? 'all steps done' : `${open} of ${many(run.steps.length, 'step')} left`}
                    {used > 0 && `, ${minutesWords(used)} recorded`}
                </span>
                <span className="ml-auto flex flex-wrap gap-2">
                    <Link href={url('runs.show', { run: run.id })} className={link}>
                        {open === 0 ? 'Open' : 'Go on'}
                    </Link>
                    <Link href={url('runs.beside', { run: run.id })} className={link}>
                        Compare with the recipe
                    </Link>
                    {run.copies > 1 && (
                        <Link href={url('runs.pieces', { run: run.id })} className={link}>
                            Consistency
                        </Link>
                    )}
                    <Repeat run={run} />
                </span>
            </header>
            {told.length > 0 && <ToldSteps told={told} />}
        </article>
    );
}

/** Recipes as they once were; any of them can come back. */
function Versions({ figure, versions }: { figure: FigureProps; versions: readonly RecipeVersionProps[] }) {
    const { message, attempt } = useAttempt();

    async function restore(version: RecipeVersionProps) {
        const path = url('versions.restore', { figure: figure.id, version: version.id });
        if (await attempt(() => send('POST', path))) router.reload();
    }

    return (
        <section aria-label="Versions of the recipe">
            <h2 className="mb-1 text-lg">Versions of the recipe</h2>
            {message !== null && <Notice>{message}</Notice>}
            <ul className="text-sm">
                {[...versions].reverse().map((version) => (
                    <li key={version.id} className="flex items-center gap-3 border-t border-line py-1">
                        <span className="flex-1">
                            <strong>{version.number}</strong>, {new Date(version.keptAt).toLocaleDateString()}:{' '}
                            {version.why}
                        </span>
                        <Button size="small" onClick={() => void restore(version)}>
                            Restore
                        </Button>
                    </li>
                ))}
            </ul>
        </section>
    );
}

function ToldSteps({ told }: { told: RunStepProps[] }) {
    return (
        <ul className="mt-3 border-t border-line pt-2 text-sm">
            {told.map((step) => (
                <li key={step.id}>
                    <strong>
                        {step.position}. {areasWords(step.areaNames)}, {step.title}:
                    </strong>{' '}
                    {step.isInserted && `not planned. `}
                    {step.skipReason !== null && `skipped: ${step.skipReason}. `}
                    {step.usedMix !== null && `used ${mixWords(step.usedMix)}. `}
                    {step.note}
                </li>
            ))}
        </ul>
    );
}
