import { Link } from '@inertiajs/react';
import { capital, minutesWords, whenWords } from '@/shared/lib/format';
import { useNow } from '@/shared/lib/use-now';
import type { TonightProps, TonightStepProps } from '@/types/generated';

/** What a painter asks on sitting down: which step, which cup, what is dry, what fits into the time left. */
export function Tonight({ tonight }: { tonight: TonightProps | undefined }) {
    const now = useNow(30_000);
    if (!tonight || tonight.steps.length === 0) return null;
    const fits = tonight.steps.filter((step) => step.fits);
    return (
        <section aria-label="At the bench now" className="border border-ink bg-raised p-4">
            <header className="flex flex-wrap items-baseline justify-between gap-x-4">
                <h2 className="text-lg">At the bench now</h2>
                <p className="text-sm">{sessionWords(tonight, now)}</p>
            </header>
            <ul className="mt-2 flex flex-col">
                {tonight.steps.map((step) => (
                    <li key={step.stepId} className="border-t border-line">
                        <Row step={step} now={now} />
                    </li>
                ))}
            </ul>
            {fits.length > 0 && (
                <p className="mt-2 text-xs text-quiet">
                    ● fits into the {minutesWords(tonight.minutesLeft)}{' '}
                    {tonight.isOn ? 'left of this session' : 'of your next session'} (estimate).
                </p>
            )}
        </section>
    );
}

function sessionWords(tonight: TonightProps, now: number): string {
    if (tonight.session === null) return 'No session is planned.';
    return tonight.isOn
        ? `${minutesWords(tonight.minutesLeft)} left of this session`
        : `Your next session begins ${whenWords(Date.parse(tonight.session), now)}`;
}

function Row({ step, now }: { step: TonightStepProps; now: number }) {
    const at = step.readyAt === null ? null : Date.parse(step.readyAt);
    const isReady = at === null || at <= now;
    return (
        <Link href={step.url} className="flex flex-wrap items-center gap-x-3 gap-y-1 py-2 hover:bg-sunk">
            <span className="flex w-10 shrink-0" aria-hidden>
                {step.hexes.map((hex, i) => (
                    <span key={i} className="h-6 flex-1 border border-strong" style={{ background: hex }} />
                ))}
            </span>
            <span className="min-w-0 flex-1">
                <span className="block leading-tight font-medium">
                    {step.fits && <span aria-label="fits into the time left">● </span>}
                    {capital(step.title)}: {step.where}
                </span>
                <span className="text-xs text-quiet">
                    {step.figure}, step {step.position}, about {minutesWords(step.minutes)}
                    {step.cup !== null && `; cup "${step.cup}" stands open`}
                </span>
            </span>
            <span className="text-sm">
                {isReady ? <strong>ready</strong> : `dry ${whenWords(at, now)} (${step.because ?? ''})`}
            </span>
        </Link>
    );
}
