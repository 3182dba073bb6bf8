/** The colour of a pot, small. */
export function PotMark({ hex, size = 18 }: { hex: string; size?: number }) {
    return (
        <span
            aria-hidden
            className="inline-block shrink-0 border border-ink"
            style={{ background: hex, width: size, height: size }}
        />
    );
}
