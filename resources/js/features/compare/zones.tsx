import { capital, inkOn, one } from '@/shared/lib/format';
import { Spread } from '@/shared/ui/spread';
import type { ComparedAreaProps } from '@/types/generated';

/** Wanted, painted and predicted of one area, edge to edge, with the difference in numbers and words below. */
export function ComparedZones({ area }: { area: ComparedAreaProps }) {
    return (
        <div className="flex">
            {area.zones.map((zone) => (
                <div key={zone.zone} className="min-w-0 flex-1">
                    <p className="text-center text-xs text-quiet">{zone.zone}</p>
                    {(
                        [
                            ['wanted', zone.wanted],
                            ['painted', zone.painted],
                            ['predicted', zone.predicted],
                        ] as const
                    ).map(([name, colour]) => (
                        <div
                            key={name}
                            title={`${name}: ${colour?.name ?? 'none'}`}
                            className={name === 'predicted' ? 'h-6' : 'h-14'}
                            style={
                                colour
                                    ? { background: colour.hex, color: inkOn(colour.hex) }
                                    : { outline: '1px dashed currentColor', outlineOffset: -1 }
                            }
                        >
                            {zone === area.zones[0] && <span className="pl-1 text-xs">{name}</span>}
                        </div>
                    ))}
                    {zone.spread !== null && <Spread spread={zone.spread} height={10} />}
                    <p className="mt-1 text-center text-sm leading-tight">
                        {zone.difference === null ? (
                            'not found yet'
                        ) : (
                            <>
                                <strong>{one(zone.difference)}</strong>
                                <span className="block text-xs">
                                    {zone.words.length === 0 ? (zone.likeness ?? '') : capital(zone.words.join(', '))}
                                </span>
                            </>
                        )}
                    </p>
                    {zone.doubt !== null && (
                        <p className="text-center text-xs font-semibold" title={zone.doubt}>
                            doubtful
                        </p>
                    )}
                </div>
            ))}
        </div>
    );
}
