import type { ReactNode } from 'react';
import { Button } from './button';
import { Sheet } from './sheet';

/** The second of two saves: both versions in sight, none lost. */
export function ConflictDialog({
    open,
    mine,
    theirs,
    onKeepMine,
    onTakeTheirs,
}: {
    open: boolean;
    mine: ReactNode;
    theirs: ReactNode;
    onKeepMine: () => void;
    onTakeTheirs: () => void;
}) {
    return (
        <Sheet
            open={open}
            onClose={onTakeTheirs}
            title="Changed elsewhere"
            description="This was saved from another window after you opened it. Both versions are kept: choose which one to keep."
        >
            <div className="grid grid-cols-1 gap-4 sm:grid-cols-2">
                <section>
                    <h3 className="mb-2">Yours, not saved</h3>
                    {mine}
                    <Button look="main" className="mt-3 w-full" onClick={onKeepMine}>
                        Keep mine
                    </Button>
                </section>
                <section>
                    <h3 className="mb-2">Saved elsewhere</h3>
                    {theirs}
                    <Button className="mt-3 w-full" onClick={onTakeTheirs}>
                        Use the other
                    </Button>
                </section>
            </div>
        </Sheet>
    );
}
