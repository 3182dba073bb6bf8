import { useState, type ChangeEvent, type ComponentProps } from 'react';
import { areaUnit, fromCm2, fromMm, lengthName, lengthUnit, toCm2, toMm, toWholeMm } from '@/shared/lib/units';
import { Field } from '@/shared/ui/field';

type Props = Omit<ComponentProps<typeof Field>, 'value' | 'onChange' | 'min' | 'max' | 'type'> & {
    /** As it is kept and sent, whatever the painter types it in. */
    mm: string;
    onMm: (mm: string) => void;
    /** How its label goes on: "Height in" mm or in. */
    label: string;
    /** Both of whole mm, as heights of figures are. */
    leastMm?: number;
    mostMm?: number;
};

/** A surface, alike; kept in cm². */
export function AreaField({
    cm2,
    onCm2,
    label,
    ...rest
}: Omit<Props, 'mm' | 'onMm' | 'leastMm' | 'mostMm'> & { cm2: string; onCm2: (cm2: string) => void }) {
    const typing = useTyped(cm2, fromCm2, toCm2, onCm2);
    return <Field {...rest} label={`${label} ${areaUnit()}`} inputMode="decimal" {...typing} />;
}

/** A length that is typed in the painter's unit and kept in mm. */
export function LengthField({ mm, onMm, label, leastMm, mostMm, ...rest }: Props) {
    const isWhole = leastMm !== undefined || mostMm !== undefined;
    const typing = useTyped(mm, fromMm, isWhole ? toWholeMm : toMm, onMm);
    return (
        <Field
            {...rest}
            label={`${label} ${lengthName()}`.trim()}
            {...(isWhole
                ? {
                      type: 'number',
                      step: lengthUnit() === 'mm' ? 1 : 'any',
                      min: leastMm === undefined ? undefined : fromMm(leastMm),
                      max: mostMm === undefined ? undefined : fromMm(mostMm),
                  }
                : { inputMode: 'decimal' })}
            {...typing}
        />
    );
}

/** What is in the field, while what is kept is another number. */
function useTyped(
    kept: string,
    from: (kept: string) => string,
    to: (typed: string) => string,
    onKept: (kept: string) => void,
) {
    const [typed, setTyped] = useState(from(kept));
    const [known, setKnown] = useState(kept);
    // Changed from elsewhere: what was typed here no longer says what it is.
    if (kept !== known) {
        setKnown(kept);
        setTyped(from(kept));
    }
    return {
        value: typed,
        onChange: (event: ChangeEvent<HTMLInputElement>) => {
            const next = to(event.target.value);
            setTyped(event.target.value);
            setKnown(next);
            onKept(next);
        },
    };
}
