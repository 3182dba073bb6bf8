import { router } from '@inertiajs/react';
import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Notice } from '@/shared/ui/notice';
import type { ExerciseProps, RoundProps } from '@/types/generated';
import { LightTask } from './light-task';
import { MixTask } from './mix-task';
import { ShadesTask } from './shades-task';
import { WashTask } from './wash-task';

const TEN_MINUTES = 10;

/** What a task needs: the round, and where the answer goes. Once it is answered the round carries its solution. */
export type TaskProps = { round: RoundProps; onAnswer: (answer: number[]) => void };

/** Exercises for eye and hand on one's own shelf, ten minutes a time. */
export default function PracticePage({ exercises }: { exercises: ExerciseProps[] }) {
    const [round, setRound] = useState<RoundProps | null>(null);
    const { message, setMessage, attempt } = useAttempt();
    const minutes = useMinutes();

    const ask = (exercise: string) =>
        void attempt(async () => {
            setRound(await send<RoundProps>('POST', url('practice.ask'), { exercise }));
            setMessage(null);
        });
    const answer = (given: number[]) => {
        if (round === null || round.score !== null) return;
        void attempt(async () => {
            setRound(
                await send<RoundProps>('PUT', url('practice.answer', { practiceRound: round.id }), { answer: given }),
            );
            router.reload({ only: ['exercises'] });
        });
    };
    const exercise = exercises.find((e) => e.key === round?.exercise);

    return (
        <Shell title="Practice" wide>
            <div className="flex min-h-full flex-col lg:h-full lg:flex-row">
                <aside
                    className={clsx(
                        'shrink-0 border-line p-4 lg:w-[21rem] lg:overflow-y-auto lg:border-r',
                        // A phone has room for one or the other.
                        round !== null && 'max-lg:hidden',
                    )}
                >
                    <h1 className="text-2xl">Practice</h1>
                    <p className="mb-3 text-sm text-quiet">
                        Ten minutes a time, with your own pots. {minutes > 0 && `${many(minutes, 'minute')} so far.`}
                        {minutes >= TEN_MINUTES && <strong className="text-ink"> Enough for today.</strong>}
                    </p>
                    <ul className="flex flex-col gap-1">
                        {exercises.map((e) => (
                            <li key={e.key}>
                                <button
                                    type="button"
                                    aria-pressed={e.key === round?.exercise}
                                    className={clsx(
                                        'w-full border-l-4 px-3 py-2 text-left',
                                        e.key === round?.exercise ? 'border-ink bg-raised' : 'border-transparent',
                                    )}
                                    onClick={() => {
                                        ask(e.key);
                                    }}
                                >
                                    <span className="block font-semibold">{e.title}</span>
                                    <span className="block text-xs text-quiet">{progressWords(e)}</span>
                                </button>
                            </li>
                        ))}
                    </ul>
                </aside>
                <section aria-label="Exercise" className="flex min-w-0 flex-1 flex-col gap-4 p-4">
                    {message !== null && <Notice strong>{message}</Notice>}
                    {round === null || exercise === undefined ? (
                        <Begin exercises={exercises} onAsk={ask} />
                    ) : (
                        <>
                            <button
                                type="button"
                                className="self-start text-sm underline underline-offset-4 lg:hidden"
                                onClick={() => {
                                    setRound(null);
                                }}
                            >
                                All exercises
                            </button>
                            <div>
                                <h2 className="text-lg font-semibold">{exercise.title}</h2>
                                <p className="max-w-prose text-sm">{exercise.about}</p>
                            </div>
                            <Task key={round.id} round={round} onAnswer={answer} />
                            {round.score !== null && (
                                <div className="flex items-center gap-4">
                                    <Button
                                        look="main"
                                        autoFocus
                                        onClick={() => {
                                            ask(round.exercise);
                                        }}
                                    >
                                        Next
                                    </Button>
                                    <p className="text-lg">
                                        <strong>{Math.round(round.score * 100)} of 100</strong>
                                    </p>
                                </div>
                            )}
                        </>
                    )}
                </section>
            </div>
        </Shell>
    );
}

function Task(props: TaskProps) {
    switch (props.round.exercise) {
        case 'mix':
            return <MixTask {...props} />;
        case 'light':
            return <LightTask {...props} />;
        case 'wash':
            return <WashTask {...props} />;
        default:
            return <ShadesTask {...props} />;
    }
}

function Begin({ exercises, onAsk }: { exercises: readonly ExerciseProps[]; onAsk: (exercise: string) => void }) {
    // What goes worst, or has not been tried, comes first.
    const next = [...exercises].sort((a, b) => (a.recent ?? -1) - (b.recent ?? -1))[0];
    return (
        <div className="flex max-w-prose flex-col items-start gap-3">
            <p>
                The exercises use your own pots and what Hyalin computes plans with: estimates where a pot was not
                measured. Each remembers how you do, and what goes worst comes up first.
            </p>
            {next && (
                <Button
                    look="main"
                    onClick={() => {
                        onAsk(next.key);
                    }}
                >
                    Begin: {next.title}
                </Button>
            )}
        </div>
    );
}

function progressWords(e: ExerciseProps): string {
    if (e.rounds === 0) return 'not tried yet';
    return [
        many(e.rounds, 'round'),
        e.recent === null ? '' : `${Math.round(e.recent * 100)} of 100 lately`,
        e.level === null ? '' : `at L* ${one(e.level)} apart`,
        e.weak === null ? '' : `weak at ${e.weak}`,
    ]
        .filter((words) => words !== '')
        .join(', ');
}

/** Whole minutes since the page was opened. */
function useMinutes(): number {
    const [minutes, setMinutes] = useState(0);
    useEffect(() => {
        const timer = window.setInterval(() => {
            setMinutes((now) => now + 1);
        }, 60_000);
        return () => {
            window.clearInterval(timer);
        };
    }, []);
    return minutes;
}
