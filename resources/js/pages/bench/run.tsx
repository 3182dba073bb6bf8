import { Link, router } from '@inertiajs/react';
import clsx from 'clsx';
import { Check, Undo2 } from 'lucide-react';
import { useState } from 'react';
import { openCup } from '@/features/cup/open-cup';
import { useRun, type StepChange } from '@/features/bench/use-run';
import { MixEditor } from '@/features/finish/layer-editor';
import { Shell } from '@/features/shell/shell';
import { ZONES, areasWords, capital, dilutionWords, inkOn, many, minutesWords, zonesWords } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useKeys } from '@/shared/lib/use-keys';
import { Button } from '@/shared/ui/button';
import { ConflictDialog } from '@/shared/ui/conflict';
import { MixList, mixWords } from '@/shared/ui/drops';
import { TextArea } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Sheet } from '@/shared/ui/sheet';
import type { FigureProps, PotProps, RunProps, RunStepProps } from '@/types/generated';

type Props = { figure: FigureProps; run: RunProps; pots: PotProps[] };

const KEYS = [
    ['Space', 'the step is done'],
    ['u', 'what was really used'],
    ['left  right', 'another step'],
    ['Backspace', 'the last step was not done after all'],
] as const;

/** Another run is another page, though Inertia keeps the component: its state must not carry over. */
export default function RunPage(props: Props) {
    return <Run key={props.run.id} {...props} />;
}

function Run({ figure, run, pots }: Props) {
    const { steps, problem, conflict, record, dropConflict } = useRun(run);
    const [position, setPosition] = useState(() => firstOpen(run.steps));
    const [using, setUsing] = useState(false);
    const step = steps.find((s) => s.position === position) ?? steps[steps.length - 1];
    const open = steps.filter((s) => s.state === 'open').length;

    async function set(target: RunStepProps, change: StepChange) {
        if (await record(target, change)) router.reload({ only: ['sill', 'figure'] });
    }

    async function finish() {
        if (!step || step.state !== 'open') return;
        await set(step, { state: 'done' });
        const next = steps.find((s) => s.position > step.position && s.state === 'open');
        if (next) setPosition(next.position);
    }

    function go(by: 1 | -1) {
        setPosition((now) => Math.max(1, Math.min(steps.length, now + by)));
    }

    useKeys({
        ' ': () => void finish(),
        u: () => {
            setUsing(true);
        },
        ArrowRight: () => {
            go(1);
        },
        ArrowLeft: () => {
            go(-1);
        },
        Backspace: () => {
            if (step && step.state !== 'open') void set(step, { state: 'open' });
        },
    });

    if (!step) return null;
    return (
        <Shell title={`Run ${run.number} of ${figure.name}`} figure={figure} keys={KEYS} wide>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <StepList steps={steps} current={step.position} onGo={setPosition} />
                <article className="flex min-w-0 flex-1 flex-col gap-4 p-4 lg:overflow-y-auto lg:p-6">
                    {problem !== null && <Notice strong>{problem}</Notice>}
                    {open === 0 && (
                        <Notice>
                            Every step is done.{' '}
                            <button
                                type="button"
                                className="font-bold underline"
                                onClick={() => {
                                    router.post(url('runs.repeat', { run: run.id }));
                                }}
                            >
                                Repeat this run
                            </button>{' '}
                            on another figure, with what was really used.
                        </Notice>
                    )}
                    <StepWords step={step} count={steps.length} repeats={run.repeatsNumber} />
                    <div className="mt-auto grid grid-cols-1 gap-3 sm:grid-cols-[2fr_1fr]">
                        {step.state === 'open' ? (
                            <Button look="main" size="large" onClick={() => void finish()}>
                                <Check size={28} aria-hidden /> Done
                                <span className="hidden text-sm font-normal sm:inline">Space</span>
                            </Button>
                        ) : (
                            <Button size="large" onClick={() => void set(step, { state: 'open' })}>
                                <Undo2 size={24} aria-hidden /> Not done after all
                            </Button>
                        )}
                        <Button
                            size="large"
                            className="!text-base"
                            onClick={() => {
                                setUsing(true);
                            }}
                        >
                            What I really used
                        </Button>
                    </div>
                    <Link
                        href={url('figures.bench', { figure: figure.id })}
                        className="text-sm underline underline-offset-4"
                    >
                        All runs
                    </Link>
                </article>
            </div>
            <Sheet
                open={using}
                onClose={() => {
                    setUsing(false);
                }}
                title={`Step ${step.position}: what was really used`}
                description="Written down at once. The plan stays as it is; a repeat starts from this."
            >
                <Used
                    key={step.id}
                    step={step}
                    pots={pots}
                    onSave={(change) => {
                        setUsing(false);
                        void set(step, change);
                    }}
                />
            </Sheet>
            <ConflictDialog
                open={conflict !== null}
                mine={<p className="text-sm">{changeWords(conflict?.change)}</p>}
                theirs={<p className="text-sm">{stepWords(conflict?.theirs)}</p>}
                onKeepMine={() => {
                    if (conflict) void set(conflict.theirs, conflict.change);
                }}
                onTakeTheirs={dropConflict}
            />
        </Shell>
    );
}

