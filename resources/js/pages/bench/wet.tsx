import { Hand } from 'lucide-react';
import { areasWords, whenWords } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import type { RunStepProps, StepWaitProps } from '@/types/generated';

/** What still holds a step up at this moment; null when it can be done, or the painter went on all the same. */
export function heldBy(
    waits: readonly StepWaitProps[],
    step: RunStepProps,
    now: number,
    steps: readonly RunStepProps[] = [],
): StepWaitProps | null {
    if (step.wentOnWet || step.state !== 'open') return null;
    const told = waits.find((w) => w.stepId === step.id && Date.parse(w.until) > now) ?? null;
    // What was painted while the server is out of reach holds as well: the later of both.
    return steps.reduce((held: StepWaitProps | null, done) => {
        const until = dryFor(done, step);
        return until > now && (held === null || until > Date.parse(held.until))
            ? {
                  stepId: step.id,
                  until: new Date(until).toISOString(),
                  because: `${done.title}, ${areasWords(done.areaNames)}`,
              }
            : held;
    }, told);
}

/** Minutes that paint is left before tape goes on it: core/Bench/WorkLags. */
const BEFORE_TAPE = 60;

/** When what one step put on is dry for another, by the rules of core/Bench/WetPaint; never when it does not matter. */
function dryFor(done: RunStepProps, step: RunStepProps): number {
    // What does not dry holds nothing, however old the clock of the page is.
    if (
        done.doneAt === null ||
        done.dryingMinutes === 0 ||
        done.state !== 'done' ||
        done.id === step.id ||
        done.copy !== step.copy
    )
        return -Infinity;
    if (step.kind === 'peel') return -Infinity;
    const doneAt = Date.parse(done.doneAt);
    const dry = doneAt + done.dryingMinutes * 60_000;
    const share = (one: readonly number[], other: readonly number[]) => one.some((id) => other.includes(id));
    if (share(done.areaIds, step.areaIds) && step.technique !== 'wet blend' && done.kind !== 'mask') {
        return step.kind === 'mask' ? Math.max(dry, doneAt + BEFORE_TAPE * 60_000) : dry;
    }
    const isWhole = done.areaIds.length === 0 || step.areaIds.length === 0 || done.kind === 'prime';
    return isWhole && share(done.partIds, step.partIds) ? dry : -Infinity;
}

/** Wet paint holds the bench: not before, meanwhile, or on all the same. */
export function Wet({
    wait,
    now,
    meanwhile,
    onGo,
    onAnyway,
}: {
    wait: StepWaitProps;
    now: number;
    meanwhile: RunStepProps | null;
    onGo: (position: number) => void;
    onAnyway: () => void;
}) {
    return (
        <section aria-label="Wet paint" className="flex flex-col gap-2 border-l-8 border-ink bg-raised p-2 sm:p-3">
            <p className="text-base leading-snug sm:text-xl">
                <Hand size={22} aria-hidden className="mr-2 inline" />
                <strong>Not yet: dry {whenWords(Date.parse(wait.until), now)}.</strong> Still wet: {wait.because}.
            </p>
            <div className="flex flex-wrap gap-2">
                {meanwhile && (
                    <Button
                        look="main"
                        onClick={() => {
                            onGo(meanwhile.position);
                        }}
                    >
                        Meanwhile: {meanwhile.title}, {areasWords(meanwhile.areaNames)} (step {meanwhile.position})
                    </Button>
                )}
                <Button onClick={onAnyway}>Go on anyway</Button>
            </div>
        </section>
    );
}
