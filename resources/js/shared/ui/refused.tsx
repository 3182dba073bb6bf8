import { Button } from './button';
import { Notice } from './notice';

/** Changes that the server refused for good: each with its reason, to be tried again or dropped. */
export function Refused({
    changes,
    onAgain,
    onDrop,
}: {
    changes: readonly { key: string; words: string; reason: string }[];
    onAgain: (key: string) => void;
    onDrop: (key: string) => void;
}) {
    return changes.map(({ key, words, reason }) => (
        <Notice key={key} strong>
            <p>
                Not saved: {words}. {reason}
            </p>
            <div className="mt-2 flex gap-2">
                <Button
                    onClick={() => {
                        onAgain(key);
                    }}
                >
                    Try again
                </Button>
                <Button
                    onClick={() => {
                        onDrop(key);
                    }}
                >
                    Drop this change
                </Button>
            </div>
        </Notice>
    ));
}
