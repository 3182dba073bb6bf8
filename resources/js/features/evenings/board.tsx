import { capital } from '@/shared/lib/format';
import type { EveningProps, EveningStepProps } from '@/types/generated';

const LANE = 22;

/** Evenings from top to bottom, each on the same scale of minutes; within one, a lane for each figure. */
export function EveningBoard({
    evenings,
    chosen,
    onChoose,
}: {
    evenings: readonly EveningProps[];
    chosen: string | null;
    onChoose: (step: EveningStepProps) => void;
}) {
    const figures = [...new Set(evenings.flatMap((e) => e.steps.map((s) => s.figure)))];
    const longest = Math.max(1, ...evenings.map((e) => span(e.start, e.end)));
    return (
        <ol>
            {evenings.map((evening) => {
                const lanes = figures.filter((f) => evening.steps.some((s) => s.figure === f));
                return (
                    <li key={evening.start} className="flex border-b border-line">
                        <p className="w-40 shrink-0 p-2 text-sm leading-tight">
                            <strong>
                                {new Date(evening.start).toLocaleDateString(undefined, {
                                    weekday: 'short',
                                    day: 'numeric',
                                    month: 'short',
                                })}
                            </strong>
                            <span className="block text-xs text-quiet">
                                {clock(evening.start)} to {clock(evening.end)}
                            </span>
                        </p>
                        <div className="min-w-0 flex-1 py-1.5 pr-2">
                            {lanes.map((figure) => (
                                <Lane
                                    key={figure}
                                    figure={figure}
                                    evening={evening}
                                    longest={longest}
                                    chosen={chosen}
                                    onChoose={onChoose}
                                />
                            ))}
                        </div>
                    </li>
                );
            })}
        </ol>
    );
}

function Lane({
    figure,
    evening,
    longest,
    chosen,
    onChoose,
}: {
    figure: string;
    evening: EveningProps;
    longest: number;
    chosen: string | null;
    onChoose: (step: EveningStepProps) => void;
}) {
    return (
        <div className="flex items-center gap-2">
            <span className="hidden w-40 shrink-0 truncate text-xs text-quiet sm:inline" title={figure}>
                {figure}
            </span>
            <div className="relative flex-1" style={{ height: LANE }}>
                <div
                    className="absolute inset-y-0.5 left-0 bg-sunk"
                    style={{ width: `${(100 * span(evening.start, evening.end)) / longest}%` }}
                />
                {evening.steps
                    .filter((step) => step.figure === figure)
                    .map((step) => (
                        <button
                            key={`${step.id} ${step.start}`}
                            type="button"
                            title={`${step.what}, ${step.where}`}
                            aria-label={`${clock(step.start)}, ${figure}: ${step.what}, ${step.where}`}
                            aria-pressed={step.id === chosen}
                            className={`absolute inset-y-0 truncate border px-1 text-left text-xs leading-none ${
                                step.id === chosen ? 'border-ink bg-ink text-inverse' : 'border-strong bg-raised'
                            }`}
                            style={{
                                left: `${(100 * span(evening.start, step.start)) / longest}%`,
                                width: `max(24px, ${(100 * span(step.start, step.end)) / longest}%)`,
                            }}
                            onClick={() => {
                                onChoose(step);
                            }}
                        >
                            {capital(step.what)}
                        </button>
                    ))}
            </div>
        </div>
    );
}

function span(from: string, to: string): number {
    return (Date.parse(to) - Date.parse(from)) / 60_000;
}

function clock(iso: string): string {
    return new Date(iso).toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit' });
}
