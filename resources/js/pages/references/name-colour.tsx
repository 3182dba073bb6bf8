import { useState, type ReactNode } from 'react';
import { send } from '@/shared/lib/api';
import { zoneName } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Pick } from '@/shared/ui/pick';
import { PotMark } from '@/shared/ui/pot-mark';
import type { AreaProps, ColourShift, PotProps, ShiftProps, Zone } from '@/types/generated';

type From = 'hex' | 'lab' | 'pot' | 'area';

const NONE = 'none';

type Props = {
    figureId: number;
    area: AreaProps;
    areas: readonly AreaProps[];
    pots: readonly PotProps[];
    shifts: readonly ShiftProps[];
    zone: Zone;
    attempt: (act: () => Promise<unknown>) => Promise<boolean>;
};

/** A target colour without any picture of it: picked, typed, like a pot or another area, changed or not. */
export function NameColour(props: Props) {
    const form = useNameColour(props);
    const { area, zone } = props;
    return (
        <details>
            <summary className="cursor-pointer text-sm font-medium">Set a colour without a picture</summary>
            <form
                className="mt-2 flex flex-col gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    void form.save();
                }}
            >
                <Pick<From>
                    label="Colour"
                    value={form.from}
                    options={[
                        { value: 'hex', label: 'choose it' },
                        { value: 'lab', label: 'type L* a* b*' },
                        { value: 'pot', label: 'like a pot' },
                        { value: 'area', label: 'like another area' },
                    ]}
                    onPick={form.setFrom}
                />
                <Base form={form} props={props} />
                <Shift form={form} shifts={props.shifts} />
                <Button type="submit" size="small" className="self-start">
                    Set the {zoneName(area.form, zone)}
                </Button>
            </form>
        </details>
    );
}

type Other = { value: string; label: string; areaId: number; zone: Zone; mark?: ReactNode };

/** What other zones and areas are to be, and what the finishes of those without a colour give in the same zone. */
function coloursOf(areas: readonly AreaProps[], own: AreaProps, zone: Zone): Other[] {
    return areas.flatMap((a): Other[] => {
        const taken = a.samples
            .filter((s) => a.id !== own.id || s.zone !== zone)
            .map((s) => ({
                value: `${a.id} ${s.zone}`,
                label: `${a.name}, ${zoneName(a.form, s.zone)}`,
                areaId: a.id,
                zone: s.zone,
                mark: <PotMark hex={s.colour.hex} />,
            }));
        return taken.length === 0 && a.layers > 0 && a.id !== own.id
            ? [
                  {
                      value: `${a.id} ${zone}`,
                      label: `${a.name}, ${zoneName(a.form, zone)}, as planned`,
                      areaId: a.id,
                      zone,
                  },
              ]
            : taken;
    });
}

type Form = ReturnType<typeof useNameColour>;

function useNameColour({ figureId, area, areas, pots, zone, attempt }: Props) {
    const others = coloursOf(areas, area, zone);
    const [from, setFrom] = useState<From>('hex');
    const [hex, setHex] = useState('#808080');
    const [lab, setLab] = useState('50, 0, 0');
    const [pot, setPot] = useState(pots[0]?.id ?? 0);
    const [asked, setOther] = useState('');
    const other = others.find((o) => o.value === asked) ?? others[0];
    const [shift, setShift] = useState<ColourShift | typeof NONE>(NONE);
    const [amount, setAmount] = useState('10');

    function save() {
        return attempt(() =>
            send('POST', url('samples.named', { figure: figureId, area: area.id }), {
                zone,
                from,
                hex: from === 'hex' ? hex : null,
                lab: from === 'lab' ? lab.split(/[\s;,]+/).filter((n) => n !== '') : null,
                paintId: from === 'pot' ? pot : null,
                areaId: from === 'area' ? (other?.areaId ?? null) : null,
                areaZone: from === 'area' ? (other?.zone ?? null) : null,
                shift: shift === NONE ? null : shift,
                amount: shift === NONE ? null : amount.replace(',', '.'),
            }),
        );
    }
    return {
        others,
        from,
        setFrom,
        hex,
        setHex,
        lab,
        setLab,
        pot,
        setPot,
        other,
        setOther,
        shift,
        setShift,
        amount,
        setAmount,
        save,
    };
}

function Base({ form, props }: { form: Form; props: Props }) {
    switch (form.from) {
        case 'hex':
            return (
                <label className="flex items-center gap-2 text-sm">
                    <input
                        type="color"
                        aria-label="Target colour"
                        className="h-10 w-16 border border-strong"
                        value={form.hex}
                        onChange={(event) => {
                            form.setHex(event.target.value);
                        }}
                    />
                    {form.hex}
                </label>
            );
        case 'lab':
            return (
                <Field
                    label="L*, a*, b*"
                    value={form.lab}
                    onChange={(event) => {
                        form.setLab(event.target.value);
                    }}
                />
            );
        case 'pot':
            return (
                <Pick
                    label="Pot"
                    value={String(form.pot)}
                    options={props.pots.map((p) => ({
                        value: String(p.id),
                        label: p.name,
                        mark: <PotMark hex={p.hex} />,
                    }))}
                    onPick={(id) => {
                        form.setPot(Number(id));
                    }}
                />
            );
        case 'area':
            return (
                <Pick
                    label="Area and zone"
                    value={form.other?.value}
                    placeholder="no other colour yet"
                    options={form.others}
                    onPick={form.setOther}
                />
            );
    }
}

function Shift({ form, shifts }: { form: Form; shifts: readonly ShiftProps[] }) {
    return (
        <div className="flex items-end gap-2">
            <div className="flex-1">
                <Pick<ColourShift | typeof NONE>
                    label="Changed"
                    value={form.shift}
                    options={[
                        { value: NONE, label: 'as it is' },
                        ...shifts.map((s) => ({ value: s.shift, label: s.shift })),
                    ]}
                    onPick={(shift) => {
                        form.setShift(shift);
                        const usual = shifts.find((s) => s.shift === shift)?.usual;
                        if (usual !== undefined) form.setAmount(String(usual));
                    }}
                />
            </div>
            {form.shift !== NONE && (
                <Field
                    label="by"
                    className="w-20"
                    inputMode="decimal"
                    value={form.amount}
                    onChange={(event) => {
                        form.setAmount(event.target.value);
                    }}
                />
            )}
        </div>
    );
}
