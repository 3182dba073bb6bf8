import { areasWords, capital, many } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import type { RunProps, RunStepProps } from '@/types/generated';

const AWAY_HOURS = 12;

/** @returns the last finished step when that was long enough ago to have been forgotten */
export function lastDoneLongAgo(steps: readonly RunStepProps[], now: number): RunStepProps | null {
    const done = steps.filter((step) => step.doneAt !== null);
    const last = done.sort((p, q) => (p.doneAt ?? '').localeCompare(q.doneAt ?? '')).at(-1) ?? null;
    return last?.doneAt != null && now - Date.parse(last.doneAt) > AWAY_HOURS * 3_600_000 ? last : null;
}

/** After days or months: where you were, what is dry, what has to be mixed again, what you had learned. */
export function Resume({
    run,
    steps,
    last,
    now,
    onClose,
}: {
    run: RunProps;
    steps: readonly RunStepProps[];
    last: RunStepProps;
    now: number;
    onClose: () => void;
}) {
    const days = Math.round((now - Date.parse(last.doneAt ?? '')) / 86_400_000);
    const open = steps.filter((step) => step.state === 'open');
    const wet = steps.filter(
        (step) => step.doneAt !== null && Date.parse(step.doneAt) + step.dryingMinutes * 60_000 > now,
    );
    const next = open[0];
    const lessons = steps.filter((step) => step.note !== null);
    const skipped = steps.filter((step) => step.state === 'skipped');
    return (
        <section aria-label="Where you left off" className="border border-ink bg-raised p-4 text-base">
            <h2 className="text-xl font-semibold">
                Run {run.number}, {days < 1 ? 'yesterday' : `${many(days, 'day')} ago`}
            </h2>
            <p className="mt-1">
                You finished{' '}
                <strong>
                    {capital(last.title)}: {areasWords(last.areaNames)}
                </strong>{' '}
                (step {last.position}); {many(open.length, 'step')} {open.length === 1 ? 'is' : 'are'} left.{' '}
                {wet.length === 0 ? 'Everything is dry.' : `${many(wet.length, 'step')} still drying.`}
            </p>
            {next && (
                <p className="mt-1">
                    Next:{' '}
                    <strong>
                        {capital(next.title)}: {areasWords(next.areaNames)}
                    </strong>
                    {next.plannedMix.length > 0 && '. Its cup has to be remixed'}.
                </p>
            )}
            {lessons.length > 0 && <Notes lessons={lessons} />}
            {skipped.length > 0 && (
                <p className="mt-1">
                    Skipped:{' '}
                    {skipped.map((s) => `${s.title}, ${areasWords(s.areaNames)} (${s.skipReason ?? ''})`).join('; ')}
                </p>
            )}
            <Button look="main" className="mt-3" onClick={onClose}>
                Go on
            </Button>
        </section>
    );
}

function Notes({ lessons }: { lessons: RunStepProps[] }) {
    return (
        <>
            <h3 className="mt-2 text-sm text-quiet">Your notes</h3>
            <ul>
                {lessons.map((step) => (
                    <li key={step.id}>
                        {step.position}. {areasWords(step.areaNames)}: {step.note}
                    </li>
                ))}
            </ul>
        </>
    );
}
