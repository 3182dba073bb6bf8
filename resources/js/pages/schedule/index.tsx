import { Link, router } from '@inertiajs/react';
import { useEffect, useState, type SetStateAction } from 'react';
import { timeWords } from '@/shared/lib/settings';
import { SessionBoard } from '@/features/schedule/board';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { capital, many, minutesWords } from '@/shared/lib/format';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useSaving } from '@/shared/lib/use-saving';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import { Tick, ticked } from '@/shared/ui/tick';
import { Empty } from '@/shared/ui/empty';
import type {
    BenchExceptionProps,
    BenchHourProps,
    SessionStepProps,
    ScheduleProps,
    FigureChoiceProps,
} from '@/types/generated';
import { Hours } from './hours';

type Props = {
    schedule: ScheduleProps | null;
    hours: BenchHourProps[];
    exceptions: BenchExceptionProps[];
    aid: string;
    aids: string[];
    timeZone: string | null;
    /** Mark of the hours as they are shown. */
    seen: string;
    /** Undefined while the plan of each is still being made. */
    figures?: FigureChoiceProps[];
};

/** The work laid over the painter's real hours. */
export default function SchedulePage(props: Props) {
    const { schedule, figures } = props;
    // Those that were planned last, until the painter ticks others.
    const [ticked, setChosen] = useState<number[] | null>(null);
    const chosen = ticked ?? figures?.map((f) => f.id).filter((id) => schedule?.figureIds.includes(id) ?? true) ?? [];
    const { message, setMessage, attempt } = useAttempt();
    const [working, setWorking] = useState(false);
    const [step, setStep] = useState<SessionStepProps | null>(null);
    const { keep, lay } = useSchedule({ attempt, setMessage, setWorking, chosen, setStep, seen: props.seen });

    // The hours are the painter's, so they are kept in the painter's own time zone.
    useEffect(() => {
        const timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
        if (timeZone !== props.timeZone) void keep({ timeZone });
        // eslint-disable-next-line react-hooks/exhaustive-deps
    }, []);

    return (
        <Shell title="Schedule" wide>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <aside className="flex w-full shrink-0 flex-col gap-4 overflow-y-auto border-r border-line p-4 lg:w-[22rem]">
                    <h1 className="text-2xl">Schedule</h1>
                    <Figures figures={figures} chosen={chosen} setChosen={setChosen} />
                    <Button look="main" disabled={chosen.length === 0 || working} onClick={() => void lay()}>
                        {schedule ? 'Plan again from now' : 'Plan my sessions'}
                    </Button>
                    <Hours
                        hours={props.hours}
                        exceptions={props.exceptions}
                        aid={props.aid}
                        aids={props.aids}
                        onKeep={keep}
                    />
                </aside>
                <div className="flex min-w-0 flex-1 flex-col gap-3 p-4">
                    {message !== null && <Notice strong>{message}</Notice>}
                    {schedule === null ? (
                        <p className="max-w-prose">
                            Choose figures, then plan: Hyalin fits their steps into your hours, so that one piece dries
                            while you work on another and no mask stays on too long.
                        </p>
                    ) : (
                        <Planned schedule={schedule} step={step} setStep={setStep} />
                    )}
                </div>
            </div>
        </Shell>
    );
}

function Summary({ schedule }: { schedule: ScheduleProps }) {
    const minutes = schedule.sessions
        .flatMap((e) => e.steps)
        .reduce((sum, s) => sum + (Date.parse(s.end) - Date.parse(s.start)) / 60_000, 0);
    const day = (iso: string) =>
        new Date(iso).toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' });
    const late = day(schedule.finish) !== day(schedule.bound);
    return (
        <header className="flex flex-wrap items-start gap-x-6 gap-y-1">
            <div className="min-w-0 flex-1">
                <p className="text-lg leading-tight">
                    Finished on <strong>{day(schedule.finish)}</strong>: {many(schedule.sessions.length, 'session')},{' '}
                    {minutesWords(Math.round(minutes))} at the bench (estimate).
                </p>
                <p className="text-sm text-quiet">
                    {late
                        ? `No order of these steps in your hours finishes before ${day(schedule.bound)}.`
                        : 'No order of these steps in your hours finishes on an earlier day.'}
                </p>
                <details className="text-sm">
                    <summary className="cursor-pointer underline underline-offset-4">What decides the date</summary>
                    <ol className="max-h-44 overflow-y-auto" tabIndex={0} aria-label="What decides the date">
                        {schedule.chain.map((link, i) => (
                            <li key={i} className="leading-snug">
                                <strong>{link.figure}</strong>: {link.what}{' '}
                                <span className="text-quiet">({link.hold})</span>
                            </li>
                        ))}
                    </ol>
                </details>
            </div>
            <a className="text-sm underline underline-offset-4" href={url('schedule.calendar')}>
                For a calendar (.ics)
            </a>
        </header>
    );
}

