import { ArrowDown, ArrowUp, Minus, Plus, Trash2 } from 'lucide-react';
import { ZONES, dilutionWords, minutesWords, zoneName } from '@/shared/lib/format';
import { Button } from '@/shared/ui/button';
import { Choices } from '@/shared/ui/choice';
import { DropRow } from '@/shared/ui/drops';
import { TextArea } from '@/shared/ui/field';
import { Pick } from '@/shared/ui/pick';
import { PotMark } from '@/shared/ui/pot-mark';
import { Stepper } from '@/shared/ui/stepper';
import { Term } from '@/shared/ui/term';
import type { AreaForm, DropsProps, LayerProps, PotProps, Technique, TechniqueProps } from '@/types/generated';
import { withDrops, withPot } from './layers';
import { LIMITS } from '@/types/limits';

type Props = {
    layer: LayerProps;
    pots: readonly PotProps[];
    /** Of the area: what its zones are called. */
    form: AreaForm;
    techniques: readonly TechniqueProps[];
    isFirst: boolean;
    isLast: boolean;
    /** In this paint, at the painter's bench; null until it is predicted. */
    dryMinutes: number | null;
    onChange: (change: Partial<LayerProps>) => void;
    onTechnique: (technique: TechniqueProps) => void;
    onMove: (by: 1 | -1) => void;
    onRemove: () => void;
};

/** One layer: technique, zones, mix in drops, dilution, coats. */
export function LayerEditor(props: Props) {
    const editor = useLayer(props);
    const { layer, pots, onChange, technique } = editor;

    return (
        <div className="flex flex-col gap-3">
            <Head editor={editor} />
            {technique && (
                <p className="text-xs text-quiet">
                    {technique.instruction}{' '}
                    {props.dryMinutes !== null && `Dries in about ${minutesWords(props.dryMinutes)}. `}
                    Its deposit on each <Term name="zone" />{' '}
                    {technique.ownHand ? 'comes from your test chips.' : 'is an estimate.'}
                </p>
            )}
            <Choices
                grow
                label="Zones"
                values={layer.zones}
                options={ZONES.map((zone) => ({ value: zone, label: zoneName(props.form, zone) }))}
                onChoose={(chosen) => {
                    onChange({ zones: ZONES.filter((zone) => chosen.includes(zone)) });
                }}
            />
            <MixEditor
                mix={layer.mix}
                pots={pots}
                onChange={(mix) => {
                    onChange({ mix });
                }}
            />
            <Amounts layer={layer} onChange={onChange} />
            <p className="text-xs text-quiet">
                <Term name="thinner">{dilutionWords(layer.thinner)}</Term>
            </p>
            <TextArea
                label="Note"
                rows={2}
                maxLength={2000}
                value={layer.note ?? ''}
                onChange={(event) => {
                    onChange({ note: event.target.value === '' ? null : event.target.value });
                }}
            />
        </div>
    );
}

type Editor = ReturnType<typeof useLayer>;

function useLayer({ layer, pots, techniques, isFirst, isLast, onChange, onTechnique, onMove, onRemove }: Props) {
    const technique = techniques.find((t) => t.technique === layer.technique);
    return { layer, pots, techniques, isFirst, isLast, onChange, onTechnique, onMove, onRemove, technique };
}

/** Whole drops, added and taken. */
export function MixEditor({
    mix,
    pots,
    onChange,
}: {
    mix: readonly DropsProps[];
    pots: readonly PotProps[];
    onChange: (mix: DropsProps[]) => void;
}) {
    const button = 'border-strong bg-raised flex h-9 w-9 items-center justify-center border disabled:opacity-40';
    return (
        <div>
            <span className="mb-1 block text-xs text-quiet">Mix, in drops</span>
            <ul className="flex flex-col gap-1.5">
                {mix.map((entry) => (
                    <MixEntry
                        key={entry.paintId}
                        entry={entry}
                        button={button}
                        mix={mix}
                        onChange={onChange}
                        pots={pots}
                    />
                ))}
            </ul>
            <div className="mt-2">
                <Pick
                    label="Add a pot to the mix"
                    hideLabel
                    placeholder="Add a pot"
                    value={undefined}
                    options={pots.map((pot) => ({
                        value: String(pot.id),
                        label: `${pot.name}, ${pot.maker}`,
                        mark: <PotMark hex={pot.hex} />,
                    }))}
                    onPick={(id) => {
                        const pot = pots.find((p) => String(p.id) === id);
                        if (pot) onChange(withPot(mix, pot));
                    }}
                />
            </div>
        </div>
    );
}

