import clsx from 'clsx';
import { Fragment } from 'react';
import { timeWords } from '@/shared/lib/settings';
import { capital } from '@/shared/lib/format';
import { useNarrow } from '@/shared/lib/use-narrow';
import type { SessionProps, SessionStepProps } from '@/types/generated';

const LANE = 30;

/** Schedule from top to bottom, each on the same scale of minutes; within one, a lane for each figure. */
export function SessionBoard({
    sessions,
    chosen,
    onChoose,
}: {
    sessions: readonly SessionProps[];
    chosen: string | null;
    onChoose: (step: SessionStepProps) => void;
}) {
    const narrow = useNarrow();
    const figures = [...new Set(sessions.flatMap((e) => e.steps.map((s) => s.figure)))];
    const longest = Math.max(1, ...sessions.map((e) => span(e.start, e.end)));
    return (
        <ol>
            {sessions.map((session) => {
                const lanes = figures.filter((f) => session.steps.some((s) => s.figure === f));
                return (
                    <li key={session.start} className="border-b border-line lg:flex">
                        <p className="w-40 shrink-0 p-2 text-sm leading-tight">
                            <strong>
                                {new Date(session.start).toLocaleDateString(undefined, {
                                    weekday: 'short',
                                    day: 'numeric',
                                    month: 'short',
                                })}
                            </strong>
                            <span className="block text-xs text-quiet">
                                {clock(session.start)} to {clock(session.end)}
                            </span>
                        </p>
                        <div className="min-w-0 flex-1 py-1.5 pr-2">
                            {narrow ? (
                                <StepList steps={session.steps} chosen={chosen} onChoose={onChoose} />
                            ) : (
                                lanes.map((figure) => (
                                    <Lane
                                        key={figure}
                                        figure={figure}
                                        session={session}
                                        longest={longest}
                                        chosen={chosen}
                                        onChoose={onChoose}
                                    />
                                ))
                            )}
                        </div>
                    </li>
                );
            })}
        </ol>
    );
}

/** A session to read: when, what, on which figure. */
function StepList({
    steps,
    chosen,
    onChoose,
}: {
    steps: readonly SessionStepProps[];
    chosen: string | null;
    onChoose: (step: SessionStepProps) => void;
}) {
    return (
        <ol>
            {steps.map((step) => (
                <li key={`${step.id} ${step.start}`}>
                    <button
                        type="button"
                        aria-pressed={step.id === chosen}
                        className={clsx(
                            'flex min-h-11 w-full items-center gap-2 border-l-4 px-2 py-1 text-left text-sm leading-tight',
                            step.id === chosen ? 'border-ink bg-raised' : 'border-transparent',
                        )}
                        onClick={() => {
                            onChoose(step);
                        }}
                    >
                        <span className="w-16 shrink-0 text-xs text-quiet">{clock(step.start)}</span>
                        <span
                            aria-hidden
                            className="h-6 w-6 shrink-0 border border-line"
                            style={step.hex === null ? undefined : { background: step.hex }}
                        />
                        <span className="min-w-0">
                            <strong className="line-clamp-2">
                                {step.where === '' ? capital(step.what) : `${step.where}: ${step.what}`}
                            </strong>
                            <span className="block text-xs text-quiet">{step.figure}</span>
                        </span>
                    </button>
                </li>
            ))}
        </ol>
    );
}

function Lane({
    figure,
    session,
    longest,
    chosen,
    onChoose,
}: {
    figure: string;
    session: SessionProps;
    longest: number;
    chosen: string | null;
    onChoose: (step: SessionStepProps) => void;
}) {
    return (
        <div className="flex items-center gap-2">
            <span className="hidden w-40 shrink-0 truncate text-xs text-quiet sm:inline" title={figure}>
                {figure}
            </span>
            <div className="min-w-0 flex-1">
                <div
                    className="flex bg-sunk"
                    style={{ height: LANE, width: `${(100 * span(session.start, session.end)) / longest}%` }}
                >
                    {blocks(session, figure).map(({ step, gap }) => (
                        <Fragment key={`${step.id} ${step.start}`}>
                            <span style={{ flex: `${gap} 1 0` }} />
                            <button
                                type="button"
                                title={`${step.what}, ${step.where}`}
                                aria-label={`${step.where === '' ? capital(step.what) : `${step.where}: ${step.what}`}, ${clock(step.start)}, ${figure}`}
                                aria-pressed={step.id === chosen}
                                className={`min-w-6 truncate border px-1 text-left text-xs leading-none ${
                                    step.id === chosen ? 'border-ink bg-ink text-inverse' : 'border-strong bg-raised'
                                }`}
                                style={{ flex: `${Math.max(1, span(step.start, step.end))} 1 0` }}
                                onClick={() => {
                                    onChoose(step);
                                }}
                            >
                                {step.hex !== null && (
                                    <span
                                        aria-hidden
                                        className="mr-1 inline-block h-4 w-3 border border-strong align-middle"
                                        style={{ background: step.hex }}
                                    />
                                )}
                                {step.where === '' ? capital(step.what) : `${step.where}: ${step.what}`}
                            </button>
                        </Fragment>
                    ))}
                    <span style={{ flex: `${rest(session, figure)} 1 0` }} />
                </div>
            </div>
        </div>
    );
}

/** The steps of a figure in order, each with the minutes before it. */
function blocks(session: SessionProps, figure: string): { step: SessionStepProps; gap: number }[] {
    const steps = session.steps.filter((step) => step.figure === figure);
    return steps.map((step, i) => ({
        step,
        gap: Math.max(0, span(steps[i - 1]?.end ?? session.start, step.start)),
    }));
}

function rest(session: SessionProps, figure: string): number {
    const last = session.steps.filter((step) => step.figure === figure).at(-1);
    return last ? Math.max(0, span(last.end, session.end)) : 0;
}

function span(from: string, to: string): number {
    return (Date.parse(to) - Date.parse(from)) / 60_000;
}

function clock(iso: string): string {
    return timeWords(new Date(iso), '2-digit');
}
