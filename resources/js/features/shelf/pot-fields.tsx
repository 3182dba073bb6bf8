import { Choice } from '@/shared/ui/choice';
import { Field, TextArea } from '@/shared/ui/field';
import { LevelSlider } from '@/shared/ui/level-slider';
import { Pick } from '@/shared/ui/pick';
import type { PaintProps, PotFieldProps } from '@/types/generated';

/** What describes a pot, by the key of its field; nothing is an empty text. */
export type Described = Readonly<Record<string, string | number>>;

/** A list of choices is all in sight when it is this short. */
const IN_SIGHT = 5;

export function describedBy(paint: PaintProps | null, fields: readonly PotFieldProps[]): Described {
    const known = paint?.described ?? {};
    return Object.fromEntries(
        fields.map(({ key, type, choices, isRequired, default: usual }) => {
            const value = known[key];
            if (typeof value === 'string' || typeof value === 'number') return [key, value];
            if (type === 'whole' || type === 'number') return [key, Number(usual ?? 0)];
            // What has to be chosen begins with the first choice: a form that cannot be sent as it opens is a trap.
            const first = isRequired && type === 'choice' ? choices[0] : undefined;
            return [key, usual ?? first ?? (key === 'thickHex' ? '#808080' : '')];
        }),
    );
}

/** One field of a pot, asked for as its declaration says. */
export function PotField({
    field,
    value,
    error,
    onChange,
}: {
    field: PotFieldProps;
    value: string | number;
    error: string | undefined;
    onChange: (value: string | number) => void;
}) {
    const { label, type, choices } = field;
    const text = {
        label,
        error,
        required: field.isRequired,
        maxLength: field.most ?? undefined,
        value,
        onChange: (event: { target: { value: string } }) => {
            onChange(event.target.value);
        },
    };
    switch (type) {
        case 'colour':
            return <ColourField label={label} value={value} text={text} />;
        case 'choice': {
            const options = choices.map((choice) => ({ value: choice, label: choice }));
            return choices.length > IN_SIGHT ? (
                <Pick label={label} value={String(value)} options={options} onPick={onChange} />
            ) : (
                <div>
                    <span className="mb-1 block text-xs text-quiet">{label}</span>
                    <Choice grow label={label} value={String(value)} options={options} onChoose={onChange} />
                </div>
            );
        }
        case 'whole':
        case 'number':
            return <LevelSlider label={label} value={Number(value)} onChange={onChange} />;
        case 'yes or no':
            return (
                <Pick
                    label={label}
                    value={String(value)}
                    options={['yes', 'no'].map((v) => ({ value: v, label: v }))}
                    onPick={onChange}
                />
            );
        case 'note':
            return <TextArea {...text} />;
        case 'day':
            return <Field {...text} type="date" />;
        case 'text':
            return <Field {...text} />;
    }
}

/** A pot in words, beside another version of it. */
export function PotWords({ described, fields }: { described: Described; fields: readonly PotFieldProps[] }) {
    return (
        <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-sm">
            {fields.map(({ key, label }) => (
                <div key={key} className="contents">
                    <dt className="text-quiet">{label}</dt>
                    <dd>{String(described[key] ?? '') || '-'}</dd>
                </div>
            ))}
        </dl>
    );
}

function ColourField({
    label,
    value,
    text,
}: {
    label: string;
    value: string | number;
    text: {
        label: string;
        error: string | undefined;
        required: boolean;
        maxLength: number | undefined;
        value: string | number;
        onChange: (event: { target: { value: string } }) => void;
    };
}) {
    return (
        <div className="flex items-end gap-3">
            <label className="text-xs text-quiet">
                <span className="mb-1 block">{label}</span>
                <input
                    type="color"
                    className="h-10 w-16 border border-strong"
                    value={value === '' ? '#404040' : value}
                    onChange={text.onChange}
                />
            </label>
            <Field {...text} label={`${label}, as a code`} className="flex-1" maxLength={7} />
        </div>
    );
}
