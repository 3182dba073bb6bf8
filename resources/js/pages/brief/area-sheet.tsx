import { useForm, type InertiaFormProps } from '@inertiajs/react';
import { Boundaries } from '@/features/boundaries/boundaries';
import { reloaded } from '@/shared/lib/reloaded';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Field } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { Sheet } from '@/shared/ui/sheet';
import { AreaField } from '@/shared/ui/length-field';
import type { AreaForm as AreaKind, AreaProps, BoundaryProps, FigureProps, PartProps } from '@/types/generated';

const NONE = 'none';

const SHEENS = ['matt', 'satin', 'gloss'] as const;

/** The fields as the form holds them: text, and NONE for no choice. */
type AreaForm = InertiaFormProps<{
    name: string;
    wish: string;
    partId: string;
    liesOnId: string;
    tolerance: string;
    sheen: string;
    form: AreaKind;
    squareCm: string;
}>;

type Props = {
    figure: FigureProps;
    area: AreaProps;
    areas: readonly AreaProps[];
    parts: readonly PartProps[];
    boundaries: readonly BoundaryProps[];
    open: boolean;
    onClose: () => void;
};

/** What an area is: where it is, what it lies on, its sheen, how near its colour must come. */
export function AreaSheet({ figure, area, areas, parts, boundaries, open, onClose }: Props) {
    const form = useForm({
        name: area.name,
        wish: area.wish ?? '',
        partId: area.partId === null ? NONE : String(area.partId),
        liesOnId: area.liesOnId === null ? NONE : String(area.liesOnId),
        tolerance: area.tolerance === null ? '' : String(area.tolerance),
        sheen: area.sheen ?? NONE,
        form: area.form,
        squareCm: area.squareCm === null ? '' : String(area.squareCm),
    });
    const { message, attempt } = useAttempt();
    return (
        <Sheet open={open} onClose={onClose} title={area.name}>
            <form
                className="flex flex-col gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.transform((data) => ({
                        ...data,
                        seen: area.seen,
                        partId: data.partId === NONE ? null : data.partId,
                        liesOnId: data.liesOnId === NONE ? null : data.liesOnId,
                        sheen: data.sheen === NONE ? null : data.sheen,
                        tolerance: data.tolerance === '' ? null : data.tolerance.replace(',', '.'),
                        squareCm: data.squareCm === '' ? null : data.squareCm.replace(',', '.'),
                    }));
                    form.patch(url('areas.update', { figure: figure.id, area: area.id }), {
                        preserveScroll: true,
                        onSuccess: onClose,
                    });
                }}
            >
                <NameField form={form} />
                <WishField form={form} />
                <Places form={form} parts={parts} areas={areas} area={area} />
                {'seen' in form.errors && <Notice strong>{String(form.errors['seen'])}</Notice>}
                {form.errors.liesOnId !== undefined && (
                    <p role="alert" className="border-l-4 border-ink pl-2 text-xs font-semibold">
                        {form.errors.liesOnId}
                    </p>
                )}
                <div className="grid grid-cols-1 gap-4 sm:grid-cols-2">
                    <FormPick form={form} />
                    <SheenPick form={form} figure={figure} />
                    <SizeField form={form} />
                    <ToleranceField form={form} />
                </div>
                <Button type="submit" look="main" disabled={form.processing} className="self-start">
                    Save
                </Button>
            </form>
            {areas.length > 1 && (
                <div className="mt-4 border-t border-line pt-4">
                    {message !== null && <Notice strong>{message}</Notice>}
                    <Boundaries
                        figure={figure}
                        boundaries={boundaries}
                        areas={areas.map((a) => ({ value: String(a.id), label: a.name }))}
                        of={area.id}
                        attempt={(act) =>
                            attempt(async () => {
                                await act();
                                await reloaded({ only: ['boundaries'] });
                            })
                        }
                    />
                </div>
            )}
        </Sheet>
    );
}

function Places({
    form,
    parts,
    areas,
    area,
}: {
    form: AreaForm;
    parts: readonly PartProps[];
    areas: readonly AreaProps[];
    area: AreaProps;
}) {
    return (
        <div className="grid grid-cols-1 gap-4 sm:grid-cols-2">
            <Pick
                label="On the part"
                value={form.data.partId}
                options={[
                    { value: NONE, label: 'no part' },
                    ...parts.map((p) => ({ value: String(p.id), label: p.name })),
                ]}
                onPick={(id) => {
                    form.setData('partId', id);
                }}
            />
            <Pick
                label="Lies on, when that is finished"
                value={form.data.liesOnId}
                options={[
                    { value: NONE, label: 'the bare print' },
                    ...areas.filter((a) => a.id !== area.id).map((a) => ({ value: String(a.id), label: a.name })),
                ]}
                onPick={(id) => {
                    form.setData('liesOnId', id);
                }}
            />
        </div>
    );
}

function SizeField({ form }: { form: AreaForm }) {
    return (
        <AreaField
            label="Size,"
            placeholder="estimated from the figure’s height"
            cm2={form.data.squareCm}
            error={form.errors.squareCm}
            onCm2={(squareCm) => {
                form.setData('squareCm', squareCm);
            }}
        />
    );
}

function ToleranceField({ form }: { form: AreaForm }) {
    return (
        <Field
            label="Tolerance, ΔE"
            inputMode="decimal"
            placeholder="3, or 2 for a focal point"
            value={form.data.tolerance}
            error={form.errors.tolerance}
            onChange={(e) => {
                form.setData('tolerance', e.target.value);
            }}
        />
    );
}

function WishField({ form }: { form: AreaForm }) {
    return (
        <Field
            label="What it should look like"
            maxLength={1000}
            value={form.data.wish}
            error={form.errors.wish}
            onChange={(e) => {
                form.setData('wish', e.target.value);
            }}
        />
    );
}

function NameField({ form }: { form: AreaForm }) {
    return (
        <Field
            label="Name"
            required
            maxLength={120}
            value={form.data.name}
            error={form.errors.name}
            onChange={(e) => {
                form.setData('name', e.target.value);
            }}
        />
    );
}

const FORMS: readonly { value: AreaKind; label: string }[] = [
    { value: 'light and shade', label: 'a surface with light and shade' },
    { value: 'true metal', label: 'true metal, painted with metal flakes' },
    { value: 'flat sign', label: 'a small flat sign in one colour' },
    { value: 'eye', label: 'an eye: white, iris, pupil' },
    { value: 'gradient', label: 'a gradient from root to tip: hair, feathers, a sky' },
];

function FormPick({ form }: { form: AreaForm }) {
    return (
        <Pick<AreaKind>
            label="What it is"
            value={form.data.form}
            options={FORMS}
            onPick={(kind) => {
                form.setData('form', kind);
            }}
        />
    );
}

function SheenPick({ form, figure }: { form: AreaForm; figure: FigureProps }) {
    return (
        <Pick
            label="Sheen"
            value={form.data.sheen}
            options={[
                { value: NONE, label: `as the figure: ${figure.sheen}` },
                ...SHEENS.map((sheen) => ({ value: sheen, label: sheen })),
            ]}
            onPick={(sheen) => {
                form.setData('sheen', sheen);
            }}
        />
    );
}
