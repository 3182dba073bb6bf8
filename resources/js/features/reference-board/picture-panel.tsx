import { useState, type Dispatch, type SetStateAction } from 'react';
import { send } from '@/shared/lib/api';
import { one } from '@/shared/lib/format';
import { url } from '@/shared/lib/url';
import { useAttempt } from '@/shared/lib/use-attempt';
import { Button } from '@/shared/ui/button';
import { Choice } from '@/shared/ui/choice';
import { Field } from '@/shared/ui/field';
import { Notice } from '@/shared/ui/notice';
import { Pick } from '@/shared/ui/pick';
import type { NeutralProps, PaletteProps, PictureKind, PictureProps, Shading } from '@/types/generated';
import type { Drawn } from './board';

/** What the next drawing on the picture is for. */
export type Purpose = 'grey' | 'hand' | 'chart' | 'other' | 'crop';

const KINDS: readonly PictureKind[] = ['artwork', 'photo of another piece', 'photo of a real thing'];

/** What a picture is, what it is neutralised on, its main colours. */
type Props = {
    figureId: number;
    picture: PictureProps;
    purpose: Purpose | null;
    reflectance: string;
    onReflectance: (value: string) => void;
    onPurpose: (purpose: Purpose | null) => void;
    onChanged: () => unknown;
    /** A colour of the palette was chosen to be taken where it stands. */
    onColour?: (spot: Drawn) => void;
};

export function PicturePanel({
    figureId,
    picture,
    purpose,
    reflectance,
    onReflectance,
    onPurpose,
    onChanged,
    onColour,
}: Props) {
    const [palette, setPalette] = useState<PaletteProps[] | null>(null);
    const { message: problem, attempt: doing } = useAttempt();
    const at = { figure: figureId, picture: picture.id };

    const attempt = (act: () => Promise<unknown>) =>
        doing(async () => {
            await act();
            await onChanged();
        });

    const tell = (change: Record<string, unknown>) => attempt(() => send('PATCH', url('pictures.update', at), change));

    return (
        <section aria-label="Picture" className="flex flex-col gap-4 text-sm">
            <h2 className="text-lg font-semibold">{picture.title}</h2>
            {picture.remarks.map((remark) => (
                <Notice key={remark}>{remark}</Notice>
            ))}
            {problem !== null && <Notice strong>{problem}</Notice>}
            {KINDS.includes(picture.kind) && <Nature picture={picture} tell={tell} />}
            <Neutral
                neutral={picture.neutral}
                purpose={purpose}
                reflectance={reflectance}
                onReflectance={onReflectance}
                onPurpose={onPurpose}
                onUndo={() => void attempt(() => send('DELETE', url('pictures.restore', at)))}
            />
            {onColour && (
                <PictureActions
                    purpose={purpose}
                    onPurpose={onPurpose}
                    picture={picture}
                    tell={tell}
                    at={at}
                    setPalette={setPalette}
                />
            )}
            {palette !== null && onColour && <Colours palette={palette} onColour={onColour} />}
        </section>
    );
}

function Neutral({
    neutral,
    purpose,
    reflectance,
    onReflectance,
    onPurpose,
    onUndo,
}: {
    neutral: NeutralProps | null;
    purpose: Purpose | null;
    reflectance: string;
    onReflectance: (value: string) => void;
    onPurpose: (purpose: Purpose | null) => void;
    onUndo: () => void;
}) {
    const words: Record<Purpose, string> = {
        grey: 'Draw a box inside the grey patch.',
        other: 'Draw a box inside another patch of the same grey, far from the first: it shows how the light falls off.',
        hand: 'Draw a box on something that you know is neutral: a white wall, a bare grey primer.',
        chart: 'Click the centres of four patches in turn: dark brown, bluish green, black, white.',
        crop: 'Draw a box around the part to use.',
    };
    return (
        <div className="border-y border-line py-3">
            <p className="mb-1 text-xs text-quiet">White-balance from</p>
            <Choice<Purpose | 'none'>
                label="White-balance from"
                value={purpose ?? 'none'}
                options={[
                    { value: 'grey', label: 'grey card' },
                    { value: 'chart', label: '24 patches' },
                    { value: 'hand', label: 'by hand' },
                ]}
                onChoose={(next) => {
                    onPurpose(next === 'none' ? null : next);
                }}
            />
            {purpose === 'grey' && (
                <Field
                    label="Reflectance of the grey"
                    className="mt-2 w-40"
                    inputMode="decimal"
                    value={reflectance}
                    hint="0.18 for the usual grey card"
                    onChange={(event) => {
                        onReflectance(event.target.value);
                    }}
                />
            )}
            {purpose !== null && <p className="mt-2 font-semibold">{words[purpose]}</p>}
            {purpose === null && neutral === null && (
                <p className="mt-2">Not white-balanced: lamp and camera still tint its colours.</p>
            )}
            {neutral !== null && (
                <Neutralised
                    neutral={neutral}
                    onUndo={onUndo}
                    onOther={() => {
                        onPurpose('other');
                    }}
                />
            )}
        </div>
    );
}

