import { Link, router, usePage } from '@inertiajs/react';
import { Shell } from '@/features/shell/shell';
import { areasWords, many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { mixWords } from '@/shared/ui/drops';
import { Notice } from '@/shared/ui/notice';
import type { FigureProps, RunProps } from '@/types/generated';

type Props = { figure: FigureProps; runs: RunProps[]; plannedSteps: number };

export default function BenchPage({ figure, runs, plannedSteps }: Props) {
    const errors = usePage().props.errors;
    return (
        <Shell title={`Bench of ${figure.name}`} figure={figure}>
            <div className="mx-auto flex max-w-4xl flex-col gap-5">
                <header className="flex flex-wrap items-end justify-between gap-3">
                    <h1 className="text-2xl">Runs of {figure.name}</h1>
                    <Button
                        look="main"
                        disabled={plannedSteps === 0}
                        onClick={() => {
                            router.post(url('runs.store', { figure: figure.id }));
                        }}
                    >
                        Start painting ({many(plannedSteps, 'step')})
                    </Button>
                </header>
                {Object.values(errors).map((words) => (
                    <Notice strong key={words}>
                        {words}
                    </Notice>
                ))}
                {plannedSteps === 0 && (
                    <Notice>
                        No area has a layer yet.{' '}
                        <Link className="underline" href={url('figures.finishes', { figure: figure.id })}>
                            Build a finish
                        </Link>{' '}
                        first.
                    </Notice>
                )}
                <ol className="flex flex-col gap-4">
                    {[...runs].reverse().map((run) => (
                        <li key={run.id}>
                            <RunBlock run={run} />
                        </li>
                    ))}
                </ol>
            </div>
        </Shell>
    );
}

function RunBlock({ run }: { run: RunProps }) {
    const open = run.steps.filter((step) => step.state === 'open').length;
    const deviating = run.steps.filter((step) => step.usedMix !== null || step.note !== null);
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
                    begun {new Date(run.begunAt).toLocaleDateString()},{' '}
                    {open === 0 ? 'all steps done' : `${open} of ${many(run.steps.length, 'step')} left`}
                </span>
                <span className="ml-auto flex gap-2">
                    <Link
                        href={url('runs.show', { run: run.id })}
                        className="inline-flex min-h-10 items-center rounded-sm border border-strong px-3 font-medium"
                    >
                        {open === 0 ? 'Look at it' : 'Go on'}
                    </Link>
                    <Button
                        onClick={() => {
                            router.post(url('runs.repeat', { run: run.id }));
                        }}
                    >
                        Repeat
                    </Button>
                </span>
            </header>
            {deviating.length > 0 && (
                <ul className="mt-3 border-t border-line pt-2 text-sm">
                    {deviating.map((step) => (
                        <li key={step.id}>
                            <strong>
                                {step.position}. {areasWords(step.areaName)}, {step.title}:
                            </strong>{' '}
                            {step.usedMix !== null && `used ${mixWords(step.usedMix)}. `}
                            {step.note}
                        </li>
                    ))}
                </ul>
            )}
        </article>
    );
}
