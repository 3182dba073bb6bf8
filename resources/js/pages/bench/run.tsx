import { Link, router } from '@inertiajs/react';
import clsx from 'clsx';
import { Check, Minus, Undo2 } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useRun, type StepChange } from '@/features/bench/use-run';
import { MeshPanel } from '@/features/mesh-view/mesh-panel';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { areasWords, many } from '@/shared/lib/format';
import { newKey } from '@/shared/lib/outbox';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useKeys } from '@/shared/lib/use-keys';
import { useNow } from '@/shared/lib/use-now';
import { Button } from '@/shared/ui/button';
import { ConflictDialog } from '@/shared/ui/conflict';
import { mixWords } from '@/shared/ui/drops';
import { Notice } from '@/shared/ui/notice';
import { Refused } from '@/shared/ui/refused';
import { Sheet } from '@/shared/ui/sheet';
import type {
    FigureProps,
    PotProps,
    RunChangesProps,
    RunProps,
    RunStepProps,
    StepWaitProps,
    Technique,
} from '@/types/generated';
import { Changes } from './changes';
import { RepairForm, type Repair } from './repair';
import { Resume, lastDoneLongAgo } from './resume';
import { Otherwise, Used } from './step-sheets';
import { StepWords } from './step-words';
import { Timers } from './timers';
import { Wet, heldBy } from './wet';

type Props = {
    figure: FigureProps;
    run: RunProps;
    pots: PotProps[];
    /** Pots that run out before the run is done. */
    short: string[];
    onMesh: boolean;
    /** Open steps that wet paint holds up. */
    waits: StepWaitProps[];
    /** Undefined while the plan is being made anew. */
    changes?: RunChangesProps | undefined;
    techniques: Technique[];
};

const KEYS = [
    ['Space', 'the step is done'],
    ['u', 'what was used'],
    ['o', 'skip, repeat, repair'],
    ['left  right', 'another step'],
    ['Backspace', 'undo the last step'],
] as const;

/** Another run is another page, though Inertia keeps the component: its state must not carry over. */
export default function RunPage(props: Props) {
    return <Run key={`${props.run.id} ${props.run.steps.length}`} {...props} />;
}

function Run(props: Props) {
    const bench = useRunPage(props);
    const { figure, run, steps, step, setPosition, conflict, dropConflict, record } = bench;

    if (!step) return null;
    return (
        <Shell title={`Run ${run.number} of ${figure.name}`} figure={figure} keys={KEYS} wide>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <StepList steps={steps} current={step.position} onGo={setPosition} />
                <Work bench={bench} step={step} />
            </div>
            <UsedSheet bench={bench} step={step} />
            <OtherwiseSheet bench={bench} step={step} />
            <ConflictDialog
                open={conflict !== null}
                mine={<p className="text-sm">{changeWords(conflict?.change)}</p>}
                theirs={<p className="text-sm">{stepWords(conflict?.theirs)}</p>}
                onKeepMine={() => {
                    if (conflict) record(conflict.theirs, conflict.change);
                    dropConflict();
                }}
                onTakeTheirs={dropConflict}
            />
        </Shell>
    );
}

type Bench = ReturnType<typeof useRunPage>;

function useRunPage(props: Props) {
    const state = useRunState(props);
    const actions = useActions(state);
    useRunKeys({ ...state, ...actions });

    return { ...state, ...actions };
}

type RunState = ReturnType<typeof useRunState>;

