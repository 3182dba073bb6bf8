import { Link } from '@inertiajs/react';
import { Fragment } from 'react';
import { many, one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { Term } from '@/shared/ui/term';
import { areaUnit, fromCm2, inOwnUnits } from '@/shared/lib/units';
import type { FigureProps, LightProps, LitAreaProps } from '@/types/generated';

/** Every area on the mesh: how large, how much spray, which zones, and what that means. */
export function Areas({
    figure,
    light: { areas, isMeasured },
    chosen,
    onChoose,
}: {
    figure: FigureProps;
    light: Pick<LightProps, 'areas' | 'isMeasured'>;
    chosen: number | null;
    onChoose: (id: number) => void;
}) {
    return (
        <table className={`w-full text-left ${isMeasured ? '' : 'text-quiet'}`} aria-busy={!isMeasured}>
            <caption className="text-left text-xs text-quiet">
                {isMeasured ? 'Measured on the mesh.' : 'Measuring the areas.'}
            </caption>
            <thead className="text-xs text-quiet">
                <tr>
                    <th className="font-normal">area</th>
                    <th className="text-right font-normal">{areaUnit()}</th>
                    <th className="pl-3 text-right font-normal">
                        <Term name="exposure">spray</Term>, %
                    </th>
                    <th className="pl-3 font-normal">
                        <Term name="zone">recess to edge</Term>
                    </th>
                </tr>
            </thead>
            <tbody>
                {areas.map((area) => (
                    <Fragment key={area.id}>
                        <AreaRow area={area} chosen={chosen} onChoose={onChoose} figure={figure} />
                        {area.advice.length > 0 && (
                            <tr className={area.id === chosen ? 'bg-raised' : ''}>
                                <td colSpan={4} className="pb-1 text-xs leading-tight">
                                    {area.advice.map((words) => (
                                        <span key={words} className="block">
                                            {inOwnUnits(words)}
                                        </span>
                                    ))}
                                </td>
                            </tr>
                        )}
                    </Fragment>
                ))}
                {areas.length === 0 && (
                    <tr>
                        <td colSpan={4}>{many(0, 'area')}: name them in the brief.</td>
                    </tr>
                )}
            </tbody>
        </table>
    );
}

/** The five zones, each as wide as its share and in its own colour. */
function Shares({ shares, row }: { shares: readonly number[]; row: readonly string[] }) {
    if (shares.length === 0) return <span className="text-xs text-quiet">not on the mesh</span>;
    return (
        <span
            role="img"
            aria-label={shares.map((share) => `${Math.round(100 * share)}`).join(', ')}
            className="mt-1 flex h-4 w-full"
        >
            {shares.map((share, i) => (
                <span key={i} style={{ width: `${100 * share}%`, background: row[i] }} />
            ))}
        </span>
    );
}

function AreaRow({
    area,
    chosen,
    onChoose,
    figure,
}: {
    area: LitAreaProps;
    chosen: number | null;
    onChoose: (id: number) => void;
    figure: FigureProps;
}) {
    return (
        <tr className={`border-t border-line ${area.id === chosen ? 'bg-raised' : ''}`}>
            <th scope="row" className="py-1 font-normal">
                <button
                    type="button"
                    className={`text-left underline-offset-4 hover:underline ${area.id === chosen ? 'font-bold' : ''}`}
                    onClick={() => {
                        onChoose(area.id);
                    }}
                >
                    {area.name}
                </button>{' '}
                <Link
                    className="text-xs underline"
                    href={url('figures.finishes', { figure: figure.id, area: area.id })}
                >
                    finish
                </Link>
            </th>
            <td className="text-right align-top">{area.cm2 === null ? '' : fromCm2(one(area.cm2))}</td>
            <td className="text-right align-top">
                {area.exposure === null ? '' : `${Math.round(100 * area.exposure)}`}
            </td>
            <td className="w-28 pl-3 align-top">
                <Shares shares={area.shares} row={area.rows[area.rows.length - 1] ?? []} />
            </td>
        </tr>
    );
}
