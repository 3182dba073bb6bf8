import { upload } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import type { SheetPhotoProps } from '@/types/generated';

/** Sends a photo of a sheet to be read, chosen or dropped onto its page. */
export function sendPhoto(
    sheet: number,
    file: File,
    onProgress: (fraction: number | null) => void = () => undefined,
): Promise<SheetPhotoProps> {
    const form = new FormData();
    form.append('photo', file, file.name);
    return upload<SheetPhotoProps>(url('sheets.photo', { sheet }), form, onProgress);
}