function MixEntry({
    entry,
    button,
    mix,
    onChange,
    pots,
}: {
    entry: DropsProps;
    button: 'border-strong bg-raised flex h-9 w-9 items-center justify-center border disabled:opacity-40';
    mix: readonly DropsProps[];
    onChange: (mix: DropsProps[]) => void;
    pots: readonly PotProps[];
}) {
    return (
        <li className="flex items-center gap-2">
            <button
                type="button"
                className={`${button} rounded-l-sm`}
                aria-label={`Take a drop of ${entry.name}`}
                disabled={mix.length === 1 && entry.drops === 1}
                onClick={() => {
                    onChange(withDrops(mix, entry.paintId, entry.drops - 1));
                }}
            >
                <Minus size={15} aria-hidden />
            </button>
            <button
                type="button"
                className={`${button} -ml-2 rounded-r-sm border-l-0`}
                aria-label={`Add a drop of ${entry.name}`}
                onClick={() => {
                    onChange(withDrops(mix, entry.paintId, entry.drops + 1));
                }}
            >
                <Plus size={15} aria-hidden />
            </button>
            <span className="flex min-w-0 flex-1 flex-wrap items-center gap-x-2">
                <DropRow drops={entry} />
                <span className="truncate">{entry.name}</span>
                {pots.every((pot) => pot.id !== entry.paintId) && (
                    <span className="text-xs font-semibold">no longer on the shelf; kept here as it was</span>
                )}
            </span>
        </li>
    );
}

function Amounts({ layer, onChange }: { layer: LayerProps; onChange: (change: Partial<LayerProps>) => void }) {
    return (
        <div className="grid grid-cols-2 gap-3">
            <Stepper
                label="Coats"
                value={layer.coats}
                {...LIMITS.coats}
                onChange={(coats) => {
                    onChange({ coats });
                }}
            />
            {layer.technique === 'spray can' ? (
                <p className="self-end text-xs text-quiet">A can is sprayed as it is.</p>
            ) : (
                <Stepper
                    label="Thinner"
                    value={layer.thinner}
                    {...LIMITS.thinner}
                    step={layer.thinner < 2 ? 0.5 : 1}
                    words={layer.thinner === 0 ? 'none' : `1 + ${layer.thinner}`}
                    onChange={(thinner) => {
                        onChange({ thinner });
                    }}
                />
            )}
        </div>
    );
}

function Head({ editor }: { editor: Editor }) {
    const { layer, techniques, onTechnique, isLast, onMove, isFirst, onRemove } = editor;
    return (
        <div className="flex items-end gap-2">
            <div className="flex-1">
                <Pick<Technique>
                    label="Technique"
                    value={layer.technique}
                    options={techniques.map((t) => ({ value: t.technique, label: t.technique }))}
                    onPick={(value) => {
                        const next = techniques.find((t) => t.technique === value);
                        if (next) onTechnique(next);
                    }}
                />
            </div>
            <Button
                aria-label="Move this layer up"
                title="Later"
                disabled={isLast}
                onClick={() => {
                    onMove(1);
                }}
            >
                <ArrowUp size={16} aria-hidden />
            </Button>
            <Button
                aria-label="Move this layer down"
                title="Earlier"
                disabled={isFirst}
                onClick={() => {
                    onMove(-1);
                }}
            >
                <ArrowDown size={16} aria-hidden />
            </Button>
            <Button aria-label="Remove this layer" title="Remove" onClick={onRemove}>
                <Trash2 size={16} aria-hidden />
            </Button>
        </div>
    );
}
