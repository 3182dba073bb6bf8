import clsx from 'clsx';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useEffect, useRef, type ReactNode } from 'react';
import { areasWords, capital, minutesWords } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import { inOwnUnits } from '@/shared/lib/units';
import type { OrderStepProps } from '@/types/generated';

type Props = {
    steps: readonly OrderStepProps[];
    chosen: string | null;
    broken: ReadonlySet<string>;
    dimmed: (step: OrderStepProps) => boolean;
    onChoose: (id: string) => void;
    onMove: (id: string, to: number) => void;
    /** What is said of the chosen step, where there is no room beside the list. */
    children?: ReactNode;
};

/** The order as a list to read: what, where, with which paint, how long, and what must dry then. */
export function OrderList({ steps, chosen, broken, dimmed, onChoose, onMove, children }: Props) {
    const here = useRef<HTMLLIElement>(null);
    useEffect(() => {
        here.current?.scrollIntoView({ block: 'nearest' });
    }, [chosen]);
    return (
        <ol aria-label="Steps as a list" className="flex flex-col">
            {steps.map((step, i) => {
                const isHere = step.id === chosen;
                return (
                    <li key={step.id} ref={isHere ? here : undefined} className="border-b border-line">
                        <button
                            type="button"
                            aria-current={isHere ? 'step' : undefined}
                            className={clsx(
                                'flex w-full items-center gap-2 border-l-4 px-2 py-1.5 text-left leading-tight',
                                isHere ? 'border-ink bg-raised' : 'border-transparent',
                                dimmed(step) && 'opacity-40',
                            )}
                            onClick={() => {
                                onChoose(step.id);
                            }}
                        >
                            <span className="w-6 shrink-0 text-right text-sm text-quiet">{i + 1}</span>
                            <Swatch hexes={step.hexes} />
                            <span className="min-w-0 flex-1 text-sm">
                                <span className="line-clamp-2">
                                    <strong>{capital(step.kind)}</strong> {placeWords(step)}
                                </span>
                                <span className="block text-xs text-quiet">
                                    about {minutesWords(step.minutes)}
                                    {step.dryMinutes > 0 && `, then dries ${minutesWords(step.dryMinutes)}`}
                                    {broken.has(step.id) && <strong className="text-ink">, against a hard rule</strong>}
                                </span>
                            </span>
                        </button>
                        {isHere && (
                            <div className="flex flex-col gap-2 bg-raised px-2 pb-2">
                                <div className="flex gap-2">
                                    <Button
                                        size="small"
                                        disabled={i === 0}
                                        onClick={() => {
                                            onMove(step.id, i - 1);
                                        }}
                                    >
                                        <ArrowUp size={14} aria-hidden /> Earlier
                                    </Button>
                                    <Button
                                        size="small"
                                        disabled={i === steps.length - 1}
                                        onClick={() => {
                                            onMove(step.id, i + 1);
                                        }}
                                    >
                                        <ArrowDown size={14} aria-hidden /> Later
                                    </Button>
                                </div>
                                {children}
                            </div>
                        )}
                    </li>
                );
            })}
        </ol>
    );
}

function Swatch({ hexes }: { hexes: readonly string[] }) {
    return (
        <span
            aria-hidden
            className={clsx('flex h-6 w-6 shrink-0', hexes.length > 0 ? 'border border-strong' : 'border border-line')}
        >
            {hexes.map((hex, i) => (
                <span key={i} className="flex-1" style={{ background: hex }} />
            ))}
        </span>
    );
}

/** Where a step is done: its areas, or what it says where it is the work of whole parts. */
function placeWords(step: OrderStepProps): string {
    if (step.areaNames.length > 0) return areasWords(step.areaNames);
    const own = inOwnUnits(step.words);
    const words = own.toLowerCase().startsWith(step.kind) ? own.slice(step.kind.length).trim() : own;
    return words.length > 60 ? `${words.slice(0, 58)}…` : words;
}
