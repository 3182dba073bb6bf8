import { Link } from '@inertiajs/react';
import { useEffect, useState } from 'react';
import { ApiError, isRecord, send } from '@/shared/lib/api';
import { url } from '@/shared/lib/url';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { ConflictDialog } from '@/shared/ui/conflict';
import { Field, TextArea } from '@/shared/ui/field';
import { LevelSlider } from '@/shared/ui/level-slider';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import type { ColourProps, Opacity, PotKind, PaintProps, Sheen, TintingStrength } from '@/types/generated';

const KINDS: readonly PotKind[] = [
    'acrylic',
    'airbrush colour',
    'primer',
    'wash',
    'one-coat',
    'ink',
    'medium',
    'thinner',
    'varnish',
    'metal flake',
    'colour-shift powder',
    'lacquer chrome',
    'oil',
    'enamel liner',
    'pigment powder',
];

/** Kinds with a second face. */
const FLAKES: readonly PotKind[] = ['metal flake', 'colour-shift powder', 'lacquer chrome'];

const OPACITIES: readonly { value: Opacity; label: string }[] = [
    { value: '1', label: '1 coat' },
    { value: '2', label: '2' },
    { value: '3', label: '3' },
    { value: '5', label: '5' },
    { value: 'wash', label: 'wash' },
];

const STRENGTHS: readonly { value: TintingStrength; label: string }[] = [
    { value: 'weak', label: 'weak' },
    { value: 'usual', label: 'usual' },
    { value: 'strong', label: 'strong' },
];

type Values = {
    maker: string;
    name: string;
    kind: PotKind;
    sheen: Sheen;
    levelPercent: number;
    thickHex: string;
    flopHex: string | null;
    opacity: Opacity;
    strength: TintingStrength;
    note: string;
};

type Estimate = { overBlack: ColourProps; overWhite: ColourProps; coatsToHide: number | null };

function valuesOf(paint: PaintProps | null): Values {
    return {
        maker: paint?.maker ?? '',
        name: paint?.name ?? '',
        kind: paint?.kind ?? 'acrylic',
        sheen: paint?.sheen ?? 'matt',
        levelPercent: paint?.levelPercent ?? 100,
        thickHex: paint?.thickHex ?? '#808080',
        flopHex: paint?.flopHex ?? null,
        opacity: paint?.opacity ?? '2',
        strength: paint?.strength ?? 'usual',
        note: paint?.note ?? '',
    };
}

