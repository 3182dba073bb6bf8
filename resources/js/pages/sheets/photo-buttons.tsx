import { useState } from 'react';
import { send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { PictureButton } from '@/shared/ui/picture-button';
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
            <Button
                disabled={busy}
                onClick={() => {
                    take(() => send<SheetPhotoProps>('POST', url('sheets.simulated', { sheet: sheetId })));
                }}
            >
                Use the simulated camera
            </Button>
            <PictureButton
                words="Add a photo"
                label="Photo of the painted sheet"
                look="main"
                busy={busy}
                fraction={sent}
                onFile={(file) => {
                    take(() => sendPhoto(sheetId, file, setSent));
                }}
            />
        </>
    );
}
