import { useState } from 'react';
import { MixEditor } from '@/features/finish/layer-editor';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Pick } from '@/shared/ui/pick';
import { Stepper } from '@/shared/ui/stepper';
import type { DropsProps, PotProps, Technique } from '@/types/generated';
import { LIMITS } from '@/types/limits';

export type Repair = {
    words: string;
    areaId?: number;
    technique?: Technique;
    coats?: number;
    mix?: { paintId: number; drops: number }[];
};

const NO_PAINT = 'none';

/** A repair: in words, or as a layer with its area, technique and pots, which the section then shows. */
export function RepairForm({
    areas,
    techniques,
    pots,
    onRepair,
}: {
    areas: readonly { id: number; name: string }[];
    techniques: readonly Technique[];
    pots: readonly PotProps[];
    onRepair: (repair: Repair) => void;
}) {
    const [words, setWords] = useState('');
    const [area, setArea] = useState(NO_PAINT);
    const [technique, setTechnique] = useState<Technique>('layer');
    const [coats, setCoats] = useState(1);
    const [mix, setMix] = useState<readonly DropsProps[]>([]);
    const paints = area !== NO_PAINT;
    return (
        <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                onRepair({
                    words: words.trim(),
                    ...(paints
                        ? {
                              areaId: Number(area),
                              technique,
                              coats,
                              mix: mix.map(({ paintId, drops }) => ({ paintId, drops })),
                          }
                        : {}),
                });
            }}
        >
            <Field
                label="Unplanned repair"
                placeholder="overspray on the rock, brushed over"
                maxLength={300}
                value={words}
                onChange={(event) => {
                    setWords(event.target.value);
                }}
            />
            <Pick
                label="Paint on"
                value={area}
                options={[
                    { value: NO_PAINT, label: 'no paint' },
                    ...areas.map((a) => ({ value: String(a.id), label: a.name })),
                ]}
                onPick={setArea}
            />
            {paints && (
                <>
                    <div className="grid grid-cols-2 gap-3">
                        <Pick<Technique>
                            label="Technique"
                            value={technique}
                            options={techniques.map((t) => ({ value: t, label: t }))}
                            onPick={setTechnique}
                        />
                        <Stepper label="Coats" value={coats} {...LIMITS.coats} onChange={setCoats} />
                    </div>
                    <MixEditor mix={mix} pots={pots} onChange={setMix} />
                </>
            )}
            <Button type="submit" className="self-start" disabled={words.trim() === '' || (paints && mix.length === 0)}>
                Insert step
            </Button>
        </form>
    );
}
