import clsx from 'clsx';
import { useId, type InputHTMLAttributes, type ReactNode, type TextareaHTMLAttributes } from 'react';

const BOX = 'border-strong bg-raised w-full rounded-sm border px-2 py-1.5 text-sm text-ink';

type Shell = { label: string; hint?: ReactNode; error?: string | undefined; hideLabel?: boolean };

export function Field({
    label,
    hint,
    error,
    hideLabel,
    className,
    ...rest
}: Shell & InputHTMLAttributes<HTMLInputElement>) {
    const id = useId();
    return (
        <div className={className}>
            <FieldLabel id={id} label={label} hidden={hideLabel} />
            <input id={id} className={clsx(BOX, 'min-h-10')} aria-invalid={error ? true : undefined} {...rest} />
            <FieldNotes hint={hint} error={error} />
        </div>
    );
}

export function TextArea({
    label,
    hint,
    error,
    hideLabel,
    className,
    ...rest
}: Shell & TextareaHTMLAttributes<HTMLTextAreaElement>) {
    const id = useId();
    return (
        <div className={className}>
            <FieldLabel id={id} label={label} hidden={hideLabel} />
            <textarea id={id} className={BOX} rows={3} {...rest} />
            <FieldNotes hint={hint} error={error} />
        </div>
    );
}

function FieldLabel({ id, label, hidden }: { id: string; label: string; hidden?: boolean | undefined }) {
    return (
        <label htmlFor={id} className={clsx('mb-1 block text-xs text-quiet', hidden && 'sr-only')}>
            {label}
        </label>
    );
}

function FieldNotes({ hint, error }: { hint?: ReactNode; error?: string | undefined }) {
    return (
        <>
            {hint !== undefined && <p className="mt-1 text-xs text-quiet">{hint}</p>}
            {error !== undefined && (
                <p role="alert" className="mt-1 border-l-4 border-ink pl-2 text-xs font-semibold">
                    {error}
                </p>
            )}
        </>
    );
}
