import type { CurvesProps } from '@/types/generated';

const WIDTH = 560;
const HEIGHT = 220;
const LEFT = 34;
const BOTTOM = 24;

const LINES = [
    ['thick', 'thick', '0'],
    ['overBlack', 'a coat over black', '5 3'],
    ['overWhite', 'a coat over white', '1.5 3'],
] as const;

/** Reflectance by wavelength. Neutral: the lines are told apart by their dashes. */
export function Curves({ curves }: { curves: CurvesProps }) {
    const x = (band: number) => LEFT + (band / 35) * (WIDTH - LEFT - 6);
    const y = (value: number) => 6 + (1 - value) * (HEIGHT - BOTTOM - 6);
    return (
        <figure>
            <svg
                viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
                className="w-full"
                role="img"
                aria-label="Reflectance from 380 to 730 nm, thick, over black and over white"
            >
                {[0, 0.25, 0.5, 0.75, 1].map((value) => (
                    <g key={value}>
                        <line x1={LEFT} x2={WIDTH - 6} y1={y(value)} y2={y(value)} stroke="var(--line)" />
                        <text x={LEFT - 5} y={y(value) + 4} fontSize="11" textAnchor="end" fill="var(--quiet)">
                            {value}
                        </text>
                    </g>
                ))}
                {[400, 500, 600, 700].map((nm) => (
                    <text
                        key={nm}
                        x={x((nm - 380) / 10)}
                        y={HEIGHT - 6}
                        fontSize="11"
                        textAnchor="middle"
                        fill="var(--quiet)"
                    >
                        {nm} nm
                    </text>
                ))}
                {LINES.map(([key, , dash]) => (
                    <polyline
                        key={key}
                        points={curves[key].map((value, band) => `${x(band)},${y(value)}`).join(' ')}
                        fill="none"
                        stroke="var(--ink)"
                        strokeWidth="2"
                        strokeDasharray={dash}
                    />
                ))}
            </svg>
            <Legend />
        </figure>
    );
}

function Legend() {
    return (
        <figcaption className="flex flex-wrap gap-x-5 text-xs text-quiet">
            {LINES.map(([key, label, dash]) => (
                <span key={key} className="flex items-center gap-1.5">
                    <svg width="28" height="6" aria-hidden>
                        <line x1="0" x2="28" y1="3" y2="3" stroke="var(--ink)" strokeWidth="2" strokeDasharray={dash} />
                    </svg>
                    {label}
                </span>
            ))}
        </figcaption>
    );
}