/** What is left of each patch's error. */
function Residuals({ residuals }: { residuals: NeutralProps['residuals'] }) {
    return (
        <ul className="grid grid-cols-6 gap-px" aria-label="ΔE left on each patch">
            {residuals.map((r) => (
                <li key={r.name} title={r.name} className="text-center text-xs">
                    <span className="block h-5" style={{ background: r.hex }} aria-hidden />
                    <span className="sr-only">{r.name}: </span>
                    {one(r.difference)}
                </li>
            ))}
        </ul>
    );
}

function Colours({ palette, onColour }: { palette: readonly PaletteProps[]; onColour: (spot: Drawn) => void }) {
    return (
        <div>
            <p className="mb-1 text-xs text-quiet">Click a colour to take it for the selected zone</p>
            <ul className="flex flex-col gap-1">
                {palette.map((entry) => (
                    <li key={entry.colour.hex}>
                        <button
                            type="button"
                            className="flex w-full items-center gap-3 text-left"
                            onClick={() => {
                                onColour({
                                    tool: 'spot',
                                    points: entry.spot.map((p) => [p[0] ?? 0, p[1] ?? 0] as const),
                                });
                            }}
                        >
                            <span
                                className="h-7 shrink-0"
                                style={{ background: entry.colour.hex, width: `${Math.max(4, entry.share * 60)}%` }}
                                aria-hidden
                            />
                            <span className="whitespace-nowrap">
                                {Math.round(entry.share * 100)} % {entry.colour.name}
                            </span>
                        </button>
                    </li>
                ))}
            </ul>
        </div>
    );
}

function Neutralised({ neutral, onUndo, onOther }: { neutral: NeutralProps; onUndo: () => void; onOther: () => void }) {
    return (
        <div className="mt-2 flex flex-col gap-2">
            <p>{neutral.words}</p>
            {neutral.residuals.length > 0 && <Residuals residuals={neutral.residuals} />}
            <div className="flex flex-wrap gap-2">
                {neutral.method !== 'chart' && (
                    <Button size="small" onClick={onOther}>
                        Add another grey
                    </Button>
                )}
                <Button size="small" onClick={onUndo}>
                    Remove white balance
                </Button>
            </div>
        </div>
    );
}

function PictureActions({
    purpose,
    onPurpose,
    picture,
    tell,
    at,
    setPalette,
}: {
    purpose: Purpose | null;
    onPurpose: (purpose: Purpose | null) => void;
    picture: PictureProps;
    tell: (change: Record<string, unknown>) => Promise<boolean>;
    at: { figure: number; picture: number };
    setPalette: Dispatch<SetStateAction<PaletteProps[] | null>>;
}) {
    return (
        <div className="flex items-center gap-2">
            <Button
                size="small"
                aria-pressed={purpose === 'crop'}
                onClick={() => {
                    onPurpose(purpose === 'crop' ? null : 'crop');
                }}
            >
                {purpose === 'crop' ? 'Draw the crop' : 'Crop'}
            </Button>
            {picture.crop !== null && (
                <Button
                    size="small"
                    onClick={() => {
                        void tell({ crop: null });
                    }}
                >
                    Whole picture
                </Button>
            )}
            <Button
                size="small"
                onClick={() => void send<PaletteProps[]>('GET', url('pictures.palette', at)).then(setPalette)}
            >
                Main colours
            </Button>
        </div>
    );
}

function Nature({
    picture,
    tell,
}: {
    picture: PictureProps;
    tell: (change: Record<string, unknown>) => Promise<boolean>;
}) {
    return (
        <>
            <Pick
                label="Type"
                value={picture.kind}
                options={KINDS.map((kind) => ({ value: kind, label: kind }))}
                onPick={(kind) => tell({ kind })}
            />
            <div>
                <p className="mb-1 text-xs text-quiet">
                    Lighting{picture.shading === null && ': a picture cannot show this'}
                </p>
                <Choice<Shading | 'unknown'>
                    label="Lighting"
                    value={picture.shading ?? 'unknown'}
                    options={[
                        { value: 'painted on', label: 'painted on' },
                        { value: 'real light', label: 'real light' },
                    ]}
                    onChoose={(shading) => tell({ shading })}
                />
                {picture.shading === 'real light' && (
                    <p className="mt-1 text-xs text-quiet">
                        Colours are taken without the shading of the room (an estimate): your figure will be lit as
                        well.
                    </p>
                )}
            </div>
        </>
    );
}
