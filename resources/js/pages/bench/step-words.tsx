import { Link, router } from '@inertiajs/react';
import { useRef, useState, type ReactNode } from 'react';
import { openCup } from '@/features/cup/open-cup';
import { ApiError, send, uploadWords } from '@/shared/lib/api';
import { sendAhead } from '@/shared/lib/incoming';
import {
    ZONES,
    areasWords,
    capital,
    dilutionWords,
    inkOn,
    many,
    minutesWords,
    whenWords,
    zoneName,
    zonesWords,
} from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useNarrow } from '@/shared/lib/use-narrow';
import { Button } from '@/shared/ui/button';
import { MixList, mixWords } from '@/shared/ui/drops';
import { Notice } from '@/shared/ui/notice';
import { Term } from '@/shared/ui/term';
import { inOwnUnits, volumeWords } from '@/shared/lib/units';
import type { AreaForm, RunProps, RunStepProps, StepCupProps } from '@/types/generated';

/** One step at arm's length: what, with which cup, where, and what comes of it. */
export function StepWords({
    run,
    step,
    meanwhile,
    now,
    onGo,
    onPhoto,
}: {
    run: RunProps;
    now: number;
    step: RunStepProps;
    meanwhile: RunStepProps | null;
    onGo: (position: number) => void;
    onPhoto: (step: RunStepProps) => void;
}) {
    return (
        <>
            <header>
                <p className="text-sm text-quiet sm:text-base">
                    Step {step.position} of {run.steps.length}
                    {step.partName === null || step.partName === step.areaName ? '' : `, ${step.partName}`}
                    {copyWords(run, step)}
                    {step.state === 'open' ? '' : `, ${step.state}`}
                    {step.skipReason !== null && `: ${step.skipReason}`}
                </p>
                <h1 className="text-xl sm:text-2xl">
                    {capital(step.title)}: {areasWords(step.areaNames)}
                </h1>
                {areasWords(step.areaNames) !== step.areaName && (
                    <p className="text-base text-quiet">{step.areaName}</p>
                )}
                <p className="mt-1 text-lg leading-snug sm:text-[1.5rem]">{inOwnUnits(step.instruction)}</p>
            </header>
            {step.lastTime !== null && <Notice strong>{step.lastTime}</Notice>}
            {step.plannedMix.length > 0 && <Mix step={step} />}
            {step.cup !== null && <OpenCup form={step.form} cup={step.cup} />}
            {Object.keys(step.plannedColours).length > 0 && <Afterwards step={step} />}
            <Dry step={step} meanwhile={meanwhile} onGo={onGo} now={now} />
            <Cautions step={step} />
            <Photos run={run} step={step} onPhoto={onPhoto} />
        </>
    );
}

function copyWords(run: RunProps, step: RunStepProps): string {
    if (run.copies === 1) return '';
    return step.copy === null ? `, on all ${run.copies}` : `, figure ${step.copy} of ${run.copies}`;
}

function Mix({ step }: { step: RunStepProps }) {
    const mix = step.usedMix ?? step.plannedMix;
    const dropSize = useNarrow() ? 24 : 34;
    return (
        <section aria-label="Mix" className="text-lg leading-snug sm:text-[1.5rem]">
            <MixList mix={mix} size={dropSize} />
            <p className="sm:mt-2">
                {step.isFromCan ? 'From the can' : capital(dilutionWords(step.thinner))}.{' '}
                {capital(many(step.usedCoats ?? step.coats, 'coat'))}, {zonesWords(step.zones, step.form)}
                {step.pressurePsi !== null && `, about ${step.pressurePsi} psi`}
                {step.pressurePsi === null && step.tool !== null && `, ${step.tool}`}.
            </p>
            {step.need !== null && (
                <p className="text-base">
                    For {step.need.figures === 1 ? 'this figure' : `${step.need.figures} figures`} about{' '}
                    <Term name="paint needed">{volumeWords(step.need.millilitres.toFixed(2))}</Term>
                    {step.need.cup.length > 0 && (
                        <>
                            : <strong>{mixWords(step.need.cup)}</strong>
                        </>
                    )}
                    <span className="text-quiet">
                        {' '}
                        (estimate
                        {step.need.learned !== 1 && `, ${step.need.learned.toFixed(1)} times the usual, from your runs`}
                        )
                    </span>
                </p>
            )}
            {step.need !== null && step.need.together.length > 0 && (
                <p className="text-base">
                    The next {step.need.next === 1 ? 'step uses' : `${step.need.next} steps use`} the same cup: for all{' '}
                    <strong>{mixWords(step.need.together)}</strong>
                    <span className="text-quiet"> (estimate)</span>
                </p>
            )}
            {step.need?.mixedFor != null && (
                <p className="text-base">
                    <strong>Mixed already:</strong> the cup for {step.need.mixedFor} serves this step too.
                </p>
            )}
            {step.usedMix !== null && <p className="text-base text-quiet">Planned: {mixWords(step.plannedMix)}.</p>}
            {step.note !== null && <p className="mt-1 text-base">Your note: {step.note}</p>}
            {step.cleaner !== null && <p className="text-base text-quiet">Clean up with {step.cleaner}.</p>}
            {!step.isFromCan && step.cup === null && (
                <Button
                    className="mt-2"
                    onClick={() => {
                        void openCup({
                            name: `${areasWords(step.areaNames)}, ${step.title}`,
                            mix,
                            drops: cupMix(step),
                            runStepId: step.id,
                        });
                    }}
                >
                    Open as a cup
                </Button>
            )}
        </section>
    );
}

