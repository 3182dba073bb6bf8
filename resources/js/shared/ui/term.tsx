import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';
import { TERMS, type TermName } from '@/shared/lib/terms';

/** A word that says what it means where it is pressed. */
export function Term({ name, children }: { name: TermName; children?: ReactNode }) {
    return (
        <Popover.Root>
            <Popover.Trigger className="cursor-help underline decoration-dotted underline-offset-4">
                {children ?? name}
            </Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    sideOffset={6}
                    collisionPadding={12}
                    aria-label={name}
                    className="z-50 max-w-72 border border-ink bg-raised p-3 text-sm text-ink"
                >
                    {TERMS[name]}
                    <Popover.Arrow className="fill-ink" />
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
