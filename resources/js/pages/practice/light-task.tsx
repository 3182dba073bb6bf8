import { useState } from 'react';
import { Button } from '@/shared/ui/button';
import type { TaskProps } from './index';

const PIECES = 24;
const WIDTH = 720;
const HEIGHT = 350;
const MM = WIDTH / 24;

/** Folds in profile: which pieces does a spray from straight above reach? */
export function LightTask({ round, onAnswer }: TaskProps) {
    const [marked, setMarked] = useState<number[]>([]);
    const right = round.right;
    const lowest = Math.min(...round.heights);
    const y = (height: number) => HEIGHT - 70 - (height - lowest) * MM;
    const x = (i: number) => (i / (round.heights.length - 1)) * WIDTH;
    const step = (round.heights.length - 1) / PIECES;
    const path = (from: number, to: number) =>
        round.heights
            .slice(from, to + 1)
            .map((height, i) => `${i === 0 ? 'M' : 'L'}${x(from + i)},${y(height)}`)
            .join('');

    return (
        <div className="flex flex-col gap-3">
            <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full max-w-3xl border border-line bg-sunk">
                {Array.from({ length: 9 }, (_, i) => (
                    <path
                        key={i}
                        d={`M${40 + i * 80},10v26m-4,-7l4,7l4,-7`}
                        stroke="var(--quiet)"
                        fill="none"
                        aria-hidden
                    />
                ))}
                <path
                    d={`${path(0, round.heights.length - 1)}L${WIDTH},${HEIGHT}L0,${HEIGHT}Z`}
                    fill="#2b2b2b"
                    aria-hidden
                />
                {Array.from({ length: PIECES }, (_, piece) => (
                    <Piece
                        key={piece}
                        piece={piece}
                        path={path(Math.round(piece * step), Math.round((piece + 1) * step))}
                        isMarked={marked.includes(piece)}
                        isRight={right?.includes(piece) ?? null}
                        onPress={() => {
                            if (right === null)
                                setMarked((now) =>
                                    now.includes(piece) ? now.filter((p) => p !== piece) : [...now, piece],
                                );
                        }}
                    />
                ))}
            </svg>
            {right === null ? (
                <Button
                    look="main"
                    className="self-start"
                    disabled={marked.length === 0}
                    onClick={() => {
                        onAnswer(marked);
                    }}
                >
                    The light lands there
                </Button>
            ) : (
                <p className="max-w-prose text-sm">
                    White above the line: where it lands. Your marks are below it. What faces upwards and sees much of
                    the sky is lit; a fold in the shadow of its neighbour is not, however it faces.
                </p>
            )}
        </div>
    );
}

/** One piece of the profile: a tall target to press, the mark below the line, the truth above it. */
function Piece({
    piece,
    path,
    isMarked,
    isRight,
    onPress,
}: {
    piece: number;
    path: string;
    isMarked: boolean;
    isRight: boolean | null;
    onPress: () => void;
}) {
    const width = WIDTH / PIECES;
    return (
        <g
            role="checkbox"
            tabIndex={0}
            aria-checked={isMarked}
            aria-label={`Piece ${piece + 1}`}
            style={{ cursor: 'pointer' }}
            onClick={onPress}
            onKeyDown={(event) => {
                if (event.key !== ' ' && event.key !== 'Enter') return;
                event.preventDefault();
                onPress();
            }}
        >
            <rect x={piece * width} y={0} width={width} height={HEIGHT} fill="transparent" />
            <path d={path} stroke={isMarked ? '#fff' : '#8a8a8a'} strokeWidth={isMarked ? 7 : 3} fill="none" />
            {isMarked && <rect x={piece * width + 3} y={HEIGHT - 24} width={width - 6} height={14} fill="#fff" />}
            {isRight === true && (
                <path d={path} stroke="#fff" strokeWidth={7} fill="none" transform="translate(0 -14)" />
            )}
        </g>
    );
}
