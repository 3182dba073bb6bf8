import { Link, router } from '@inertiajs/react';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Shell } from '@/features/shell/shell';
import { send } from '@/shared/lib/api';
import { many } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import { PotMark } from '@/shared/ui/pot-mark';
import { Stepper } from '@/shared/ui/stepper';
import type { HandProps, PotProps, Technique, TechniqueProps, ChipProps } from '@/types/generated';

type Card = 'black' | 'white';

type ChipsPageProps = { hands: HandProps[]; techniques: TechniqueProps[]; pots: PotProps[] };

/** Test chips: what this painter's own hand does, measured. */
export default function ChipsPage(props: ChipsPageProps) {
    const chips = useChips(props);
    const { hands, read } = chips;

    return (
        <Shell title="Test chips">
            <div className="grid gap-8 lg:grid-cols-[24rem_minmax(0,1fr)]">
                <ChipForm chips={chips} read={read} />
                <Hands hands={hands} />
            </div>
        </Shell>
    );
}

type Chips = ReturnType<typeof useChips>;

function useChips({ hands, techniques, pots }: ChipsPageProps) {
    const [technique, setTechnique] = useState<Technique>('base coat');
    const [pot, setPot] = useState(() => pots.find((p) => p.isMixed)?.id ?? 0);
    const [card, setCard] = useState<Card>('black');
    const [coats, setCoats] = useState(1);
    const { message: problem, attempt } = useAttempt();
    const [busy, setBusy] = useState(false);

    async function read() {
        setBusy(true);
        await attempt(async () => {
            await send('POST', url('chips.store'), { technique, paintId: pot, card, coats, thinner: 0 });
            router.reload();
        }).finally(() => {
            setBusy(false);
        });
    }
    return {
        hands,
        techniques,
        pots,
        technique,
        setTechnique,
        pot,
        setPot,
        card,
        setCard,
        coats,
        setCoats,
        problem,
        busy,
        read,
    };
}

/** "1.24 ± 0.03 times" */
function times(factor: number, deviation: number): string {
    return `${factor.toFixed(2)} ± ${Math.max(0.01, deviation).toFixed(2)} times`;
}

function ChipRow({ chip }: { chip: ChipProps }) {
    return (
        <li className="flex items-center border border-line text-xs">
            <span
                className="h-11 w-14 border-4"
                style={{
                    background: chip.colour.hex,
                    borderColor: chip.onBlack ? '#090909' : '#e6e6e6',
                }}
                aria-hidden
            />
            <span className="px-2">
                {chip.pot.name}
                <span className="block text-quiet">
                    {many(chip.coats, 'coat')} on {chip.onBlack ? 'black' : 'white'}
                </span>
            </span>
            <Button
                look="quiet"
                size="small"
                aria-label={`Delete the chip of ${chip.pot.name}`}
                onClick={() => {
                    void send('DELETE', url('chips.destroy', { chip: chip.id })).then(() => {
                        router.reload();
                    });
                }}
            >
                <Trash2 size={14} aria-hidden />
            </Button>
        </li>
    );
}

function HandCard({ hand }: { hand: HandProps }) {
    return (
        <li className="border border-strong bg-raised p-3">
            <h3 className="text-base font-semibold">{hand.technique}</h3>
            <p className="text-sm">
                Film {times(hand.thickness, hand.thicknessDeviation)} the usual
                {hand.covers ? ', full coverage' : `; covers ${times(hand.coverage, hand.coverageDeviation)} the usual`}
                . From {many(hand.chips.length, 'chip')}.
            </p>
            <ul className="mt-2 flex flex-wrap gap-2">
                {hand.chips.map((chip) => (
                    <ChipRow key={chip.id} chip={chip} />
                ))}
            </ul>
        </li>
    );
}

function Hands({ hands }: { hands: HandProps[] }) {
    return (
        <section aria-labelledby="hand">
            <h2 id="hand" className="mb-2 text-lg font-semibold">
                Your technique
            </h2>
            {hands.length === 0 && (
                <p className="text-base">
                    No chips yet. Two chips of a technique, one on black and one on white, work best.
                </p>
            )}
            <ul className="flex flex-col gap-4">
                {hands.map((hand) => (
                    <HandCard key={hand.technique} hand={hand} />
                ))}
            </ul>
        </section>
    );
}

function ChipForm({ chips, read }: { chips: Chips; read: () => Promise<void> }) {
    const { technique, techniques, setTechnique, pot, pots, setPot, card, setCard, coats, setCoats, problem, busy } =
        chips;
    return (
        <section className="flex flex-col gap-3">
            <header>
                <p className="text-xs text-quiet">
                    <Link href={url('shelf')} className="underline underline-offset-2">
                        Shelf
                    </Link>
                </p>
                <h1 className="text-2xl">Test chips</h1>
                <p className="text-sm text-quiet">
                    Paint a technique on a card as you always do, let it dry and read it. Predictions then use your own
                    technique instead of the usual profile. The colour reader here is simulated.
                </p>
            </header>
            <Pick<Technique>
                label="Technique"
                value={technique}
                options={techniques.map((t) => ({ value: t.technique, label: t.technique }))}
                onPick={setTechnique}
            />
            <Pick
                label="Pot"
                value={String(pot)}
                options={pots.map((p) => ({
                    value: String(p.id),
                    label: p.name,
                    mark: <PotMark hex={p.hex} />,
                }))}
                onPick={(id) => {
                    setPot(Number(id));
                }}
            />
            <div className="grid grid-cols-2 items-end gap-3">
                <Choice<Card>
                    grow
                    label="Card"
                    value={card}
                    options={[
                        { value: 'black', label: 'black' },
                        { value: 'white', label: 'white' },
                    ]}
                    onChoose={setCard}
                />
                <Stepper label="Coats" value={coats} min={1} max={6} onChange={setCoats} />
            </div>
            {problem !== null && <Notice strong>{problem}</Notice>}
            <Button look="main" disabled={busy || pot === 0} onClick={() => void read()}>
                Read the dry chip
            </Button>
        </section>
    );
}
