import { act, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it } from 'vitest';
import { Sheet } from '@/shared/ui/sheet';

function Page() {
    const [isOpen, setOpen] = useState(false);
    return (
        <>
            <button
                type="button"
                onClick={() => {
                    setOpen(true);
                }}
            >
                Open
            </button>
            <Sheet
                open={isOpen}
                onClose={() => {
                    setOpen(false);
                }}
                title="A dialog"
            >
                <input aria-label="inside" />
            </Sheet>
        </>
    );
}

describe('a dialog', () => {
    it('gives the focus back to what opened it', async () => {
        render(<Page />);
        const opener = screen.getByText('Open');
        opener.focus();
        fireEvent.click(opener);
        await act(() => Promise.resolve());
        expect(document.activeElement).not.toBe(opener);
        fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Escape' });
        await act(() => new Promise((resolve) => setTimeout(resolve, 20)));
        expect(document.activeElement).toBe(opener);
    });
});
