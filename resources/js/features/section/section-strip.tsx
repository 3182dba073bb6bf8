import { capital, dilutionWords, many, zonesWords } from '@/shared/lib/format';
import type { LayerProps, SectionProps } from '@/types/generated';

/** A section in a narrow column: every band with its words above it, the top layer first. */
export function SectionStrip({
    layers,
    section,
    grown = [],
    action,
}: {
    layers: readonly LayerProps[];
    section: SectionProps;
    grown?: readonly boolean[];
    action?: (index: number) => React.ReactNode;
}) {
    return (
        <ol className="flex flex-col-reverse gap-1.5">
            {layers.map((layer, i) => {
                const row = section.rows[i + 1];
                return (
                    <li key={layer.key}>
                        <div className="flex items-baseline gap-2 text-sm leading-tight">
                            <span className="flex-1">
                                <strong>{capital(layer.technique)}</strong>
                                {layer.coats > 1 && `, ${many(layer.coats, 'coat')}`}
                                {layer.thinner > 0 && `, ${dilutionWords(layer.thinner)}`}
                                {layer.zones.length < 5 && `, ${zonesWords(layer.zones)}`}
                            </span>
                            {action?.(i)}
                        </div>
                        <p className="text-xs leading-tight text-quiet">
                            {layer.mix.map((m) => `${m.drops} ${m.name}`).join(' + ')}
                            {grown[i] === true && ' (drops added to the cup before)'}
                        </p>
                        <div className="painted mt-0.5 flex h-5" aria-hidden>
                            {row?.cells.map((cell) => (
                                <span key={cell.zone} className="flex-1" style={{ background: cell.colour.hex }} />
                            ))}
                        </div>
                    </li>
                );
            })}
        </ol>
    );
}