function Detail({ step }: { step: SessionStepProps | null }) {
    if (step === null)
        return <p className="text-sm text-quiet">Click a block for its step. Each lane is one figure.</p>;
    const time = (iso: string) => timeWords(new Date(iso), '2-digit');
    return (
        <p className="text-sm" aria-live="polite">
            <strong>
                {time(step.start)} to {time(step.end)}
            </strong>{' '}
            {step.figure}: {capital(step.what)}
            {step.where !== '' && `, ${step.where}`}{' '}
            {step.url !== null && (
                <Link href={step.url} className="underline underline-offset-4">
                    its run
                </Link>
            )}
        </p>
    );
}

function Planned({
    schedule,
    step,
    setStep,
}: {
    schedule: ScheduleProps;
    step: SessionStepProps | null;
    setStep: (value: SetStateAction<SessionStepProps | null>) => void;
}) {
    return (
        <>
            <Summary schedule={schedule} />
            {schedule.missed > 0 && (
                <Notice strong>
                    {capital(many(schedule.missed, 'step'))} of past sessions {schedule.missed === 1 ? 'is' : 'are'} not
                    done. Plan again from now.
                </Notice>
            )}
            {schedule.moved.length > 0 && <Moved moved={schedule.moved} />}
            <div className="min-h-64 flex-1 overflow-y-auto border border-line">
                <SessionBoard sessions={schedule.sessions} chosen={step?.id ?? null} onChoose={setStep} />
            </div>
            <Detail step={step} />
        </>
    );
}

/** What stands in another session than it did before, and why. */
function Moved({ moved }: { moved: ScheduleProps['moved'] }) {
    const day = (iso: string) =>
        new Date(iso).toLocaleDateString(undefined, { weekday: 'short', day: 'numeric', month: 'short' });
    return (
        <details className="text-sm">
            <summary className="cursor-pointer underline underline-offset-4">
                {capital(many(moved.length, 'step'))} moved to another session
            </summary>
            <ul className="max-h-40 overflow-y-auto" tabIndex={0} aria-label="Steps that moved">
                {moved.map((move) => (
                    <li key={`${move.figure} ${move.what} ${move.from}`} className="leading-snug">
                        <strong>{move.figure}</strong>: {move.what}, from {day(move.from)} to {day(move.to)}{' '}
                        <span className="text-quiet">({move.why})</span>
                    </li>
                ))}
            </ul>
        </details>
    );
}

function Figures({
    figures,
    chosen,
    setChosen,
}: {
    figures: FigureChoiceProps[] | undefined;
    chosen: number[];
    setChosen: (value: number[]) => void;
}) {
    return (
        <fieldset className="flex flex-col gap-1">
            <legend className="mb-1 text-sm font-semibold">Figures</legend>
            {figures === undefined && <p className="text-sm text-quiet">Looking for what is left to do ...</p>}
            {figures?.map((figure) => (
                <Tick
                    key={figure.id}
                    className="min-h-8 text-sm"
                    checked={chosen.includes(figure.id)}
                    onTick={(isOn) => {
                        setChosen(ticked(chosen, figure.id, isOn));
                    }}
                >
                    <span className="flex-1">{figure.name}</span>
                    <span className="text-xs text-quiet">{many(figure.steps, 'step')}</span>
                </Tick>
            ))}
            {figures?.length === 0 && (
                <Empty act="Go to the figures" to={url('home')}>
                    No figure has a finish yet, or all are painted.
                </Empty>
            )}
        </fieldset>
    );
}

function useSchedule({
    attempt,
    setMessage,
    setWorking,
    chosen,
    setStep,
    seen,
}: {
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
    setMessage: (words: string | null) => void;
    setWorking: (value: SetStateAction<boolean>) => void;
    chosen: number[];
    setStep: (value: SetStateAction<SessionStepProps | null>) => void;
    seen: string;
}) {
    // Only what has changed: planning every figure anew would take the list away from under the pointer.
    const save = useSaving(seen, () => reloaded({ only: ['hours', 'exceptions', 'aid', 'timeZone', 'seen'] }));

    async function keep(change: Record<string, unknown>) {
        const kept = await attempt(() => save((mark) => send('PUT', url('schedule.hours'), { ...change, seen: mark })));
        if (kept) setMessage(null);
    }

    async function lay() {
        setWorking(true);
        if (await attempt(() => send('POST', url('schedule.plan'), { figureIds: chosen }))) {
            setStep(null);
            router.reload({ only: ['schedule'] });
        }
        setWorking(false);
    }

    return { keep, lay };
}