/** What goes into the cup: for all steps that it serves. */
function cupMix(step: RunStepProps) {
    return step.need === null || step.need.together.length === 0 ? step.need?.cup : step.need.together;
}

/** The cup that stands open for this step: what will come of it, before it touches the figure. */
function OpenCup({ cup, form }: { cup: StepCupProps; form: AreaForm }) {
    return (
        <section aria-label="Open cup" className="flex flex-col gap-2 border border-strong bg-raised p-3 text-base">
            <p>
                <strong>A cup is open for this step:</strong> {mixWords(cup.mix)},{' '}
                {volumeWords(cup.millilitres.toFixed(2))}.{' '}
                {cup.isAsPlanned ? 'It is as planned.' : 'It differs from the plan: it will be recorded as used.'}{' '}
                <Link href={cup.url} className="underline underline-offset-4">
                    Go to the cup
                </Link>
            </p>
            {cup.colours !== null && !cup.isAsPlanned && (
                <div className="flex h-14" aria-label="Expected from this cup">
                    {ZONES.map((zone) => (
                        <div
                            key={zone}
                            className="flex flex-1 items-end p-1 text-sm"
                            style={{ background: cup.colours?.[zone], color: inkOn(cup.colours?.[zone] ?? '#808080') }}
                        >
                            {zoneName(form, zone)}
                        </div>
                    ))}
                </div>
            )}
        </section>
    );
}

function Afterwards({ step }: { step: RunStepProps }) {
    return (
        <section aria-label="Expected result" className="flex h-12 shrink-0 sm:h-24">
            {ZONES.map((zone) => {
                const hex = step.plannedColours[zone] ?? '#808080';
                return (
                    <div
                        key={zone}
                        className="flex flex-1 items-end p-1 text-sm sm:p-2 sm:text-base"
                        style={{ background: hex, color: inkOn(hex) }}
                    >
                        {zoneName(step.form, zone)}
                    </div>
                );
            })}
        </section>
    );
}

function Dry({
    step,
    meanwhile,
    onGo,
    now,
}: {
    now: number;
    step: RunStepProps;
    meanwhile: RunStepProps | null;
    onGo: (position: number) => void;
}) {
    const words: ReactNode[] = [];
    if (step.dryingMinutes > 0)
        words.push(`Then let it dry: done now, it is dry ${whenWords(now + step.dryingMinutes * 60_000, now)}. `);
    if (step.mostMinutes !== null)
        words.push(
            step.kind === 'mask'
                ? `It may stay on ${minutesWords(step.mostMinutes)}. `
                : `Take it off within ${minutesWords(step.mostMinutes)} of the last coat. `,
        );
    return (
        <p className="text-base">
            About {minutesWords(step.minutes)} <Term name="time at the bench">at the bench</Term> (estimate). {words}
            {meanwhile !== null && (
                <button
                    type="button"
                    className="text-left underline underline-offset-4"
                    onClick={() => {
                        onGo(meanwhile.position);
                    }}
                >
                    Meanwhile: {meanwhile.title}, {areasWords(meanwhile.areaNames)} (step {meanwhile.position})
                </button>
            )}
        </p>
    );
}

/** Safety is open once a session for each kind of hazard; after that it is one press away. */
const seen = new Map<string, number>();

function Cautions({ step }: { step: RunStepProps }) {
    if (step.cautions.length === 0) return null;
    const isNews = step.cautions.some((words) => {
        const first = seen.get(words);
        if (first === undefined) seen.set(words, step.id);
        return first === undefined || first === step.id;
    });
    return (
        <details key={step.id} open={isNews} className="border-l-8 border-ink bg-raised px-3 py-1 text-base">
            <summary className="cursor-pointer font-semibold">Safety</summary>
            {step.cautions.map((caution) => (
                <p key={caution}>{caution}</p>
            ))}
            <p className="text-sm text-quiet">The label, the safety data sheet and local rules come first.</p>
        </details>
    );
}

function Photos({ run, step, onPhoto }: { run: RunProps; step: RunStepProps; onPhoto: (step: RunStepProps) => void }) {
    const input = useRef<HTMLInputElement>(null);
    const [sent, setSent] = useState<number | null | undefined>(undefined);
    const [problem, setProblem] = useState<string | null>(null);

    async function add(file: File) {
        setSent(0);
        try {
            const incoming = await sendAhead(file, file.name, setSent);
            onPhoto(
                await send<RunStepProps>('POST', url('run-steps.photograph', { run: run.id, step: step.id }), {
                    incoming,
                }),
            );
            setProblem(null);
            router.reload({ only: ['figure'] });
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            setProblem(error.message);
        } finally {
            setSent(undefined);
        }
    }

    return (
        <section aria-label="Photos of this step" className="flex flex-wrap items-center gap-2">
            {step.photos.map((photo) => (
                <img key={photo.id} src={photo.url} alt={photo.title} className="h-20 border border-line" />
            ))}
            <input
                ref={input}
                type="file"
                accept="image/*"
                capture="environment"
                className="hidden"
                aria-label="Photo file"
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    if (file) void add(file);
                    event.target.value = '';
                }}
            />
            <Button
                disabled={sent !== undefined}
                onClick={() => {
                    input.current?.click();
                }}
            >
                {sent === undefined ? 'Photo of this step' : uploadWords(sent)}
            </Button>
            {problem !== null && <Notice strong>{problem}</Notice>}
        </section>
    );
}
