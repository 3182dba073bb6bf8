import { capital, minutesWords } from '@/shared/lib/format';
import type { OrderProps, OrderStepProps } from '@/types/generated';
import { short } from './order';
import { inOwnUnits, lengthWords } from '@/shared/lib/units';

const ROW = 22;
const GAP = 120;
const SIDE = 420;

/** Two orders of the same steps side by side: a line for each step, those that moved drawn strong. */
export function OrdersBeside({
    planned,
    own,
    chosen,
    onChoose,
}: {
    planned: OrderProps;
    own: { order: OrderProps; steps: readonly OrderStepProps[] };
    chosen: string | null;
    onChoose: (id: string) => void;
}) {
    const at = new Map(own.steps.map((step, i) => [step.id, i]));
    const stay = unmoved(planned.steps.map((step) => at.get(step.id) ?? -1));
    const height = Math.max(planned.steps.length, own.steps.length) * ROW + 8;
    return (
        <div
            className="absolute inset-0 overflow-auto p-2"
            tabIndex={0}
            aria-label="The planned order compared with yours"
        >
            <div className="grid text-sm font-semibold" style={{ gridTemplateColumns: `${SIDE}px ${GAP}px ${SIDE}px` }}>
                <p>Planned: {costWords(planned)}</p>
                <span />
                <p>Yours: {costWords(own.order)}</p>
            </div>
            <div className="relative flex" style={{ height, width: 2 * SIDE + GAP }}>
                <Column steps={planned.steps} moved={(i) => !stay.has(i)} chosen={chosen} onChoose={onChoose} />
                <svg width={GAP} height={height} className="shrink-0" aria-hidden>
                    {planned.steps.map((step, i) => {
                        const to = at.get(step.id);
                        if (to === undefined) return null;
                        const strong = !stay.has(i) || step.id === chosen;
                        return (
                            <path
                                key={step.id}
                                d={`M0,${(i + 0.5) * ROW}C${GAP / 2},${(i + 0.5) * ROW} ${GAP / 2},${(to + 0.5) * ROW} ${GAP},${(to + 0.5) * ROW}`}
                                fill="none"
                                stroke={strong ? 'var(--ink)' : 'var(--strong)'}
                                strokeWidth={strong ? 2.5 : 1}
                            />
                        );
                    })}
                </svg>
                <Column
                    steps={own.steps}
                    moved={(i) => !stay.has(planned.steps.findIndex((step) => step.id === own.steps[i]?.id))}
                    chosen={chosen}
                    onChoose={onChoose}
                />
            </div>
        </div>
    );
}

function Column({
    steps,
    moved,
    chosen,
    onChoose,
}: {
    steps: readonly OrderStepProps[];
    moved: (index: number) => boolean;
    chosen: string | null;
    onChoose: (id: string) => void;
}) {
    return (
        <ol style={{ width: SIDE }} className="shrink-0">
            {steps.map((step, i) => (
                <li key={step.id} style={{ height: ROW }}>
                    <button
                        type="button"
                        className={`flex h-full w-full items-center gap-2 truncate px-1 text-left text-xs ${
                            step.id === chosen ? 'bg-ink text-inverse' : moved(i) ? 'font-bold' : ''
                        }`}
                        onClick={() => {
                            onChoose(step.id);
                        }}
                    >
                        <span className="w-6 shrink-0 text-right">{i + 1}</span>
                        <span className="truncate">
                            {capital(
                                short(
                                    step.areaNames.length === 1
                                        ? `${step.areaNames[0] ?? ''}: ${inOwnUnits(step.words)}`
                                        : inOwnUnits(step.words),
                                ),
                            )}
                        </span>
                    </button>
                </li>
            ))}
        </ol>
    );
}

function costWords(order: OrderProps): string {
    return `${lengthWords(Math.round(order.maskMm))} of masking, ${minutesWords(Math.round(order.cost))} of masking and preferences (estimate)`;
}

/** Places of the longest run of steps that keep their order: all others were moved. */
export function unmoved(places: readonly number[]): Set<number> {
    const best: { length: number; before: number }[] = [];
    let last = -1;
    for (let i = 0; i < places.length; i++) {
        best[i] = { length: 1, before: -1 };
        for (let j = 0; j < i; j++) {
            const length = (best[j]?.length ?? 0) + 1;
            if ((places[j] ?? 0) < (places[i] ?? 0) && length > (best[i]?.length ?? 0)) best[i] = { length, before: j };
        }
        if (last < 0 || (best[i]?.length ?? 0) > (best[last]?.length ?? 0)) last = i;
    }
    const kept = new Set<number>();
    for (let i = last; i >= 0; i = best[i]?.before ?? -1) kept.add(i);
    return kept;
}
