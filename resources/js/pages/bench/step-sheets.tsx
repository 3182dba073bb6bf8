import { useState, type Dispatch, type ReactNode, type SetStateAction } from 'react';
import type { StepChange } from '@/features/bench/use-run';
import { MixEditor } from '@/features/finish/layer-editor';
import { Button } from '@/shared/ui/button';
import { mixWords } from '@/shared/ui/drops';
import { Field, TextArea } from '@/shared/ui/field';
import type { PotProps, RunStepProps, StepVerdict } from '@/types/generated';

/** What was really used at a step: mix, coats, drops, minutes, and a note for the next time. */
type UsedProps = {
    step: RunStepProps;
    pots: readonly PotProps[];
    onSave: (change: StepChange) => void;
};

export function Used({ step, pots, onSave }: UsedProps) {
    const [mix, setMix] = useState(step.usedMix ?? step.plannedMix);
    const [coats, setCoats] = useState(String(step.usedCoats ?? ''));
    const [drops, setDrops] = useState(String(step.usedDrops ?? ''));
    const [minutes, setMinutes] = useState(String(step.usedMinutes ?? ''));
    const [note, setNote] = useState(step.note ?? '');
    const paints = step.plannedMix.length > 0;
    const planned = mixWords(mix) === mixWords(step.plannedMix);
    const estimated = step.need?.cup.reduce((sum, entry) => sum + entry.drops, 0);
    return (
        <form
            className="flex flex-col gap-4"
            onSubmit={(event) => {
                event.preventDefault();
                onSave({
                    ...(paints
                        ? {
                              usedMix: planned
                                  ? null
                                  : mix.map(({ paintId, drops: count }) => ({ paintId, drops: count })),
                              usedCoats: whole(coats),
                              usedDrops: whole(drops),
                          }
                        : {}),
                    usedMinutes: whole(minutes),
                    note: note.trim() === '' ? null : note,
                });
            }}
        >
            {paints && (
                <>
                    <p className="text-sm text-quiet">Planned: {mixWords(step.plannedMix)}</p>
                    <MixEditor mix={mix} pots={pots} onChange={setMix} />
                </>
            )}
            <Counts
                paints={paints}
                step={step}
                coats={coats}
                setCoats={setCoats}
                estimated={estimated}
                drops={drops}
                setDrops={setDrops}
                minutes={minutes}
                setMinutes={setMinutes}
            />
            <NoteField note={note} setNote={setNote} />
            <Button look="main" type="submit">
                Save
            </Button>
        </form>
    );
}

function whole(text: string): number | null {
    return text.trim() === '' ? null : Number(text);
}

/** Anything but done: skipped with a reason, once more, or a repair that nobody planned. */
export function Otherwise({
    step,
    onSkip,
    onAgain,
    onVerdict,
    repair,
}: {
    step: RunStepProps;
    onSkip: (reason: string) => void;
    onAgain: () => void;
    onVerdict: (verdict: StepVerdict | null) => void;
    repair: ReactNode;
}) {
    const [reason, setReason] = useState('');
    return (
        <div className="flex flex-col gap-5">
            <SkipForm onSkip={onSkip} reason={reason} setReason={setReason} />
            <Button className="self-start" onClick={onAgain}>
                {step.kind === 'prepare'
                    ? 'One more round, as a new step'
                    : `Do step ${step.position} again, as a new step`}
            </Button>
            {step.state === 'done' && <Verdict step={step} onVerdict={onVerdict} />}
            {repair}
        </div>
    );
}

/** What was done and is not to be done again: it stays in the record and is left out of a repeat. */
function Verdict({ step, onVerdict }: { step: RunStepProps; onVerdict: (verdict: StepVerdict | null) => void }) {
    const choices: [StepVerdict | null, string][] = [
        [null, 'meant so'],
        ['mistake', 'a mistake'],
        ['trial', 'a trial'],
    ];
    return (
        <fieldset className="flex flex-wrap items-center gap-2 text-sm">
            <legend className="mb-1">This step was (a mistake or a trial is left out of a repeat)</legend>
            {choices.map(([value, words]) => (
                <Button
                    key={words}
                    look={step.verdict === value ? 'main' : 'plain'}
                    aria-pressed={step.verdict === value}
                    onClick={() => {
                        onVerdict(value);
                    }}
                >
                    {words}
                </Button>
            ))}
        </fieldset>
    );
}

function SkipForm({
    onSkip,
    reason,
    setReason,
}: {
    onSkip: (reason: string) => void;
    reason: string;
    setReason: Dispatch<SetStateAction<string>>;
}) {
    return (
        <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                onSkip(reason.trim());
            }}
        >
            <div className="flex-1">
                <Field
                    label="Reason for skipping"
                    maxLength={200}
                    value={reason}
                    onChange={(event) => {
                        setReason(event.target.value);
                    }}
                />
            </div>
            <Button type="submit" disabled={reason.trim() === ''}>
                Skip this step
            </Button>
        </form>
    );
}

function Counts({
    paints,
    step,
    coats,
    setCoats,
    estimated,
    drops,
    setDrops,
    minutes,
    setMinutes,
}: {
    paints: boolean;
    step: RunStepProps;
    coats: string;
    setCoats: Dispatch<SetStateAction<string>>;
    estimated: number | undefined;
    drops: string;
    setDrops: Dispatch<SetStateAction<string>>;
    minutes: string;
    setMinutes: Dispatch<SetStateAction<string>>;
}) {
    return (
        <div className="grid grid-cols-3 gap-3">
            {paints && (
                <>
                    <Field
                        label={`Coats (planned ${step.coats})`}
                        inputMode="numeric"
                        pattern="[0-9]*"
                        title="A whole number"
                        value={coats}
                        onChange={(event) => {
                            setCoats(event.target.value);
                        }}
                    />
                    <Field
                        label={`Drops in total${estimated === undefined ? '' : ` (estimated ${estimated})`}`}
                        inputMode="numeric"
                        pattern="[0-9]*"
                        title="A whole number"
                        value={drops}
                        onChange={(event) => {
                            setDrops(event.target.value);
                        }}
                    />
                </>
            )}
            <Field
                label={`Minutes (estimated ${step.minutes})`}
                inputMode="numeric"
                pattern="[0-9]*"
                title="A whole number"
                value={minutes}
                onChange={(event) => {
                    setMinutes(event.target.value);
                }}
            />
        </div>
    );
}

function NoteField({ note, setNote }: { note: string; setNote: (value: SetStateAction<string>) => void }) {
    return (
        <TextArea
            label="Note for next time"
            maxLength={2000}
            value={note}
            onChange={(event) => {
                setNote(event.target.value);
            }}
        />
    );
}
