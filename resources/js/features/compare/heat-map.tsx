import clsx from 'clsx';
import { ZONES, one } from '@/shared/lib/format';
import type { ComparedAreaProps } from '@/types/generated';

/** A difference as a dot whose area is the difference: readable without colour. */
const PIXELS_A_UNIT = 2.6;

/** All areas and zones at a glance: the blacker, the farther off. */
export function HeatMap({
    areas,
    chosen,
    onChoose,
}: {
    areas: readonly ComparedAreaProps[];
    chosen: number | null;
    onChoose: (areaId: number) => void;
}) {
    return (
        <table className="w-full text-sm">
            <thead className="text-xs text-quiet">
                <tr>
                    <th className="text-left font-normal">area</th>
                    {ZONES.map((zone) => (
                        <th key={zone} className="px-1 font-normal">
                            {zone}
                        </th>
                    ))}
                    <th className="text-right font-normal">average</th>
                </tr>
            </thead>
            <tbody>
                {areas.map((area) => (
                    <AreaRow key={area.areaId} area={area} chosen={chosen} onChoose={onChoose} />
                ))}
            </tbody>
        </table>
    );
}

function Dot({ difference }: { difference: number }) {
    const r = Math.min(13, Math.sqrt(difference) * PIXELS_A_UNIT);
    return (
        <svg width="28" height="28" role="img" aria-label={`ΔE ${one(difference)}`} className="inline-block">
            <title>ΔE {one(difference)}</title>
            <circle cx="14" cy="14" r={r} fill="currentColor" />
        </svg>
    );
}

function AreaRow({
    area,
    chosen,
    onChoose,
}: {
    area: ComparedAreaProps;
    chosen: number | null;
    onChoose: (areaId: number) => void;
}) {
    return (
        <tr className={clsx('border-t border-line', area.areaId === chosen && 'bg-raised')}>
            <th scope="row" className="text-left font-normal">
                <button
                    type="button"
                    aria-pressed={area.areaId === chosen}
                    className={clsx(
                        'w-full border-l-4 py-1 pl-2 text-left leading-tight whitespace-nowrap',
                        area.areaId === chosen ? 'border-ink font-bold' : 'border-transparent',
                    )}
                    onClick={() => {
                        onChoose(area.areaId);
                    }}
                >
                    {area.name}
                </button>
            </th>
            {ZONES.map((zone) => {
                const difference = area.zones.find((z) => z.zone === zone)?.difference ?? null;
                return (
                    <td key={zone} className="text-center">
                        {difference === null ? (
                            <span className="text-quiet" aria-label="not found yet">
                                –
                            </span>
                        ) : (
                            <Dot difference={difference} />
                        )}
                    </td>
                );
            })}
            <td className="pr-1 text-right whitespace-nowrap">
                {area.mean === null ? (
                    ''
                ) : (
                    <>
                        {area.isWithin === false && <strong title="out of tolerance">out </strong>}
                        {one(area.mean)}
                    </>
                )}
            </td>
        </tr>
    );
}
