import clsx from 'clsx';
import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useRef, type ReactNode } from 'react';

/** A dialog, in the middle or from the side. */
export function Sheet({
    open,
    onClose,
    title,
    description,
    side = false,
    children,
}: {
    open: boolean;
    onClose: () => void;
    title: string;
    description?: string;
    side?: boolean;
    children: ReactNode;
}) {
    // The focus returns to what opened the dialog.
    const opener = useRef<Element | null>(null);
    return (
        <Dialog.Root
            open={open}
            onOpenChange={(next) => {
                if (!next) onClose();
            }}
        >
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-[rgba(60,60,60,0.55)]" />
                <Dialog.Content
                    onOpenAutoFocus={() => {
                        opener.current = document.activeElement;
                    }}
                    onCloseAutoFocus={(event) => {
                        event.preventDefault();
                        if (opener.current instanceof HTMLElement && opener.current.isConnected) opener.current.focus();
                    }}
                    {...(description === undefined ? { 'aria-describedby': undefined } : {})}
                    className={clsx(
                        'fixed z-50 flex flex-col gap-4 overflow-y-auto border border-ink bg-room p-5 text-ink',
                        side
                            ? 'inset-y-0 right-0 w-[min(30rem,100vw)] border-y-0 border-r-0'
                            : 'top-1/2 left-1/2 max-h-[90vh] w-[min(44rem,94vw)] -translate-x-1/2 -translate-y-1/2 rounded-sm',
                    )}
                >
                    <header className="flex items-start justify-between gap-4">
                        <div>
                            <Dialog.Title className="text-lg font-semibold">{title}</Dialog.Title>
                            {description !== undefined && (
                                <Dialog.Description className="mt-1 text-sm text-quiet">
                                    {description}
                                </Dialog.Description>
                            )}
                        </div>
                        <Dialog.Close className="rounded-sm border border-strong p-2" aria-label="Close">
                            <X size={18} aria-hidden />
                        </Dialog.Close>
                    </header>
                    {children}
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