function StepList({
    steps,
    current,
    onGo,
}: {
    steps: readonly RunStepProps[];
    current: number;
    onGo: (position: number) => void;
}) {
    return (
        <nav aria-label="Steps" className="hidden w-64 shrink-0 overflow-y-auto border-r border-line p-2 lg:block">
            <ol>
                {steps.map((step) => (
                    <li key={step.id}>
                        <button
                            type="button"
                            aria-current={step.position === current ? 'step' : undefined}
                            onClick={() => {
                                onGo(step.position);
                            }}
                            className={clsx(
                                'flex w-full items-start gap-2 border-l-4 px-2 py-1 text-left',
                                step.position === current ? 'border-ink bg-raised font-bold' : 'border-transparent',
                            )}
                        >
                            <span className="w-6 shrink-0 text-right">
                                {step.state === 'done' ? (
                                    <Check size={16} aria-label="done" className="ml-auto" />
                                ) : (
                                    step.position
                                )}
                            </span>
                            <span className="min-w-0">
                                <span className="line-clamp-1">{areasWords(step.areaName)}</span>
                                <span className="block text-xs font-normal text-quiet">{step.technique}</span>
                            </span>
                        </button>
                    </li>
                ))}
            </ol>
        </nav>
    );
}

function StepWords({ step, count, repeats }: { step: RunStepProps; count: number; repeats: number | null }) {
    return (
        <>
            <header>
                <p className="text-base text-quiet">
                    Step {step.position} of {count}
                    {step.partName === null ? '' : `, ${step.partName}`}
                    {step.state === 'done' ? ', done' : ''}
                </p>
                <h1 className="text-2xl">
                    {capital(step.technique)}: {areasWords(step.areaName)}
                </h1>
                {areasWords(step.areaName) !== step.areaName && <p className="text-base text-quiet">{step.areaName}</p>}
                <p className="mt-1 text-[1.5rem] leading-snug">{step.instruction}</p>
            </header>
            {step.lastTime !== null && (
                <Notice strong>
                    Run {repeats ?? ''}, at this step: {step.lastTime}
                </Notice>
            )}
            <section aria-label="Mix" className="text-[1.5rem] leading-snug">
                <MixList mix={step.usedMix ?? step.plannedMix} size={34} />
                <p className="mt-2">
                    {capital(dilutionWords(step.thinner))}. {capital(many(step.usedCoats ?? step.coats, 'coat'))},{' '}
                    {zonesWords(step.zones)}.
                </p>
                {step.usedMix !== null && (
                    <p className="text-base text-quiet">Planned was {mixWords(step.plannedMix)}.</p>
                )}
                {step.note !== null && <p className="mt-1 text-base">Your note: {step.note}</p>}
                <Button
                    className="mt-2"
                    onClick={() => {
                        void openCup({
                            name: `${areasWords(step.areaName)}, ${step.technique}`,
                            mix: step.usedMix ?? step.plannedMix,
                        });
                    }}
                >
                    Mix it in a cup
                </Button>
            </section>
            <section aria-label="What it should look like afterwards" className="flex h-24 shrink-0">
                {ZONES.map((zone) => {
                    const hex = step.plannedColours[zone] ?? '#808080';
                    return (
                        <div
                            key={zone}
                            className="flex flex-1 items-end p-2 text-base"
                            style={{ background: hex, color: inkOn(hex) }}
                        >
                            {zone}
                        </div>
                    );
                })}
            </section>
            <p className="text-base">Then let it dry for about {minutesWords(step.dryingMinutes)}.</p>
        </>
    );
}

function Used({
    step,
    pots,
    onSave,
}: {
    step: RunStepProps;
    pots: readonly PotProps[];
    onSave: (change: StepChange) => void;
}) {
    const [mix, setMix] = useState(step.usedMix ?? step.plannedMix);
    const [note, setNote] = useState(step.note ?? '');
    const planned = mixWords(mix) === mixWords(step.plannedMix);
    return (
        <form
            className="flex flex-col gap-4"
            onSubmit={(event) => {
                event.preventDefault();
                onSave({
                    usedMix: planned ? null : mix.map((entry) => ({ paintId: entry.paintId, drops: entry.drops })),
                    note: note.trim() === '' ? null : note,
                });
            }}
        >
            <p className="text-sm text-quiet">Planned: {mixWords(step.plannedMix)}</p>
            <MixEditor mix={mix} pots={pots} onChange={setMix} />
            <TextArea
                label="Note for the next time"
                maxLength={2000}
                value={note}
                onChange={(event) => {
                    setNote(event.target.value);
                }}
            />
            <Button look="main" type="submit">
                Write it down
            </Button>
        </form>
    );
}

function firstOpen(steps: readonly RunStepProps[]): number {
    return steps.find((step) => step.state === 'open')?.position ?? 1;
}

function changeWords(change: StepChange | undefined): string {
    if (!change) return '';
    return [change.state, change.usedMix ? `${change.usedMix.length} pots used` : '', change.note ?? '']
        .filter((words) => words !== undefined && words !== '')
        .join('. ');
}

function stepWords(step: RunStepProps | undefined): string {
    if (!step) return '';
    return [step.state, step.usedMix ? `used ${mixWords(step.usedMix)}` : '', step.note ?? '']
        .filter((words) => words !== '')
        .join('. ');
}
