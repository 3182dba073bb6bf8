import { useState } from 'react';
import { Choice } from '@/shared/ui/choice';
import { Button } from '@/shared/ui/button';
import { Slide } from '@/shared/ui/slide';
import { Tick } from '@/shared/ui/tick';
import { lengthUnit, lengthWords } from '@/shared/lib/units';
import type { LightProps, SprayProps } from '@/types/generated';

export type SprayChange = Partial<Pick<SprayProps, 'elevation' | 'side' | 'spread' | 'passes' | 'distance' | 'aim'>>;

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
    onAim,
}: {
    light: LightProps;
    /** Which of them the exposure is shown of. */
    shown: number;
    onShow: (index: number) => void;
    onSet: (technique: string, change: SprayChange) => void;
    /** A press on the mesh says where it points. */
    onAim: (technique: string) => void;
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
            <Nozzle
                key={`nozzle ${spray.technique}`}
                spray={spray}
                size={light.sizeMm}
                onSet={set}
                onAim={() => {
                    onAim(spray.technique);
                }}
            />
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

/** A spray from a place near by: how far, and where it points. */
function Nozzle({
    spray,
    size,
    onSet,
    onAim,
}: {
    spray: SprayProps;
    size: number;
    onSet: (change: SprayChange) => void;
    onAim: () => void;
}) {
    const [distance, setDistance] = useState(spray.distance);
    // From close by to where a hand holds it at most.
    const least = Math.max(20, Math.ceil((0.8 * size) / 10) * 10);
    const most = Math.max(400, 10 * Math.ceil(size / 4));
    return (
        <>
            <Tick
                checked={distance !== null}
                onTick={(isNear) => {
                    const next = isNear ? Math.max(least, Math.min(most, 150)) : null;
                    setDistance(next);
                    onSet(next === null ? { distance: null, aim: null } : { distance: next });
                }}
            >
                from a place near by
            </Tick>
            {distance !== null && (
                <>
                    <Slide
                        label={`Distance of the nozzle, ${lengthUnit()}`}
                        said={`${lengthWords(distance)} away`}
                        min={least}
                        max={most}
                        step={10}
                        value={distance}
                        onSlide={setDistance}
                        onSet={(next) => {
                            onSet({ distance: next });
                        }}
                    />
                    <div className="flex items-center gap-2 text-xs">
                        <span>{spray.aim === null ? 'points at the middle' : 'points where you clicked'}</span>
                        <Button size="small" onClick={onAim}>
                            Point it
                        </Button>
                        {spray.aim !== null && (
                            <Button
                                size="small"
                                look="quiet"
                                onClick={() => {
                                    onSet({ aim: null });
                                }}
                            >
                                At the middle
                            </Button>
                        )}
                    </div>
                </>
            )}
        </>
    );
}
