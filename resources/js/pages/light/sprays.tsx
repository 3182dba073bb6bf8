import { useState } from 'react';
import { Choice } from '@/shared/ui/choice';
import { Slide } from '@/shared/ui/slide';
import type { LightProps, SprayProps } from '@/types/generated';

export type SprayChange = Partial<Pick<SprayProps, 'elevation' | 'side' | 'spread' | 'passes'>>;

const NAMES: Record<string, string> = {
    'zenithal spray': 'From above',
    'spray from 45 degrees': 'From the side',
    'spray from below': 'From below',
};

const PASSES = ['0', '1', '2', '3', '4'];

/** The directed sprays: how often, from where, how wide. Shadows are known, so each change is seen at once. */
export function Sprays({
    light,
    shown,
    onShow,
    onSet,
}: {
    light: LightProps;
    /** Which of them the exposure is shown of. */
    shown: number;
    onShow: (index: number) => void;
    onSet: (technique: string, change: SprayChange) => void;
}) {
    const spray = light.sprays[shown] ?? light.sprays[0];
    if (!spray) return null;
    const set = (change: SprayChange) => {
        onSet(spray.technique, change);
    };
    return (
        <fieldset className="flex flex-col gap-2">
            <legend className="sr-only">Primer sprays</legend>
            <Choice
                label="Spray"
                value={String(shown)}
                options={light.sprays.map((s, i) => ({
                    value: String(i),
                    label: `${NAMES[s.technique] ?? s.technique}${s.passes > 0 ? ` x ${s.passes}` : ''}`,
                }))}
                onChoose={(value) => {
                    onShow(Number(value));
                }}
            />
            <div className="flex items-center gap-2">
                <span className="shrink-0">passes</span>
                <Choice
                    label="Passes"
                    value={String(spray.passes)}
                    options={PASSES.map((value) => ({ value, label: value }))}
                    onChoose={(passes) => {
                        set({ passes: Number(passes) });
                    }}
                />
            </div>
            {/* Another spray has other settings: its sliders begin anew. */}
            <Adjust key={spray.technique} spray={spray} onSet={set} />
        </fieldset>
    );
}

function Adjust({ spray, onSet }: { spray: SprayProps; onSet: (change: SprayChange) => void }) {
    const [value, setValue] = useState({ spread: spray.spread, elevation: spray.elevation, side: spray.side });
    return (
        <>
            <Slide
                label="Half angle of the spray cone, degrees"
                said={`cone ${value.spread}°`}
                min={5}
                max={90}
                step={5}
                value={value.spread}
                onSlide={(spread) => {
                    setValue({ ...value, spread });
                }}
                onSet={(spread) => {
                    onSet({ spread });
                }}
            />
            <Slide
                label="Height of the spray, degrees over the horizon"
                said={`height ${value.elevation}°`}
                min={-90}
                max={90}
                step={5}
                value={value.elevation}
                onSlide={(elevation) => {
                    setValue({ ...value, elevation });
                }}
                onSet={(elevation) => {
                    onSet({ elevation });
                }}
            />
            {Math.abs(value.elevation) < 90 && (
                <Slide
                    label="Side of the spray, degrees from the front"
                    said={`side ${value.side}°`}
                    min={-180}
                    max={180}
                    step={15}
                    value={value.side}
                    onSlide={(side) => {
                        setValue({ ...value, side });
                    }}
                    onSet={(side) => {
                        onSet({ side });
                    }}
                />
            )}
        </>
    );
}