/** A pot described by its colour and how it covers; what follows from that is shown while it is typed. */
export function PotForm({
    paint,
    onSaved,
    onRemoved,
}: {
    paint: PaintProps | null;
    onSaved: () => void;
    onRemoved: () => void;
}) {
    const [values, setValues] = useState<Values>(() => valuesOf(paint));
    const [version, setVersion] = useState(paint?.version ?? 1);
    const [estimate, setEstimate] = useState<Estimate | null>(null);
    const [failure, setFailure] = useState<ApiError | null>(null);
    const [theirs, setTheirs] = useState<PaintProps | null>(null);
    const [busy, setBusy] = useState(false);
    const measured = paint !== null && paint.quality !== 'estimated';
    const put = (part: Partial<Values>) => {
        setValues((now) => ({ ...now, ...part }));
    };

    useEffect(() => {
        const controller = new AbortController();
        const timer = window.setTimeout(() => {
            const asked = { ...values, maker: values.maker || '-', name: values.name || '-' };
            send<Estimate>('POST', url('paints.estimate'), asked, controller.signal)
                .then(setEstimate)
                .catch((error: unknown) => {
                    // A question given up for a newer one takes nothing away.
                    if (error instanceof ApiError) setEstimate(null);
                });
        }, 150);
        return () => {
            window.clearTimeout(timer);
            controller.abort();
        };
    }, [values]);

    async function save(basedOn: number) {
        setBusy(true);
        setFailure(null);
        try {
            if (paint === null) await send('POST', url('paints.store'), values);
            else await send('PATCH', url('paints.update', { paint: paint.id }), { ...values, version: basedOn });
            onSaved();
        } catch (error) {
            if (!(error instanceof ApiError)) throw error;
            if (error.isConflict && isRecord(error.body)) setTheirs(error.body['theirs'] as PaintProps);
            else setFailure(error);
        } finally {
            setBusy(false);
        }
    }

    return (
        <form
            className="flex flex-col gap-3"
            onSubmit={(event) => {
                event.preventDefault();
                void save(version);
            }}
        >
            <div className="flex h-28" aria-hidden>
                <div className="flex-[2]" style={{ background: values.thickHex }} />
                <div className="flex-1 bg-[#000] p-3">
                    <div className="h-full" style={{ background: estimate?.overBlack.hex ?? 'transparent' }} />
                </div>
                <div className="flex-1 bg-[#fff] p-3">
                    <div className="h-full" style={{ background: estimate?.overWhite.hex ?? 'transparent' }} />
                </div>
            </div>
            <p className="text-xs text-quiet">
                Thick; one coat over black; one coat over white.{' '}
                {estimate === null
                    ? ''
                    : estimate.coatsToHide === null
                      ? 'It never hides. '
                      : `Hides in ${estimate.coatsToHide}. `}
                {measured ? 'Measured: what was read is kept.' : 'An estimate from what you state here.'}{' '}
                {paint !== null && (
                    <Link href={url('pots.show', { paint: paint.id })} className="font-semibold text-ink underline">
                        Measure it, and its page
                    </Link>
                )}
            </p>
            {failure !== null && Object.keys(failure.fields).length === 0 && <Notice strong>{failure.message}</Notice>}
            <div className="grid grid-cols-2 gap-3">
                <Field
                    label="Name"
                    required
                    maxLength={80}
                    value={values.name}
                    error={failure?.fields['name']}
                    onChange={(e) => {
                        put({ name: e.target.value });
                    }}
                />
                <Field
                    label="Maker"
                    required
                    maxLength={80}
                    value={values.maker}
                    error={failure?.fields['maker']}
                    onChange={(e) => {
                        put({ maker: e.target.value });
                    }}
                />
            </div>
            <div className="flex items-end gap-3">
                <label className="text-xs text-quiet">
                    <span className="mb-1 block">Colour when thick</span>
                    <input
                        type="color"
                        className="h-10 w-16 border border-strong"
                        value={values.thickHex}
                        onChange={(e) => {
                            put({ thickHex: e.target.value });
                        }}
                    />
                </label>
                <Field
                    label="As a code"
                    className="flex-1"
                    value={values.thickHex}
                    error={failure?.fields['thickHex']}
                    onChange={(e) => {
                        put({ thickHex: e.target.value });
                    }}
                />
            </div>
            {FLAKES.includes(values.kind) && (
                <label className="text-xs text-quiet">
                    <span className="mb-1 block">Colour from the side</span>
                    <input
                        type="color"
                        className="h-10 w-16 border border-strong"
                        value={values.flopHex ?? '#404040'}
                        onChange={(e) => {
                            put({ flopHex: e.target.value });
                        }}
                    />
                </label>
            )}
            <Labelled label="Coats until black beneath no longer shows">
                <Choice
                    grow
                    label="Coats to hide"
                    value={values.opacity}
                    options={OPACITIES}
                    onChoose={(opacity) => {
                        put({ opacity });
                    }}
                />
            </Labelled>
            <Labelled label="How far it carries in mixes">
                <Choice
                    grow
                    label="Strength in mixes"
                    value={values.strength}
                    options={STRENGTHS}
                    onChoose={(strength) => {
                        put({ strength });
                    }}
                />
            </Labelled>
            <div className="grid grid-cols-2 gap-3">
                <Pick<PotKind>
                    label="Kind"
                    value={values.kind}
                    options={KINDS.map((kind) => ({ value: kind, label: kind }))}
                    onPick={(kind) => {
                        put({ kind });
                    }}
                />
                <Pick<Sheen>
                    label="Sheen"
                    value={values.sheen}
                    options={(['matt', 'satin', 'gloss'] as const).map((s) => ({ value: s, label: s }))}
                    onPick={(sheen) => {
                        put({ sheen });
                    }}
                />
            </div>
            <LevelSlider
                label="How full"
                value={values.levelPercent}
                onChange={(levelPercent) => {
                    put({ levelPercent });
                }}
            />
            <TextArea
                label="Note"
                maxLength={2000}
                value={values.note}
                onChange={(e) => {
                    put({ note: e.target.value });
                }}
            />
            <div className="flex gap-3">
                <Button look="main" type="submit" disabled={busy} className="flex-1">
                    {paint === null ? 'Put it on the shelf' : 'Save'}
                </Button>
                {paint !== null && <Button onClick={onRemoved}>Take it off the shelf</Button>}
            </div>
            <ConflictDialog
                open={theirs !== null}
                mine={<PotWords values={values} />}
                theirs={<PotWords values={valuesOf(theirs)} />}
                onKeepMine={() => {
                    const now = theirs?.version ?? version;
                    setVersion(now);
                    setTheirs(null);
                    void save(now);
                }}
                onTakeTheirs={() => {
                    setValues(valuesOf(theirs));
                    setVersion(theirs?.version ?? version);
                    setTheirs(null);
                }}
            />
        </form>
    );
}

function Labelled({ label, children }: { label: string; children: React.ReactNode }) {
    return (
        <div>
            <span className="mb-1 block text-xs text-quiet">{label}</span>
            {children}
        </div>
    );
}

function PotWords({ values }: { values: Values }) {
    return (
        <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-sm">
            {Object.entries(values).map(([name, value]) => (
                <div key={name} className="contents">
                    <dt className="text-quiet">{name}</dt>
                    <dd>{String(value) || '-'}</dd>
                </div>
            ))}
        </dl>
    );
}