function useRunState(props: Props) {
    const [where, setWhere] = useState(false);
    const mesh = useRef<HTMLDetailsElement>(null);
    // It opens below the edge of the screen, and it is what was asked for.
    useEffect(() => {
        if (where) mesh.current?.scrollIntoView({ block: 'start' });
    }, [where]);
    const recorded = useRun(props.run, () => {
        router.reload({ only: ['tray', 'figure', 'waits'] });
    });
    const { steps } = recorded;
    const [position, setPosition] = useState(() => askedFor(steps) ?? firstOpen(steps));
    const [sheet, setSheet] = useState<'used' | 'otherwise' | null>(null);
    const { message: refused, attempt } = useAttempt();
    const now = useNow(30_000);
    const [away, setAway] = useState(() => lastDoneLongAgo(props.run.steps, Date.now()));
    const step = steps.find((s) => s.position === position) ?? steps[steps.length - 1];
    const open = steps.filter((s) => s.state === 'open').length;
    const wait = step ? heldBy(props.waits, step, now, steps) : null;
    const own = {
        wait,
        where,
        setWhere,
        mesh,
        setPosition,
        sheet,
        setSheet,
        refused,
        attempt,
        now,
        away,
        setAway,
        step,
        open,
    };

    return { ...props, ...recorded, ...own };
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
    const [word, setWord] = useState('');
    const here = useRef<HTMLButtonElement>(null);
    // Where one is must be seen, however long the list is.
    useEffect(() => {
        here.current?.scrollIntoView({ block: 'nearest' });
    }, [current]);
    const asked = word.trim().toLowerCase();
    const shown = steps.filter((s) => `${s.position} ${s.areaName} ${s.title}`.toLowerCase().includes(asked));
    return (
        <nav aria-label="Steps" className="hidden w-64 shrink-0 flex-col border-r border-line lg:flex">
            <input
                type="search"
                aria-label="Search the steps"
                placeholder="Search the steps"
                className="m-2 border border-strong bg-raised px-2 py-1 text-sm"
                value={word}
                onChange={(event) => {
                    setWord(event.target.value);
                }}
            />
            <ol className="min-h-0 flex-1 overflow-y-auto px-2 pb-2">
                {shown.map((step) => (
                    <li key={step.id}>
                        <button
                            type="button"
                            ref={step.position === current ? here : undefined}
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
                                {step.state === 'done' && <Check size={16} aria-label="done" className="ml-auto" />}
                                {step.state === 'skipped' && (
                                    <Minus size={16} aria-label="skipped" className="ml-auto" />
                                )}
                                {step.state === 'open' && step.position}
                            </span>
                            <span className="min-w-0">
                                <span className="line-clamp-1">{areasWords(step.areaNames)}</span>
                                <span className="block text-xs font-normal text-quiet">
                                    {step.title}
                                    {step.copy !== null && `, figure ${step.copy}`}
                                    {step.verdict !== null && `, ${step.verdict}`}
                                </span>
                            </span>
                        </button>
                    </li>
                ))}
            </ol>
        </nav>
    );
}

/** The first open step that no wet paint holds up and that nothing before it on its parts is open for. */
function free(steps: readonly RunStepProps[], waits: readonly StepWaitProps[], now: number): RunStepProps | null {
    const busy = new Set<number>();
    for (const step of steps.filter((s) => s.state === 'open')) {
        if (!step.partIds.some((part) => busy.has(part)) && !heldBy(waits, step, now, steps)) return step;
        for (const part of step.partIds) busy.add(part);
    }
    return null;
}

/** Something else to do while what was just painted dries: the next open step on parts that are not wet. */
function meanwhile(steps: readonly RunStepProps[], step: RunStepProps, now: number): RunStepProps | null {
    const wet = new Set(
        [
            step,
            ...steps.filter((s) => s.doneAt !== null && Date.parse(s.doneAt) + s.dryingMinutes * 60_000 > now),
        ].flatMap((s) => s.partIds),
    );
    if (step.dryingMinutes < 10 || wet.size === 0) return null;
    return (
        steps.find(
            (s) => s.position > step.position && s.state === 'open' && !s.partIds.some((part) => wet.has(part)),
        ) ?? null
    );
}

