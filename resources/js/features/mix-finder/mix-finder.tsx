import { useCallback, useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { capital, one } from '@/shared/lib/format';
import { isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { useTask } from '@/shared/lib/use-task';
import { Button } from '@/shared/ui/button';
import { DropRow, MixList, mixWords } from '@/shared/ui/drops';
import { EdgeToEdge } from '@/shared/ui/edge-to-edge';
import { Notice } from '@/shared/ui/notice';
import { Spread } from '@/shared/ui/spread';
import { TaskBar } from '@/shared/ui/task-bar';
import { Tick } from '@/shared/ui/tick';
import type { DropsProps, FoundMixProps, MixAnswerProps, TaskProps, Zone } from '@/types/generated';

type Props = {
    figureId: number;
    areaId: number;
    /** The finish as it stands in the browser, ready to be sent. */
    layers: unknown;
    index: number;
    zone: Zone;
    /** What painters call it in such an area. */
    zoneName?: string;
    /** Whether a colour was taken for the zone: without one, nothing is searched for until one is picked here. */
    hasTarget: boolean;
    onUse: (mix: DropsProps[]) => void;
    onCup: (mix: DropsProps[]) => void;
};

type Question = { targetHex: string | null; allKinds: boolean; allZones: boolean };

/** The best mixes for one zone of one layer, from the shelf, over what lies beneath and under what still follows. */
export function MixFinder(props: Props) {
    const finder = useMixFinder(props);
    const { zone, answer, problem, busy, question, setQuestion, key, best } = finder;

    return (
        <section aria-label="Mix finder" aria-busy={busy} className="flex flex-col gap-3">
            <header className="flex items-baseline justify-between gap-2">
                <h3 className="text-base">Mix for the {props.zoneName ?? zone}</h3>
                <ColourInput
                    value={question.targetHex}
                    onPick={(targetHex) => {
                        setQuestion({ ...question, targetHex });
                    }}
                />
            </header>
            {problem !== null && <Notice strong>{problem}</Notice>}
            {answer && best && <Answer answer={answer} best={best} finder={finder} asked={key} />}
            {!finder.isAsked && (
                <p className="text-sm">
                    No target colour for the {props.zoneName ?? zone} yet. Take one from a picture on References, or
                    pick one here.
                </p>
            )}
            {finder.isAsked && !answer && problem === null && (
                <p className="text-sm text-quiet">Searching the shelf.</p>
            )}
        </section>
    );
}

type Finder = ReturnType<typeof useMixFinder>;

function useMixFinder({ figureId, areaId, layers, index, zone, hasTarget, onUse, onCup }: Props) {
    const [answer, setAnswer] = useState<MixAnswerProps | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [busy, setBusy] = useState(false);
    const [shown, setShown] = useState(0);
    const [question, setQuestion] = useState<Question>({ targetHex: null, allKinds: false, allZones: false });
    const body = {
        layers,
        index,
        zone,
        allKinds: question.allKinds,
        allZones: question.allZones,
        ...(question.targetHex === null ? {} : { targetHex: question.targetHex }),
    };
    const key = JSON.stringify(body);
    const at = { figure: figureId, area: areaId };
    const isAsked = hasTarget || question.targetHex !== null;
    useAnswer({ isAsked, setBusy, at, asked: key, setAnswer, setShown, setProblem, figureId, areaId });

    const onProven = useCallback((proven: MixAnswerProps) => {
        setAnswer(proven);
        setShown(0);
    }, []);
    const best = answer?.mixes[shown];
    return {
        isAsked,
        zone,
        onUse,
        onCup,
        answer,
        problem,
        busy,
        shown,
        setShown,
        question,
        setQuestion,
        key,
        at,
        onProven,
        best,
    };
}

function sureness(answer: MixAnswerProps): string {
    const tried = answer.evaluations.toLocaleString();
    const all = answer.provable.toLocaleString();
    switch (answer.ending) {
        case 'proven':
            return `Proven: all ${all} mixes of ${answer.potCount} pots were tried; none is better.`;
        case 'stopped':
            return `Stopped after ${tried} of ${all} mixes: the best so far.`;
        case 'settled':
            return `Not proven: ${tried} of ${all} mixes were computed exactly. It is usually the best; a full search can prove it.`;
    }
}

function MixRow({ mix, chosen, onShow }: { mix: FoundMixProps; chosen: boolean; onShow: () => void }) {
    return (
        <li>
            <button
                type="button"
                aria-pressed={chosen}
                onClick={onShow}
                className={`flex w-full items-center gap-2 border-l-4 py-1 pl-2 text-left ${chosen ? 'border-ink bg-raised' : 'border-transparent'}`}
            >
                <span aria-hidden className="h-8 w-8 shrink-0" style={{ background: mix.colour.hex }} />
                <span className="flex min-w-0 flex-1 flex-wrap gap-x-3">
                    {mix.drops.map((drops) => (
                        <span key={drops.paintId} className="flex items-center gap-1">
                            <DropRow drops={drops} size={15} />
                            <span className="text-sm">{drops.name}</span>
                        </span>
                    ))}
                </span>
                <span className="shrink-0 text-right text-xs">
                    <strong className="block text-sm">{one(mix.difference)}</strong>
                    {mix.likeness}
                </span>
            </button>
        </li>
    );
}

function ColourInput({ value, onPick }: { value: string | null; onPick: (hex: string | null) => void }) {
    return (
        <span className="flex items-center gap-2 text-xs">
            <label className="flex items-center gap-1">
                other colour
                <input
                    type="color"
                    aria-label="Match another colour"
                    value={value ?? '#808080'}
                    className="h-8 w-10"
                    onChange={(event) => {
                        onPick(event.target.value);
                    }}
                />
            </label>
            {value !== null && (
                <button
                    type="button"
                    className="underline"
                    onClick={() => {
                        onPick(null);
                    }}
                >
                    back to the sample
                </button>
            )}
        </span>
    );
}

/** A search to the end in the queue: a real fraction, and a way to stop. */
function Proof({ path, body, onProven }: { path: string; body: unknown; onProven: (answer: MixAnswerProps) => void }) {
    const [task, setTask] = useState<TaskProps | null>(null);
    const { message, attempt } = useAttempt();
    const show = (now: TaskProps) => {
        setTask(now);
        if (!isOpen(now) && now.result !== null) onProven(now.result as unknown as MixAnswerProps);
    };
    const { gone, stop } = useTask(task, show);
    if (task !== null && isOpen(task)) return <TaskBar task={task} gone={gone} onStop={stop} />;
    return (
        <>
            {(message ?? task?.problem) && <Notice strong>{message ?? task?.problem}</Notice>}
            <Button
                size="small"
                className="mt-2"
                onClick={() =>
                    void attempt(async () => {
                        show(await send<TaskProps>('POST', path, body));
                    })
                }
            >
                Run a full search
            </Button>
        </>
    );
}

function Certainty({ finder, answer, asked }: { finder: Finder; answer: MixAnswerProps; asked: string }) {
    const { question, setQuestion, zone, at, onProven } = finder;
    return (
        <details className="text-sm">
            <summary className="cursor-pointer font-medium">Reason and certainty</summary>
            <p className="mt-1">{answer.why}</p>
            <Tick
                className="mt-1"
                checked={question.allKinds}
                onTick={(isOn) => {
                    setQuestion({ ...question, allKinds: isOn });
                }}
            >
                also use inks, washes and one-coats
            </Tick>
            <Tick
                className="mt-1"
                checked={question.allZones}
                onTick={(isOn) => {
                    setQuestion({ ...question, allZones: isOn });
                }}
            >
                one mix for all sampled zones of this layer
            </Tick>
            {question.allZones && (
                <p className="mt-1">
                    Differences are averages over these zones; the {zone} counts twice. Shown is the {zone}.
                </p>
            )}
            <p className="mt-1">{sureness(answer)}</p>
            <p className="mt-1">{capital(answer.quality)} paints: the prediction is as good as they are.</p>
            {answer.ending !== 'proven' && !question.allZones && (
                <Proof
                    key={asked}
                    path={url('mixes.prove', at)}
                    body={JSON.parse(asked) as unknown}
                    onProven={onProven}
                />
            )}
        </details>
    );
}

function Answer({
    finder,
    answer,
    best,
    asked,
}: {
    finder: Finder;
    answer: MixAnswerProps;
    best: FoundMixProps;
    asked: string;
}) {
    const { shown, setShown, onUse, onCup } = finder;
    return (
        <>
            <EdgeToEdge
                left={answer.target}
                right={best.colour}
                leftName="wanted"
                rightName="predicted"
                difference={best.difference}
                likeness={best.likeness}
            />
            <div className="flex items-start gap-2 text-xs">
                <span className="text-quiet">2 of 3 times between (estimate)</span>
                <div className="w-24">
                    <Spread spread={best.spread} />
                </div>
            </div>
            {best.runningOut.length > 0 && <Notice>Nearly empty: {best.runningOut.join('; ')}.</Notice>}
            {answer.missing !== null && <Notice strong>{answer.missing}</Notice>}
            <ol aria-label="Best mixes" className="flex flex-col">
                {answer.mixes.map((mix, place) => (
                    <MixRow
                        key={mixWords(mix.drops)}
                        mix={mix}
                        chosen={place === shown}
                        onShow={() => {
                            setShown(place);
                        }}
                    />
                ))}
            </ol>
            <Button
                look="main"
                onClick={() => {
                    onUse(best.drops);
                }}
            >
                Use {mixWords(best.drops)}
            </Button>
            <Button
                onClick={() => {
                    onCup(best.drops);
                }}
            >
                Open as a cup
            </Button>
            {answer.preDilution !== null && (
                <Notice>
                    <p className="mb-1">{answer.preDilution.advice}</p>
                    <MixList mix={answer.preDilution.drops} size={16} />
                </Notice>
            )}
            <Certainty answer={answer} finder={finder} asked={asked} />
        </>
    );
}

function useAnswer({
    isAsked,
    setBusy,
    at,
    asked,
    setAnswer,
    setShown,
    setProblem,
    figureId,
    areaId,
}: {
    isAsked: boolean;
    setBusy: Dispatch<SetStateAction<boolean>>;
    at: { figure: number; area: number };
    asked: string;
    setAnswer: Dispatch<SetStateAction<MixAnswerProps | null>>;
    setShown: Dispatch<SetStateAction<number>>;
    setProblem: Dispatch<SetStateAction<string | null>>;
    figureId: number;
    areaId: number;
}) {
    useEffect(() => {
        if (!isAsked) {
            setAnswer(null);
            setProblem(null);
            return;
        }
        const controller = new AbortController();
        const timer = window.setTimeout(() => {
            setBusy(true);
            send<MixAnswerProps>('POST', url('mixes.find', at), JSON.parse(asked) as unknown, controller.signal)
                .then((found) => {
                    setAnswer(found);
                    setShown(0);
                    setProblem(null);
                })
                .catch((error: unknown) => {
                    if (error instanceof ApiError) {
                        setAnswer(null);
                        setProblem(error.message);
                    }
                })
                .finally(() => {
                    if (!controller.signal.aborted) setBusy(false);
                });
        }, 120);
        return () => {
            window.clearTimeout(timer);
            controller.abort();
        };
        // eslint-disable-next-line react-hooks/exhaustive-deps -- it holds everything that is asked
    }, [asked, isAsked, figureId, areaId]);
}
