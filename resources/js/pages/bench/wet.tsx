import { Hand } from 'lucide-react';
import { areasWords, whenWords } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import type { RunStepProps, StepWaitProps } from '@/types/generated';

/** What still holds a step up at this moment; null when it can be done, or the painter went on all the same. */
export function heldBy(waits: readonly StepWaitProps[], step: RunStepProps, now: number): StepWaitProps | null {
    const wait = waits.find((w) => w.stepId === step.id);
    return wait && !step.wentOnWet && step.state === 'open' && Date.parse(wait.until) > now ? wait : null;
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