/** A link from elsewhere names the step it means. */
function askedFor(steps: readonly RunStepProps[]): number | null {
    const asked = Number(new URLSearchParams(window.location.search).get('step'));
    return steps.some((step) => step.position === asked) ? asked : null;
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

function refusedWords(steps: readonly RunStepProps[], stepId: number, change: StepChange): string {
    const step = steps.find((s) => s.id === stepId);
    const what = changeWords(change);
    return `step ${step?.position ?? ''}, ${areasWords(step?.areaNames ?? [])}${what === '' ? '' : `: ${what}`}`;
}

function stepWords(step: RunStepProps | undefined): string {
    if (!step) return '';
    return [step.state, step.usedMix ? `used ${mixWords(step.usedMix)}` : '', step.note ?? '']
        .filter((words) => words !== '')
        .join('. ');
}

function OtherwiseSheet({ bench, step }: { bench: Bench; step: RunStepProps }) {
    const { sheet, setSheet, record, forward, insert } = bench;
    return (
        <Sheet
            open={sheet === 'otherwise'}
            onClose={() => {
                setSheet(null);
            }}
            title={`Step ${step.position}: not as planned`}
        >
            <Otherwise
                key={step.id}
                step={step}
                onSkip={(skipReason) => {
                    setSheet(null);
                    record(step, { state: 'skipped', skipReason });
                    forward(step);
                }}
                onAgain={() => void insert({ againId: step.id })}
                onVerdict={(verdict) => {
                    setSheet(null);
                    record(step, { verdict });
                }}
                repair={
                    <RepairForm
                        areas={bench.changes?.areas ?? []}
                        techniques={bench.techniques}
                        pots={bench.pots}
                        onRepair={(repair) => void insert(repair)}
                    />
                }
            />
        </Sheet>
    );
}

function UsedSheet({ bench, step }: { bench: Bench; step: RunStepProps }) {
    const { sheet, setSheet, pots, record } = bench;
    return (
        <Sheet
            open={sheet === 'used'}
            onClose={() => {
                setSheet(null);
            }}
            title={`Step ${step.position}: what was used`}
            description="Saved at once. The plan stays as it is; a repeat starts from this."
        >
            <Used
                key={step.id}
                step={step}
                pots={pots}
                onSave={(change) => {
                    setSheet(null);
                    record(step, change);
                }}
            />
        </Sheet>
    );
}

function Actions({ bench, step }: { bench: Bench; step: RunStepProps }) {
    const { finish, record, setSheet, wait } = bench;
    return (
        <div className="sticky bottom-0 mx-3 mt-auto grid grid-cols-2 gap-2 border-t border-strong bg-room py-2 sm:mx-4 sm:grid-cols-[2fr_1fr_1fr] sm:gap-3 lg:mx-6">
            {step.state === 'open' ? (
                <Button
                    look="main"
                    size="large"
                    className="col-span-2 !min-h-12 sm:col-span-1 sm:!min-h-16"
                    disabled={wait !== null}
                    onClick={finish}
                >
                    <Check size={28} aria-hidden /> Done
                    <span className="hidden text-sm font-normal sm:inline">Space</span>
                </Button>
            ) : (
                <Button
                    size="large"
                    onClick={() => {
                        record(step, { state: 'open' });
                    }}
                >
                    <Undo2 size={24} aria-hidden /> Undo
                </Button>
            )}
            <Button
                size="large"
                className="!min-h-10 !px-2 !text-sm sm:!min-h-16 sm:!text-base"
                onClick={() => {
                    setSheet('used');
                }}
            >
                Record what I used
            </Button>
            <Button
                size="large"
                className="!min-h-10 !px-2 !text-sm sm:!min-h-16 sm:!text-base"
                onClick={() => {
                    setSheet('otherwise');
                }}
            >
                Skip, repeat, repair
            </Button>
        </div>
    );
}

function OnMesh({ bench, step }: { bench: Bench; step: RunStepProps }) {
    const { mesh, where, setWhere, figure } = bench;
    return (
        <details
            ref={mesh}
            className="text-base"
            onToggle={(event) => {
                setWhere(event.currentTarget.open);
            }}
        >
            <summary className="inline-block cursor-pointer underline underline-offset-4">Show on the mesh</summary>
            {where && (
                <div className="relative mt-2 h-80 border border-line">
                    <MeshPanel
                        figureId={figure.id}
                        view="areas"
                        chosen={step.areaIds[0] ?? null}
                        camera={null}
                        label={`${areasWords(step.areaNames)} on the mesh`}
                    />
                </div>
            )}
        </details>
    );
}

function AllDone({ run }: { run: RunProps }) {
    return (
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
            on another figure, with what was used.
        </Notice>
    );
}

function RunningOut({ short, figure }: { short: string[]; figure: FigureProps }) {
    return (
        <Notice>
            {short.join(', ')} will run out before this run is finished (estimate):{' '}
            <Link className="underline" href={url('figures.quantities', { figure: figure.id })}>
                paint needed
            </Link>
            .
        </Notice>
    );
}

function Work({ bench, step }: { bench: Bench; step: RunStepProps }) {
    const { waiting, problem, refused, short, open, figure, away, run, steps, now } = bench;
    const { setAway, setPosition, show, onMesh, wait } = bench;
    return (
        <article className="flex min-w-0 flex-1 flex-col lg:min-h-0">
            {/* What has the focus is never scrolled to beneath the actions. */}
            <div className="flex flex-col gap-2 p-3 sm:gap-4 sm:p-4 lg:min-h-0 lg:flex-1 lg:scroll-py-3 lg:overflow-y-auto lg:p-6 max-lg:[&_:is(a,button,input)]:scroll-mb-36">
                {waiting > 0 && problem !== null && (
                    <Notice strong>
                        {problem} {many(waiting, 'change')} waiting.
                    </Notice>
                )}
                {waiting === 0 && problem !== null && <Notice strong>{problem}</Notice>}
                {refused !== null && <Notice strong>{refused}</Notice>}
                <Refused
                    changes={bench.refusals.map(({ queued, reason }) => ({
                        key: queued.key,
                        words: refusedWords(steps, queued.stepId, queued.change),
                        reason,
                    }))}
                    onAgain={bench.again}
                    onDrop={bench.settle}
                />
                {short.length > 0 && open > 0 && <RunningOut short={short} figure={figure} />}
                {away && (
                    <Resume
                        run={run}
                        steps={steps}
                        last={away}
                        now={now}
                        onClose={() => {
                            setAway(null);
                        }}
                    />
                )}
                <Changes run={run} changes={bench.changes} />
                {open === 0 && <AllDone run={run} />}
                {wait && (
                    <Wet
                        wait={wait}
                        now={now}
                        meanwhile={free(steps, bench.waits, now)}
                        onGo={setPosition}
                        onAnyway={() => {
                            bench.record(step, { wentOnWet: true });
                        }}
                    />
                )}
                <StepWords
                    run={run}
                    step={step}
                    meanwhile={meanwhile(steps, step, now)}
                    now={now}
                    onGo={setPosition}
                    onPhoto={show}
                />
                {onMesh && step.areaIds.length === 1 && <OnMesh bench={bench} step={step} />}
                <Timers runId={run.id} what={`${areasWords(step.areaNames)}, ${step.title}`} />
                <Link
                    href={url('figures.bench', { figure: figure.id })}
                    className="text-sm underline underline-offset-4"
                >
                    All runs
                </Link>
            </div>
            <Actions bench={bench} step={step} />
        </article>
    );
}

function useRunKeys({ finish, setSheet, go, step, record }: RunState & ReturnType<typeof useActions>) {
    useKeys({
        ' ': finish,
        u: () => {
            setSheet('used');
        },
        o: () => {
            setSheet('otherwise');
        },
        ArrowRight: () => {
            go(1);
        },
        ArrowLeft: () => {
            go(-1);
        },
        Backspace: () => {
            if (step && step.state !== 'open') record(step, { state: 'open' });
        },
    });
}

function useActions({ step, record, steps, setPosition, setSheet, attempt, run, wait }: RunState) {
    function finish() {
        // Wet paint is not painted over by a key pressed in haste.
        if (!step || step.state !== 'open' || wait) return;
        record(step, { state: 'done' });
        forward(step);
    }

    function forward(from: RunStepProps) {
        const next = steps.find((s) => s.position > from.position && s.state === 'open');
        if (next) setPosition(next.position);
    }

    function go(by: 1 | -1) {
        setPosition((at) => Math.max(1, Math.min(steps.length, at + by)));
    }

    async function insert(body: Partial<Repair> & { againId?: number }) {
        if (!step) return;
        setSheet(null);
        await attempt(async () => {
            await send(
                'POST',
                url('run-steps.insert', { run: run.id }),
                { after: step.position, ...body },
                undefined,
                newKey(),
            );
            router.reload();
        });
    }

    return { finish, forward, go, insert };
}
