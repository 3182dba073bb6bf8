import type { Hand } from '@/features/mesh-view/parts-viewer';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import type { PosingActs } from './posing';

const HANDS: { value: Hand; label: string }[] = [
    { value: 'look', label: 'select' },
    { value: 'turn', label: 'turn' },
    { value: 'move', label: 'move' },
];

/** What a press or a drag on a part does, above the parts. */
export function PosingBar({ posing }: { posing: PosingActs }) {
    const { hand, take, fit, undo, redo } = posing;
    return (
        <div className="flex flex-wrap items-center gap-2 border-b border-line p-2 text-sm">
            <Choice<Hand>
                label="Drag to"
                value={hand}
                options={fit === null ? HANDS : [...HANDS, { value: 'attach', label: 'attach face to face' }]}
                onChoose={take}
            />
            {fit !== null && (
                <Button size="small" onClick={() => void fit()}>
                    Fit by pegs
                </Button>
            )}
            <div className="ml-auto flex gap-2">
                <Button size="small" disabled={undo === null} onClick={() => void undo?.()}>
                    Undo
                </Button>
                <Button size="small" disabled={redo === null} onClick={() => void redo?.()}>
                    Redo
                </Button>
            </div>
        </div>
    );
}
