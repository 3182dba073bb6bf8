import clsx from 'clsx';
import { useState } from 'react';
import { ZONES } from '@/shared/lib/format';
import type { ColourProps } from '@/types/generated';
import type { TaskProps } from './index';

/** A painted area before its wash, and what may come of it. */
export function WashTask({ round, onAnswer }: TaskProps) {
    const [chosen, setChosen] = useState<number | null>(null);
    const [before, ...after] = round.strips;
    const right = round.right?.[0] ?? null;
    return (
        <div className="flex max-w-3xl flex-col gap-4">
            <div>
                <p className="mb-1 text-sm">{round.subject}: before the wash, from recess to edge</p>
                {before && <Strip strip={before} />}
            </div>
            <ol className="flex flex-col gap-3">
                {after.map((strip, i) => (
                    <li key={i}>
                        <button
                            type="button"
                            aria-label={`Strip ${i + 1}`}
                            aria-pressed={chosen === i}
                            disabled={right !== null}
                            className={clsx(
                                'block w-full border-2 p-1 text-left text-sm',
                                chosen === i ? 'border-ink' : 'border-line',
                            )}
                            onClick={() => {
                                setChosen(i);
                                onAnswer([i]);
                            }}
                        >
                            <Strip strip={strip} />
                            {right === i && <strong>This is what the wash does (estimate).</strong>}
                            {right !== null && right !== i && chosen === i && 'Not this one.'}
                        </button>
                    </li>
                ))}
            </ol>
        </div>
    );
}

function Strip({ strip }: { strip: readonly ColourProps[] }) {
    return (
        <span className="flex h-14">
            {strip.map((colour, i) => (
                <span key={ZONES[i]} className="flex-1" style={{ background: colour.hex }} title={ZONES[i]} />
            ))}
        </span>
    );
}
