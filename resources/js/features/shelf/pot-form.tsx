import { Link } from '@inertiajs/react';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { ConflictDialog } from '@/shared/ui/conflict';
import { Notice } from '@/shared/ui/notice';
import type { PaintProps, ShelfPageProps } from '@/types/generated';
import { describedBy, PotField, PotWords } from './pot-fields';
import { usePot } from './use-pot';

/** A pot described by its colour and how it covers; what follows from that is shown while it is typed. */
type Props = {
    paint: PaintProps | null;
    fields: ShelfPageProps['fields'];
    /** Kinds with a second face. */
    flakes: ShelfPageProps['flakes'];
    /** Kinds that are no paint: they may have a tint. */
    clear: ShelfPageProps['clear'];
    onSaved: () => void;
    onRemoved: () => void;
};

export function PotForm({ paint, fields, flakes, clear, onSaved, onRemoved }: Props) {
    const pot = usePot(paint, fields, onSaved);
    const { described, estimate, failure } = pot;
    const kind = String(described['kind']);
    const shows = ({ key }: { key: string }) =>
        key === 'flopHex' ? flakes.includes(kind) : key === 'tintHex' ? clear.includes(kind) : true;

    return (
        <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                pot.save();
            }}
        >
            <Swatches thick={String(described['thickHex'])} estimate={estimate} />
            <Explained paint={paint} coatsToHide={estimate?.coatsToHide} />
            {failure !== null && Object.keys(failure.fields).length === 0 && <Notice strong>{failure.message}</Notice>}
            {fields.filter(shows).map((field) => (
                <PotField
                    key={field.key}
                    field={field}
                    value={described[field.key] ?? ''}
                    error={failure?.fields[field.key]}
                    onChange={(value) => {
                        pot.put(field.key, value);
                    }}
                />
            ))}
            <div className="flex gap-3">
                <Button look="main" type="submit" disabled={pot.busy} className="flex-1">
                    {paint === null ? 'Add pot' : 'Save'}
                </Button>
                {paint !== null && <Button onClick={onRemoved}>Remove from shelf</Button>}
            </div>
            <ConflictDialog
                open={pot.theirs !== null}
                mine={<PotWords described={described} fields={fields} />}
                theirs={<PotWords described={describedBy(pot.theirs, fields)} fields={fields} />}
                onKeepMine={pot.keepMine}
                onTakeTheirs={pot.takeTheirs}
            />
        </form>
    );
}

function Swatches({ thick, estimate }: { thick: string; estimate: ReturnType<typeof usePot>['estimate'] }) {
    return (
        <div className="flex h-28" aria-hidden>
            <div className="flex-[2]" style={{ background: thick }} />
            <div className="flex-1 bg-[#000] p-3">
                <div className="h-full" style={{ background: estimate?.overBlack.hex ?? 'transparent' }} />
            </div>
            <div className="flex-1 bg-[#fff] p-3">
                <div className="h-full" style={{ background: estimate?.overWhite.hex ?? 'transparent' }} />
            </div>
        </div>
    );
}

function Explained({ paint, coatsToHide }: { paint: PaintProps | null; coatsToHide: number | null | undefined }) {
    const isMeasured = paint !== null && paint.quality !== 'estimated';
    return (
        <p className="text-xs text-quiet">
            Thick; one coat over black; one coat over white.{' '}
            {coatsToHide === undefined
                ? ''
                : coatsToHide === null
                  ? 'Never opaque. '
                  : `Opaque in ${many(coatsToHide, 'coat')}. `}
            {isMeasured ? 'Measured: its readings are kept.' : 'Estimated from what you enter here.'}{' '}
            {paint !== null && (
                <Link href={url('pots.show', { paint: paint.id })} className="font-semibold text-ink underline">
                    Measure this pot
                </Link>
            )}
        </p>
    );
}
