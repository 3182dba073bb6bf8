import { Upload } from 'lucide-react';
import { useRef } from 'react';
import { uploadWords } from '@/shared/lib/api';
import { Button } from './button';

/** Chooses a picture to send, and tells how much of it has gone. */
export function PictureButton({
    words,
    label = words,
    busy,
    fraction,
    look,
    onFile,
}: {
    words: string;
    /** What the file is, for those who cannot see where the button stands. */
    label?: string;
    busy: boolean;
    fraction: number | null;
    look?: 'main';
    onFile: (file: File) => void;
}) {
    const input = useRef<HTMLInputElement>(null);
    return (
        <>
            <input
                ref={input}
                type="file"
                accept="image/jpeg,image/png,image/webp"
                className="sr-only"
                aria-label={label}
                tabIndex={-1}
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    event.target.value = '';
                    if (file) onFile(file);
                }}
            />
            <Button {...(look ? { look } : {})} disabled={busy} onClick={() => input.current?.click()}>
                <Upload size={16} aria-hidden /> {busy ? uploadWords(fraction) : words}
            </Button>
        </>
    );
}
