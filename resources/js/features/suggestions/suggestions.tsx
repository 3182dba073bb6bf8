import { useEffect, useState } from 'react';
import { ApiError, send } from '@/shared/lib/api';
import { dilutionWords, many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { mixWords } from '@/shared/ui/drops';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Stepper } from '@/shared/ui/stepper';
import type {
    SuggestionsProps,
    DropsProps,
    HueDrift,
    RampStepProps,
    SettingProps,
    UndercoatProps,
    Zone,
} from '@/types/generated';

const DRIFTS: readonly HueDrift[] = ['straight', 'warmer light, cooler shade', 'cooler light, warmer shade'];

type Props = {
    figureId: number;
    areaId: number;
    layers: unknown;
    index: number;
    zone: Zone;
    onSetting: (coats: number, thinner: number) => void;
    onLayer: (mix: DropsProps[], zones: Zone[]) => void;
};

/** What could be done about a layer: other coats or thinner, another undercoat, lights and shades from the same cup. */
export function Advice({ figureId, areaId, layers, index, zone, onSetting, onLayer }: Props) {
    const [contrast, setContrast] = useState(9);
    const [drift, setDrift] = useState<HueDrift>('straight');
    const [advice, setAdvice] = useState<SuggestionsProps | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const question = JSON.stringify({ layers, index, zone, contrast, drift });

    useEffect(() => {
        const controller = new AbortController();
        const timer = window.setTimeout(() => {
            send<SuggestionsProps>(
                'POST',
                url('finishes.advice', { figure: figureId, area: areaId }),
                JSON.parse(question),
                controller.signal,
            )
                .then((answer) => {
                    setAdvice(answer);
                    setProblem(null);
                })
                .catch((error: unknown) => {
                    if (error instanceof ApiError) setProblem(error.message);
                });
        }, 150);
        return () => {
            window.clearTimeout(timer);
            controller.abort();
        };
    }, [figureId, areaId, question]);

    if (problem !== null) return <Notice strong>{problem}</Notice>;
    if (advice === null) return <p className="text-sm text-quiet">Calculating.</p>;
    return (
        <section aria-label="Suggestions" className="flex flex-col gap-5">
            {advice.setting !== null && <Setting setting={advice.setting} zone={zone} onSetting={onSetting} />}
            {advice.undercoats.length > 0 && <Undercoats undercoats={advice.undercoats} />}
            <div className="flex flex-col gap-2">
                <h3 className="text-base font-semibold">Highlights and shadows from the same cup</h3>
                <div className="grid grid-cols-2 gap-3">
                    <Stepper label="L* per step" value={contrast} min={3} max={24} step={3} onChange={setContrast} />
                    <Pick<HueDrift>
                        label="Hue"
                        value={drift}
                        options={DRIFTS.map((d) => ({ value: d, label: d }))}
                        onPick={setDrift}
                    />
                </div>
                <RampView ramp={advice.ramp} onLayer={onLayer} />
            </div>
        </section>
    );
}

function Setting({
    setting,
    zone,
    onSetting,
}: {
    setting: SettingProps;
    zone: Zone;
    onSetting: (coats: number, thinner: number) => void;
}) {
    return (
        <div className="flex flex-col gap-2">
            <h3 className="text-base font-semibold">Same mix, other coats or thinner</h3>
            <div className="flex items-center gap-3">
                <span className="h-12 w-16 shrink-0" style={{ background: setting.colour.hex }} aria-hidden />
                <p className="text-sm">
                    <strong>{many(setting.coats, 'coat')}</strong>, {dilutionWords(setting.thinner)}: the {zone} ends at
                    ΔE {one(setting.difference)}, {setting.likeness}.
                </p>
            </div>
            <Button
                onClick={() => {
                    onSetting(setting.coats, setting.thinner);
                }}
            >
                Apply
            </Button>
        </div>
    );
}

function Undercoats({ undercoats }: { undercoats: readonly UndercoatProps[] }) {
    return (
        <div className="flex flex-col gap-1">
            <h3 className="text-base font-semibold">This mix over your primers</h3>
            <ol className="flex flex-col">
                {undercoats.map((undercoat) => (
                    <li key={undercoat.name} className="flex items-center gap-3 border-t border-line py-1.5 text-sm">
                        <span className="flex h-9 w-20 shrink-0" aria-hidden>
                            <span className="flex-1" style={{ background: undercoat.hex }} />
                            <span className="flex-[2]" style={{ background: undercoat.colour.hex }} />
                        </span>
                        <span className="flex-1">{undercoat.name}</span>
                        <span>
                            <strong>{many(undercoat.coats, 'coat')}</strong>, ΔE {one(undercoat.difference)}
                        </span>
                    </li>
                ))}
            </ol>
        </div>
    );
}

function RampView({
    ramp,
    onLayer,
}: {
    ramp: readonly RampStepProps[];
    onLayer: (mix: DropsProps[], zones: Zone[]) => void;
}) {
    if (ramp.length === 0)
        return <p className="text-sm">No pot on the shelf takes this mix that far. Try a smaller step.</p>;
    return (
        <ol className="flex flex-col">
            {ramp.map((step) => (
                <li key={step.step} className="flex items-center gap-3 border-t border-line py-1.5 text-sm">
                    <span className="h-12 w-16 shrink-0" style={{ background: step.colour.hex }} aria-hidden />
                    <span className="flex-1">
                        <strong>{step.step > 0 ? `light ${step.step}` : `shade ${-step.step}`}</strong>
                        <span className="block">add {mixWords(step.added)}</span>
                        <span className="block text-xs text-quiet">{mixWords(step.mix)} in total</span>
                    </span>
                    <Button
                        size="small"
                        onClick={() => {
                            onLayer(step.mix, zonesOf(step.step));
                        }}
                    >
                        Add as a layer
                    </Button>
                </li>
            ))}
        </ol>
    );
}

function zonesOf(step: number): Zone[] {
    if (step >= 2) return ['edge'];
    if (step === 1) return ['light', 'edge'];
    return step === -1 ? ['recess', 'shade'] : ['recess'];
}
