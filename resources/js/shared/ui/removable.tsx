import { Trash2 } from 'lucide-react';
import { Button } from './button';

/** A line of a list that can be taken off it. */
export function Removable({ words, onRemove }: { words: string; onRemove: () => void }) {
    return (
        <li className="flex items-center gap-2 border-t border-line">
            <span className="flex-1">{words}</span>
            <Button size="small" look="quiet" aria-label={`Remove: ${words}`} onClick={onRemove}>
                <Trash2 size={15} aria-hidden />
            </Button>
        </li>
    );
}
