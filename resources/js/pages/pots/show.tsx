import { Link, router } from '@inertiajs/react';
import { Curves } from '@/features/pot/curves';
import { Facts } from '@/features/pot/facts';
import { Life } from '@/features/pot/life';
import { SwatchTable } from '@/features/pot/swatch-table';
import { Shell } from '@/features/shell/shell';
import { inkOn, labWords, many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { CardPhoto } from './card-photo';
import type { ColourProps, CurvesProps, FactProps, PaintProps, PotLifeProps, PotProps } from '@/types/generated';

type Props = {
    pot: PaintProps;
    curves: CurvesProps;
    facts: FactProps[];
    life: PotLifeProps;
    whites: PotProps[];
    /** Standard deviation of reflectance; null for that of the device or the source. */
    readerNoise: number | null;
    coatSpread: number;
};

/** One pot: how it really behaves. */
export default function PotPage({ pot, curves, facts, life, whites, readerNoise, coatSpread }: Props) {
    return (
        <Shell title={pot.name}>
            <div className="grid gap-8 lg:grid-cols-2">
                <div className="flex min-w-0 flex-col gap-5">
                    <header>
                        <p className="text-xs text-quiet">
                            <Link href={url('shelf')} className="underline underline-offset-2">
                                Shelf
                            </Link>{' '}
                            · {pot.maker}
                        </p>
                        <h1 className="text-2xl">{pot.name}</h1>
                        <p className="text-sm">
                            {pot.kind}, {pot.sheen},{' '}
                            {pot.coatsToHide === null ? 'never opaque' : `opaque in ${many(pot.coatsToHide, 'coat')}`};{' '}
                            <strong>{pot.quality}</strong>
                        </p>
                        {pot.isFlake && (
                            <p className="text-xs text-quiet">
                                Flakes lie flat and cover where they land: 63 % with one dusting, 95 % with three. Two
                                colours by angle stand for a gradual change; this is simpler than the rest of the model.
                            </p>
                        )}
                    </header>
                    <div className="flex h-40">
                        <Patch colour={pot.thick} name={pot.isFlake ? 'Face' : 'Thick'} grow={2} />
                        {pot.flopHex !== null && (
                            <div
                                className="flex flex-1 flex-col justify-end p-2 text-xs font-semibold"
                                style={{ background: pot.flopHex, color: inkOn(pot.flopHex) }}
                            >
                                From the side
                            </div>
                        )}
                        <div className="flex flex-1 bg-[#000] p-4 pr-0">
                            <Patch colour={pot.overBlack} name="Over black" grow={1} />
                        </div>
                        <div className="flex flex-1 bg-[#fff] p-4 pl-0">
                            <Patch colour={pot.overWhite} name="Over white" grow={1} />
                        </div>
                    </div>
                    <Curves curves={curves} />
                    <Facts key={pot.id} potId={pot.id} facts={facts} />
                    <Life life={life} />
                </div>
                <SwatchTable
                    key={`${pot.id} ${pot.version}`}
                    pot={pot}
                    whites={whites}
                    readerNoise={readerNoise}
                    coatSpread={coatSpread}
                    photo={(onReadings) => <CardPhoto pot={pot} onReadings={onReadings} />}
                    onKept={() => {
                        router.reload();
                    }}
                />
            </div>
        </Shell>
    );
}

function Patch({ colour, name, grow }: { colour: ColourProps; name: string; grow: number }) {
    return (
        <div
            className="flex min-w-0 flex-col justify-end p-2 text-xs"
            style={{ background: colour.hex, color: inkOn(colour.hex), flexGrow: grow, flexBasis: 0 }}
        >
            <span className="font-semibold">{name}</span>
            <span>{labWords(colour)}</span>
        </div>
    );
}
