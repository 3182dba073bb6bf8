import { useState, type Dispatch, type SetStateAction } from 'react';
import type { StepChange } from '@/features/bench/use-run';
import { MixEditor } from '@/features/finish/layer-editor';
import { Button } from '@/shared/ui/button';
import { mixWords } from '@/shared/ui/drops';
import { Field, TextArea } from '@/shared/ui/field';
import type { PotProps, RunStepProps } from '@/types/generated';

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
    onRepair,
}: {
    step: RunStepProps;
    onSkip: (reason: string) => void;
    onAgain: () => void;
    onRepair: (words: string) => void;
}) {
    const [reason, setReason] = useState('');
    const [repair, setRepair] = useState('');
    return (
        <div className="flex flex-col gap-5">
            <SkipForm onSkip={onSkip} reason={reason} setReason={setReason} />
            <RepairForm onRepair={onRepair} repair={repair} setRepair={setRepair} />
            <Button className="self-start" onClick={onAgain}>
                Do step {step.position} again, as a new step
            </Button>
        </div>
    );
}

function RepairForm({
    onRepair,
    repair,
    setRepair,
}: {
    onRepair: (words: string) => void;
    repair: string;
    setRepair: Dispatch<SetStateAction<string>>;
}) {
    return (
        <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                onRepair(repair.trim());
            }}
        >
            <div className="flex-1">
                <Field
                    label="Unplanned repair"
                    placeholder="overspray on the rock, brushed over"
                    maxLength={300}
                    value={repair}
                    onChange={(event) => {
                        setRepair(event.target.value);
                    }}
                />
            </div>
            <Button type="submit" disabled={repair.trim() === ''}>
                Insert step
            </Button>
        </form>
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
