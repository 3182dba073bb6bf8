import clsx from 'clsx';
import type { ButtonHTMLAttributes } from 'react';

type Props = ButtonHTMLAttributes<HTMLButtonElement> & { look?: 'main' | 'plain' | 'quiet'; size?: 'small' | 'large' };

/** Ours: black on grey for the one main act, an outline for the others. */
export function Button({ look = 'plain', size, className, type = 'button', ...rest }: Props) {
    return (
        <button
            type={type}
            className={clsx(
                'inline-flex items-center justify-center gap-2 rounded-sm border font-medium select-none disabled:cursor-not-allowed disabled:opacity-45',
                size === 'small' && 'min-h-8 px-2 text-xs',
                size === undefined && 'min-h-10 px-3 text-sm',
                size === 'large' && 'min-h-16 px-6 text-xl',
                look === 'main' && 'border-ink bg-ink text-inverse',
                look === 'plain' && 'border-strong bg-raised text-ink hover:border-ink',
                look === 'quiet' && 'border-transparent text-ink hover:border-line',
                className,
            )}
            {...rest}
        />
    );
}
