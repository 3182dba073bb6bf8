import { Upload } from 'lucide-react';
import { useRef, useState } from 'react';
import { send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import type { SheetPhotoProps } from '@/types/generated';
import { sendPhoto } from './send-photo';

/** A photo of one's own, or one by the simulated camera. */
export function PhotoButtons({
    sheetId,
    onAdd,
}: {
    sheetId: number;
    onAdd: (act: () => Promise<SheetPhotoProps>) => Promise<unknown>;
}) {
    const input = useRef<HTMLInputElement>(null);
    const [busy, setBusy] = useState(false);
    const [sent, setSent] = useState<number | null>(null);
    const take = (act: () => Promise<SheetPhotoProps>) => {
        setBusy(true);
        void onAdd(act).finally(() => {
            setBusy(false);
        });
    };
    return (
        <>
            <input
                ref={input}
                type="file"
                accept="image/jpeg,image/png,image/webp"
                className="sr-only"
                aria-label="Photo of the painted sheet"
                tabIndex={-1}
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    event.target.value = '';
                    if (!file) return;
                    take(() => sendPhoto(sheetId, file, setSent));
                }}
            />
            <Button
                disabled={busy}
                onClick={() => {
                    take(() => send<SheetPhotoProps>('POST', url('sheets.simulated', { sheet: sheetId })));
                }}
            >
                Use the simulated camera
            </Button>
            <Button look="main" disabled={busy} onClick={() => input.current?.click()}>
                <Upload size={16} aria-hidden />{' '}
                {busy && sent !== null ? `${Math.round(100 * sent)} % sent` : 'Add a photo'}
            </Button>
        </>
    );
}
