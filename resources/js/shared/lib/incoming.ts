import { upload } from '@/shared/lib/api';
import { done, isOpen } from '@/shared/lib/task';
import { url } from '@/shared/lib/url';
import type { TaskProps } from '@/types/generated';

/**
 * Sends a picture ahead of what it is for, and waits until it is read.
 *
 * @param onProgress told 0..1 of what was sent, null while it is read
 * @returns the number that stands for it from then on
 * @throws ApiError when it is no picture, or cannot be read
 */
export async function sendAhead(
    file: Blob,
    name: string,
    onProgress: (fraction: number | null) => void = () => undefined,
): Promise<number> {
    const form = new FormData();
    form.append('picture', file, name);
    const arrived = await upload<TaskProps>(url('incoming.picture'), form, onProgress);
    if (isOpen(arrived)) onProgress(null);
    return (await done(arrived)).id;
}
