import { Link, router } from '@inertiajs/react';
import { Undo2 } from 'lucide-react';
import { useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import { timeWords } from '@/shared/lib/settings';
import { useCup, type CupChange } from '@/features/cup/use-cup';
import { Shell } from '@/features/shell/shell';
import { ApiError, send } from '@/shared/lib/api';
import { inkOn, labWords, many, minutesWords, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useKeys } from '@/shared/lib/use-keys';
import { useNow } from '@/shared/lib/use-now';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { DropRow } from '@/shared/ui/drops';
import { EdgeToEdge } from '@/shared/ui/edge-to-edge';
import { Notice } from '@/shared/ui/notice';
import { Refused } from '@/shared/ui/refused';
import { Pick } from '@/shared/ui/pick';
import { PotMark } from '@/shared/ui/pot-mark';
import { Stepper } from '@/shared/ui/stepper';
import { DROP, volumeUnit, volumeWords } from '@/shared/lib/units';
import type { ColourProps, CupEntryProps, CupProps, PotProps, ScaleProps, SteeringProps } from '@/types/generated';

type Unit = 'drops' | 'grams';

const KEYS = [
    ['+', 'one more drop of the selected pot'],
    ['z', 'undo the last change'],
] as const;

export default function CupPage(props: { cup: CupProps; pots: PotProps[] }) {
    return <Cup key={props.cup.id} {...props} />;
}

function Cup(props: { cup: CupProps; pots: PotProps[] }) {
    const page = useCupPage(props);
    const { cup, undo, washOut } = page;

    return (
        <Shell title={cup.name} keys={KEYS}>
            <div className="grid gap-6 lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]">
                <Contents page={page} />
                <Actions page={page} washOut={washOut} undo={undo} />
            </div>
        </Shell>
    );
}

type Page = ReturnType<typeof useCupPage>;

function useCupPage({ cup: opened, pots }: { cup: CupProps; pots: PotProps[] }) {
    const { cup, waiting, refusals, again, settle, problem, act, change } = useCup(opened);
    const now = useNow(30_000);
    const [pot, setPot] = useState(() => opened.parts.find((part) => part.pot)?.pot?.id ?? pots[0]?.id ?? 0);
    const age = Math.max(0, Math.floor((now - Date.parse(cup.openedAt)) / 60_000));
    const left = cup.potLifeMinutes - age;
    const last = cup.entries.find((entry) => !entry.undone);

    function undo(entry: CupEntryProps) {
        void change('PATCH', url('cups.undo', { cup: cup.id, key: entry.key }), { undone: !entry.undone });
    }

    async function washOut() {
        await change('DELETE', url('cups.destroy', { cup: cup.id }));
        router.reload({ only: ['openCups'] });
    }

    useKeys({
        '+': () => {
            if (pot) act({ act: 'add', paintId: pot, drops: 1 });
        },
        z: () => {
            if (last) undo(last);
        },
    });
    return { pots, cup, waiting, refusals, again, settle, problem, act, change, pot, setPot, age, left, undo, washOut };
}

function Swatch({ colour, name, height }: { colour: ColourProps; name: string; height: number }) {
    return (
        <div
            className="flex flex-1 flex-col justify-end p-2 text-xs"
            style={{ background: colour.hex, color: inkOn(colour.hex), minHeight: height }}
        >
            <span className="font-semibold">{name}</span>
            <span>{labWords(colour)}</span>
        </div>
    );
}

function Recipe({ cup }: { cup: CupProps }) {
    if (cup.parts.length === 0) return <p className="text-base">The cup is empty. Add a drop.</p>;
    return (
        <section aria-label="Contents">
            <h2 className="mb-2 text-base font-semibold">
                Recipe: {many(cup.recipeDrops, 'drop')}
                <span className="text-sm font-normal text-quiet">
                    {cup.recipeError < 0.005
                        ? ', exactly'
                        : `, off by ${Math.round(cup.recipeError * 100)} % of the cup at most`}
                </span>
            </h2>
            <ul className="flex flex-col gap-2">
                {cup.parts.map((part) => (
                    <li key={part.pot?.id ?? 0} className="flex flex-wrap items-center gap-x-3 text-base">
                        {part.drops > 0 ? (
                            <DropRow
                                size={26}
                                drops={{
                                    paintId: part.pot?.id ?? 0,
                                    maker: '',
                                    name: part.pot?.name ?? 'thinner',
                                    hex: part.pot?.hex ?? 'transparent',
                                    drops: part.drops,
                                    dropMl: part.pot?.dropMl ?? DROP,
                                }}
                            />
                        ) : (
                            <span className="text-sm">less than a drop</span>
                        )}
                        <span>{part.pot?.name ?? 'Thinner'}</span>
                        <span className="text-sm text-quiet">{volumeWords(part.millilitres.toFixed(3))}</span>
                    </li>
                ))}
            </ul>
            {cup.quality !== null && <p className="mt-2 text-xs text-quiet">Colours from {cup.quality} paints.</p>}
        </section>
    );
}

function Filling({
    cup,
    pots,
    pot,
    onPot,
    onAct,
    held,
}: {
    cup: number;
    pots: readonly PotProps[];
    pot: number;
    onPot: (id: number) => void;
    onAct: (queued: Omit<CupChange, 'key'>) => void;
    held: number;
}) {
    const [unit, setUnit] = useState<Unit>('drops');
    const [amount, setAmount] = useState(1);
    const name = pots.find((p) => p.id === pot)?.name ?? '';
    return (
        <section aria-label="Fill" className="flex flex-col gap-3 border border-strong bg-raised p-3">
            <Pick
                label="Pot"
                value={String(pot)}
                options={pots.map((p) => ({ value: String(p.id), label: p.name, mark: <PotMark hex={p.hex} /> }))}
                onPick={(id) => {
                    onPot(Number(id));
                }}
            />
            <Amount unit={unit} setUnit={setUnit} setAmount={setAmount} amount={amount} />
            <Button
                look="main"
                size="large"
                className="!text-base"
                onClick={() => {
                    onAct({ act: 'add', paintId: pot, ...(unit === 'drops' ? { drops: amount } : { grams: amount }) });
                }}
            >
                {unit === 'drops' ? many(amount, 'drop') : `${amount.toFixed(2)} g`} of {name}
            </Button>
            <PourOnScale
                cup={cup}
                name={name}
                onGrams={(grams) => {
                    onAct({ act: 'add', paintId: pot, grams });
                }}
            />
            <ThinOrUse onAct={onAct} held={held} />
        </section>
    );
}

const SCALE_WORDS: Record<ScaleProps['state'], string> = {
    steady: 'steady',
    filling: 'pouring',
    jumped: 'something touches the scale: paused',
    missing: 'a reading is missing: continuing',
};

/** Pours while a scale counts. The scale is simulated; what it does badly is shown, and not counted. */
function PourOnScale({ cup, name, onGrams }: { cup: number; name: string; onGrams: (grams: number) => void }) {
    const [session, setSession] = useState<number | null>(null);
    const [seen, setSeen] = useState<ScaleProps | null>(null);
    useScale({ session, cup, setSeen });

    if (session === null) {
        return (
            <Button
                onClick={() => {
                    setSeen(null);
                    setSession(1 + Math.floor(Math.random() * 1_000_000));
                }}
            >
                Pour on the scale
            </Button>
        );
    }
    return (
        <div role="group" aria-label="Scale" className="flex items-center gap-3 border border-line p-2">
            <p className="flex-1 text-sm" role="status">
                <strong className="text-xl">{(seen?.grams ?? 0).toFixed(2)} g</strong>{' '}
                {SCALE_WORDS[seen?.state ?? 'steady']}
                <span className="block text-xs text-quiet">
                    {many(seen?.missing ?? 0, 'reading')} missed, {many(seen?.jumps ?? 0, 'jump')} not counted,{' '}
                    {(seen?.drift ?? 0).toFixed(3)} g of drift taken off; a simulated scale
                </span>
            </p>
            <Button
                look="main"
                disabled={seen === null || seen.grams <= 0}
                onClick={() => {
                    if (seen !== null && seen.grams > 0) onGrams(seen.grams);
                    setSession(null);
                }}
            >
                Add this amount of {name}
            </Button>
            <Button
                onClick={() => {
                    setSession(null);
                }}
            >
                Stop
            </Button>
        </div>
    );
}

function Steer({ cup, onAct }: { cup: CupProps; onAct: (queued: Omit<CupChange, 'key'>) => void }) {
    const [advice, setAdvice] = useState<SteeringProps | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    useEffect(() => {
        const controller = new AbortController();
        send<SteeringProps>('GET', url('cups.steer', { cup: cup.id }), undefined, controller.signal)
            .then((answer) => {
                setAdvice(answer);
                setProblem(null);
            })
            .catch((error: unknown) => {
                if (error instanceof ApiError) setProblem(error.message);
            });
        return () => {
            controller.abort();
        };
    }, [cup.id]);

    if (problem !== null) return <Notice>{problem}</Notice>;
    if (advice === null) return <p className="text-sm text-quiet">Searching for a correction.</p>;
    const words = advice.drops.map((d) => `${d.drops} ${d.name}`).join(' + ');
    return (
        <section aria-label="Target" className="flex flex-col gap-2">
            <h2 className="text-base font-semibold">To reach the target</h2>
            {advice.drops.length === 0 ? (
                <p className="text-sm">No correction of a few drops brings it closer.</p>
            ) : (
                <>
                    <div className="flex items-center gap-3">
                        <span className="h-12 w-16 shrink-0" style={{ background: advice.colour.hex }} aria-hidden />
                        <p className="text-sm">
                            {advice.removeMl > 0 && `Take out ${volumeWords(advice.removeMl.toFixed(2))} first, then `}
                            <strong>{words}</strong>: ΔE {one(advice.difference)}, {advice.likeness}.
                        </p>
                    </div>
                    <Button
                        onClick={() => {
                            if (advice.removeMl > 0) onAct({ act: 'use', millilitres: advice.removeMl });
                            for (const drop of advice.drops)
                                onAct({ act: 'add', paintId: drop.paintId, drops: drop.drops });
                        }}
                    >
                        Record as done
                    </Button>
                </>
            )}
        </section>
    );
}

function Again({ cup, onWashOut }: { cup: CupProps; onWashOut: () => void }) {
    const [amount, setAmount] = useState(1);
    return (
        <section aria-label="Remix" className="flex flex-wrap items-end gap-3">
            <div className="w-40">
                <Stepper
                    label={`Remix, ${volumeUnit()}`}
                    value={amount}
                    min={0.5}
                    max={50}
                    step={amount < 5 ? 0.5 : 5}
                    words={volumeWords(amount)}
                    onChange={setAmount}
                />
            </div>
            <Button
                disabled={cup.parts.length === 0}
                onClick={() => {
                    void send<CupProps>('POST', url('cups.again', { cup: cup.id }), { millilitres: amount }).then(
                        (made) => {
                            router.visit(url('cups.show', { cup: made.id }));
                        },
                    );
                }}
            >
                In a new cup
            </Button>
            {!cup.emptied && <Button onClick={onWashOut}>Emptied</Button>}
        </section>
    );
}

function History({ entries, onUndo }: { entries: readonly CupEntryProps[]; onUndo: (entry: CupEntryProps) => void }) {
    if (entries.length === 0) return null;
    return (
        <section aria-label="History">
            <h2 className="mb-1 text-base font-semibold">History</h2>
            <ol className="flex flex-col">
                {entries.slice(0, 12).map((entry) => (
                    <li key={entry.key} className="flex items-center gap-3 border-t border-line py-1 text-sm">
                        <span className={entry.undone ? 'flex-1 text-quiet line-through' : 'flex-1'}>
                            {changeWords(entry)}
                        </span>
                        <time className="text-xs text-quiet" dateTime={entry.at}>
                            {timeWords(new Date(entry.at), '2-digit')}
                        </time>
                        <Button
                            size="small"
                            aria-label={
                                entry.undone ? `Put back: ${changeWords(entry)}` : `Undo: ${changeWords(entry)}`
                            }
                            onClick={() => {
                                onUndo(entry);
                            }}
                        >
                            <Undo2 size={14} aria-hidden /> {entry.undone ? 'restored' : 'undo'}
                        </Button>
                    </li>
                ))}
            </ol>
        </section>
    );
}

/** The advice is asked anew whenever what is in the cup changes. */
function contentsOf(cup: CupProps): string {
    return cup.parts.map((part) => `${part.pot?.id ?? 0}:${part.millilitres}`).join(' ');
}

function changeWords(entry: CupEntryProps): string {
    const drops = entry.millilitres / DROP;
    const amount =
        Math.abs(drops - Math.round(drops)) < 1e-6 && drops < 100
            ? many(Math.round(drops), 'drop')
            : volumeWords(entry.millilitres.toFixed(2));
    if (entry.act === 'use') return `${amount} used`;
    return `${amount} of ${entry.pot ?? 'thinner'}`;
}

function useScale({
    session,
    cup,
    setSeen,
}: {
    session: number | null;
    cup: number;
    setSeen: Dispatch<SetStateAction<ScaleProps | null>>;
}) {
    useEffect(() => {
        if (session === null) return;
        const started = Date.now();
        const controller = new AbortController();
        const ask = async () => {
            let every = 250;
            while (!controller.signal.aborted) {
                const readings = Math.min(600, Math.floor((Date.now() - started) / every));
                try {
                    const path = `${url('cups.scale', { cup })}?session=${session}&readings=${readings}`;
                    const answer = await send<ScaleProps>('GET', path, undefined, controller.signal);
                    every = answer.everyMs;
                    setSeen(answer);
                } catch (error) {
                    // Stopped: the question was called off.
                    if (!(error instanceof ApiError)) return;
                }
                await new Promise((resolve) => window.setTimeout(resolve, 2 * every));
            }
        };
        void ask();
        return () => {
            controller.abort();
        };
    }, [cup, session, setSeen]);
}

function ThinOrUse({ onAct, held }: { onAct: (queued: Omit<CupChange, 'key'>) => void; held: number }) {
    return (
        <div className="grid grid-cols-2 gap-3">
            <Button
                onClick={() => {
                    onAct({ act: 'thin', drops: 1 });
                }}
            >
                A drop of thinner
            </Button>
            <Button
                disabled={held <= 0}
                onClick={() => {
                    onAct({ act: 'use', millilitres: Math.min(held, Math.max(held / 2, 1e-6)) });
                }}
            >
                Use half
            </Button>
        </div>
    );
}

function Amount({
    unit,
    setUnit,
    setAmount,
    amount,
}: {
    unit: 'drops' | 'grams';
    setUnit: Dispatch<SetStateAction<Unit>>;
    setAmount: Dispatch<SetStateAction<number>>;
    amount: number;
}) {
    return (
        <div className="grid grid-cols-2 items-end gap-3">
            <Choice<Unit>
                grow
                label="Unit"
                value={unit}
                options={[
                    { value: 'drops', label: 'drops' },
                    { value: 'grams', label: 'grams' },
                ]}
                onChoose={(next) => {
                    setUnit(next);
                    setAmount(next === 'drops' ? 1 : 0.1);
                }}
            />
            <Stepper
                label={unit === 'drops' ? 'Drops' : 'Grams'}
                value={amount}
                min={unit === 'drops' ? 1 : 0.01}
                max={unit === 'drops' ? 99 : 50}
                step={unit === 'drops' ? 1 : 0.01}
                words={unit === 'drops' ? String(amount) : `${amount.toFixed(2)} g`}
                onChange={setAmount}
            />
        </div>
    );
}

function Actions({
    page,
    washOut,
    undo,
}: {
    page: Page;
    washOut: () => Promise<void>;
    undo: (entry: CupEntryProps) => void;
}) {
    const { cup, pots, pot, setPot, act } = page;
    return (
        <section className="flex min-w-0 flex-col gap-5">
            <Filling cup={cup.id} pots={pots} pot={pot} onPot={setPot} onAct={act} held={cup.millilitres} />
            {cup.target !== null && cup.millilitres > 0 && <Steer key={contentsOf(cup)} cup={cup} onAct={act} />}
            <Again cup={cup} onWashOut={() => void washOut()} />
            <History entries={cup.entries} onUndo={undo} />
        </section>
    );
}

function CupHead({ page }: { page: Page }) {
    const { cup, age, left, waiting } = page;
    return (
        <header>
            <p className="text-xs text-quiet">
                <Link href={url('cups')} className="underline underline-offset-2">
                    Cups
                </Link>
                {cup.place !== null && ` · ${cup.place}`}
                {cup.stepUrl !== null && (
                    <>
                        {' · '}
                        <Link className="underline" href={cup.stepUrl}>
                            back to its step
                        </Link>
                    </>
                )}
            </p>
            <h1 className="text-2xl">{cup.name}</h1>
            <p className="text-sm" role="status">
                <strong>{volumeWords(cup.millilitres.toFixed(2))}</strong>, open for {minutesWords(age)};{' '}
                {left > 0 ? `good for about ${minutesWords(left)} more` : 'past its pot life: test it first'}
                {waiting > 0 && `; ${many(waiting, 'change')} not sent yet`}
            </p>
        </header>
    );
}

function Contents({ page }: { page: Page }) {
    const { cup, problem, change } = page;
    return (
        <section className="flex min-w-0 flex-col gap-4">
            <CupHead page={page} />
            {problem !== null && <Notice strong>{problem}</Notice>}
            <Refused
                changes={page.refusals.map(({ queued, reason }) => ({ key: queued.key, words: queued.act, reason }))}
                onAgain={page.again}
                onDrop={page.settle}
            />
            {cup.emptied && (
                <Notice>
                    This cup was emptied.{' '}
                    <button
                        type="button"
                        className="font-bold underline"
                        onClick={() => {
                            void change('POST', url('cups.restore', { cup: cup.id })).then(() => {
                                router.reload({ only: ['openCups'] });
                            });
                        }}
                    >
                        Undo
                    </button>
                </Notice>
            )}
            {cup.target !== null && cup.dry !== null && cup.difference !== null && cup.likeness !== null ? (
                <EdgeToEdge
                    left={cup.target}
                    right={cup.dry}
                    leftName="Wanted"
                    rightName="This cup, dry"
                    difference={cup.difference}
                    likeness={cup.likeness}
                    height={200}
                />
            ) : (
                cup.dry !== null && <Swatch colour={cup.dry} name="Dry, thick" height={200} />
            )}
            {cup.wet !== null && cup.overBlack !== null && cup.overWhite !== null && (
                <div className="flex" aria-label="Wet, and one coat">
                    <Swatch colour={cup.wet} name="Wet" height={72} />
                    <Swatch colour={cup.overBlack} name="A coat over black" height={72} />
                    <Swatch colour={cup.overWhite} name="A coat over white" height={72} />
                </div>
            )}
            <Recipe cup={cup} />
        </section>
    );
}
